package com.shuttle.core.knowledge;

import java.util.List;

/**
 * A question with what it may lean on.
 *
 * @param turns the visitor's latest questions, oldest first, at least one; the last is to be answered
 * @param about  what the conversation is about where it is put, in a few words; empty for nothing in particular
 * @param matter whether it surely asks about the matter, so that it is not met with a pleasantry
 */
public record Inquiry(List<String> turns, String about, boolean matter) {

    public Inquiry {
        turns = List.copyOf(turns);
    }

    /** A question that leans on nothing but those before it. */
    public static Inquiry of(List<String> turns) {
        return new Inquiry(turns, "", false);
    }

    public String question() {
        return turns.getLast();
    }

    /** The same with another question instead of all. */
    Inquiry only(String question) {
        return new Inquiry(List.of(question), about, matter);
    }
}
