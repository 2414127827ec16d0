package com.shuttle.core.flow;

import java.util.List;

/**
 * A designer's settings of a standing request.
 *
 * @param request {@code person}, {@code start_again}, {@code menu}, {@code stop} or {@code back}
 * @param off     not heard at all
 * @param phrases more ways to say it
 */
public record StandingWords(String request, boolean off, List<String> phrases) {
    public StandingWords {
        phrases = phrases == null ? List.of() : List.copyOf(phrases);
    }
}
