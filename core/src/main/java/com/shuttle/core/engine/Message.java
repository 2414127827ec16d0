package com.shuttle.core.engine;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.List;
import java.util.Locale;

/**
 * One line of the transcript.
 *
 * @param seq     position in the conversation, from 1 without gaps
 * @param text    small Markdown from bot and agent; plain text from the visitor
 * @param author  the agent's name; empty for others
 * @param options what is offered with it; may be empty
 */
public record Message(long seq, From from, String text, String author, List<Offer> options) {

    /** Whose words these are. */
    public enum From {
        VISITOR,
        BOT,
        AGENT;

        @JsonValue
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** An option as offered to the visitor. */
    public record Offer(String id, String label) {}

    public Message {
        options = List.copyOf(options);
    }
}
