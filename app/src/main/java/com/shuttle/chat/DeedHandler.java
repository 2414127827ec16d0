package com.shuttle.chat;

import com.shuttle.core.conversation.Deed;
import java.time.Instant;
import java.util.List;

/**
 * Carries out the deeds of one type in the transaction of their turn. There is exactly one handler of each type, see
 * {@link Deeds}.
 *
 * @param <D> the type
 */
public interface DeedHandler<D extends Deed> {

    Class<D> type();

    /** Before a turn's deeds are carried out: what has to be done for all of this type at once, such as locks in one order. */
    default void prepare(List<D> deeds) {}

    /** @param at the time of the turn */
    void carryOut(Conversation conversation, D deed, Instant at);

    /** A handler of a few words. */
    static <D extends Deed> DeedHandler<D> of(Class<D> type, Doing<D> doing) {
        return new DeedHandler<>() {
            @Override
            public Class<D> type() {
                return type;
            }

            @Override
            public void carryOut(Conversation conversation, D deed, Instant at) {
                doing.carryOut(conversation, deed, at);
            }
        };
    }

    /** What a handler does. */
    @FunctionalInterface
    interface Doing<D extends Deed> {
        void carryOut(Conversation conversation, D deed, Instant at);
    }
}
