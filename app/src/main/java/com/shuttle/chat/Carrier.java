package com.shuttle.chat;

import com.shuttle.core.conversation.Message;
import java.time.Instant;
import java.util.List;

/**
 * Brings what is said to visitors who are not at a page that could read it. Every bean of this type is asked at each turn, within
 * its transaction, and leaves alone what is not its own.
 */
@FunctionalInterface
public interface Carrier {

    /** @param messages of the turn, the visitor's own among them @param at the time of the turn */
    void carry(Conversation conversation, List<Message> messages, Instant at);
}
