package com.shuttle.channels;

import com.shuttle.core.channel.Piece;
import com.shuttle.core.flow.Keyed;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A message on its way to a phone.
 *
 * @param ordinal      its place among all; messages to one person go out in this order
 * @param conversation it belongs to; null for what the channel says of its own accord
 * @param parts        that a text message takes; 1 elsewhere
 * @param why          it was not delivered at the last attempt; empty where it was
 * @param until        it is tried
 * @param toldAt       when the gateway last told how far it is; null for never
 */
public record Dispatch(
        long ordinal,
        String id,
        String channel,
        String number,
        @Nullable String conversation,
        Piece piece,
        int parts,
        State state,
        int attempts,
        String why,
        Instant madeAt,
        Instant until,
        @Nullable Instant toldAt) {

    /** How far it has come. */
    public enum State implements Keyed {
        WAITING("is tried"),
        WITHHELD("waits until they write"),
        SENT("sent"),
        DELIVERED("delivered"),
        READ("read"),
        FAILED("failed"),
        STOPPED("not sent: they want no messages");

        private final String label;

        State(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        /** Whether a gateway that tells {@code next} tells something new. States that come late change nothing. */
        boolean before(State next) {
            return switch (this) {
                case WAITING, SENT -> next == DELIVERED || next == READ || next == FAILED;
                case DELIVERED -> next == READ;
                case WITHHELD, READ, FAILED, STOPPED -> false;
            };
        }
    }

    public boolean failed() {
        return state == State.FAILED;
    }
}
