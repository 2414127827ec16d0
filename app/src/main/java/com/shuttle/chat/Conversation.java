package com.shuttle.chat;

import com.shuttle.core.conversation.Speaker;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A conversation as lists show it.
 *
 * @param visitor      what names the visitor across conversations; may be empty
 * @param agent        id of the account that took it; null where nobody did
 * @param waitingSince when the visitor asked for a person; null where they do not wait
 * @param page         address the visitor came from; may be empty
 * @param named        the visitor's name; empty while it is not known
 * @param lastWords    the beginning of the last message
 */
public record Conversation(
        String id,
        String bot,
        String release,
        String visitor,
        Speaker speaker,
        String team,
        @Nullable String agent,
        Instant startedAt,
        Instant lastAt,
        @Nullable Instant waitingSince,
        String channel,
        String page,
        String named,
        String lastWords) {

    /** The visitor's name where it is known, otherwise "Visitor" with the beginning of the conversation's id. */
    public String visitorName() {
        return named.isEmpty() ? "Visitor " + id.substring(0, 4) : named;
    }
}
