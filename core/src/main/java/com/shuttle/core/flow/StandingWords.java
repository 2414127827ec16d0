package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;

/**
 * A designer's settings of a standing request.
 *
 * @param request {@code person}, {@code emergency}, {@code start_again}, {@code menu}, {@code stop} or {@code back}
 * @param off     not heard at all
 * @param phrases more ways to say it
 * @param flow    id of the flow that a person is asked for by; empty for the bot's own words
 */
public record StandingWords(
        String request,
        boolean off,
        List<String> phrases,
        @JsonInclude(JsonInclude.Include.NON_EMPTY) String flow) {

    /** The request of a visitor who wants a person. */
    public static final String PERSON = "person";

    public StandingWords {
        phrases = phrases == null ? List.of() : List.copyOf(phrases);
        flow = flow == null ? "" : flow;
    }

    public StandingWords(String request, boolean off, List<String> phrases) {
        this(request, off, phrases, "");
    }
}
