package com.shuttle.core.listening;

import java.util.List;

/**
 * What one source understood of a message, and of which of its words.
 *
 * @param words    which it understood, in order and apart; may be none, and then it is in nobody's way
 * @param strength how sure it is, from 0 for a guess to 1 for what can mean nothing else
 * @param says     what it understood, for the trace
 * @param what     was understood
 * @param <W>      of what kind that is
 */
public record Claim<W>(Source source, List<Span> words, double strength, String says, W what) {

    public Claim {
        words = List.copyOf(words);
        if (!(strength >= 0 && strength <= 1)) {
            throw new IllegalArgumentException("expected a strength from 0 to 1, but got " + strength);
        }
    }

    /** Whether a word is one of those that it understood. */
    public boolean explains(Span word) {
        return words.stream().anyMatch(word::overlaps);
    }

    /** Whether two want the same words. */
    public boolean rivals(Claim<W> other) {
        return words.stream().anyMatch(mine -> other.words().stream().anyMatch(mine::overlaps));
    }
}
