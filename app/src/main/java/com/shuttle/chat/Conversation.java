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
        @Nullable Instant waitingSince) {}
