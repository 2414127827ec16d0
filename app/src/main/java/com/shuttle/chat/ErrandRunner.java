package com.shuttle.chat;

import com.shuttle.core.conversation.Errand;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * Does the errands of one type, outside of any transaction; it may take its time. There is exactly one runner of each type, see
 * {@link Errands}. Thread-safe.
 *
 * @param <E> the type
 */
public interface ErrandRunner<E extends Errand> {

    /** The errand is to be tried again after a pause. */
    final class Again extends Exception {
        private static final long serialVersionUID = 1;

        public Again(String why) {
            super(why);
        }
    }

    Class<E> type();

    /**
     * One attempt of an errand.
     *
     * @param number from 1 on; more than that after {@link Again}, or where a server ended in the midst of it
     * @param until  when it must have ended, since it counts as lost soon after and may be made again
     */
    record Attempt(String conversation, int number, Instant until) {}

    /** How long one attempt may take. Asked for once, when the errand is sent. */
    default int seconds(E errand) {
        return (int) errand.limit();
    }

    /**
     * Does an errand.
     *
     * @return what came of it; null for nothing
     */
    @Nullable
    JsonNode run(E errand, Attempt attempt) throws Again;
}
