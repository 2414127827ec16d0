package com.shuttle.chat;

/**
 * Keeps something of conversations beside them. Every bean of this type is asked to forget a conversation that is erased, within
 * the same transaction.
 */
@FunctionalInterface
public interface Forgets {

    void forget(Conversation conversation);
}
