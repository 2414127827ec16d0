package com.shuttle.core.conversation;

/**
 * All that a turn may look at outside the conversation. Asking changes nothing. To keep replay exact, the shell stores every
 * reply with the event ({@link Reads}).
 */
@FunctionalInterface
public interface World {

    /** Answers a query. */
    <R> R reply(Query<R> query);
}
