package com.shuttle.chat;

import com.shuttle.core.conversation.Errand;
import java.time.Duration;
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

    /** After so long an attempt of which nothing has come counts as lost, because its server has ended. */
    default Duration lease(E errand) {
        return Duration.ofSeconds(errand.limit());
    }

    /**
     * Does an errand.
     *
     * @param attempt from 1 on; more than that after {@link Again}, or where a server ended in the midst of it
     * @return what came of it; null for nothing
     */
    @Nullable
    JsonNode run(String conversation, E errand, int attempt) throws Again;
}
