package com.shuttle.channels;

import com.shuttle.chat.Conversation;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Somebody with a phone, on one channel.
 *
 * @param number       theirs, in E.164 form
 * @param conversation that they are in; null before the first
 * @param page         of the options that they were shown last, from 0 on
 * @param heardAt      when they last wrote
 * @param stoppedAt    when they wanted no more messages; null where they take them
 */
record Contact(
        String channel,
        String number,
        @Nullable String conversation,
        int page,
        Instant heardAt,
        @Nullable Instant stoppedAt) {

    private static final String PREFIX = "phone:";

    /** What names them across conversations. */
    String visitor() {
        return PREFIX + channel + ":" + number;
    }

    boolean stopped() {
        return stoppedAt != null;
    }

    /** Whether they may be written to freely. @param window after their last message; null for always */
    boolean reachable(@Nullable Duration window, Instant now) {
        return window == null || !heardAt.plus(window).isBefore(now);
    }

    /** Channel and number of whoever a conversation is with; empty where that is nobody with a phone. */
    static Optional<Reached> of(Conversation conversation) {
        String[] parts = conversation.visitor().split(":", 3);
        return conversation.visitor().startsWith(PREFIX) && parts.length == 3
                ? Optional.of(new Reached(parts[1], parts[2]))
                : Optional.empty();
    }

    /** Where somebody is reached. */
    record Reached(String channel, String number) {}
}
