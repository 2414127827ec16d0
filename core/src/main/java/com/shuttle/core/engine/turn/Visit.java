package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Arrival;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.State;
import java.util.Set;

/**
 * Who visits, and from where.
 *
 * @param page      address they came from; may be empty
 * @param visitor   names the visitor across conversations; may be empty
 * @param zone      the visitor's time zone; empty for the bot's
 * @param returning whether anything was known of the visitor at the start
 * @param arrival   what the channel knows of them
 */
public record Visit(String channel, String page, String visitor, String zone, boolean returning, Arrival arrival) {

    /** Channels of programs that show text only; phones that Shuttle itself writes to have their options laid out for them later. */
    private static final Set<String> PLAIN = Set.of("sms", "voice");

    static Visit of(State state) {
        return new Visit(
                state.channel(), state.page(), state.visitor(), state.zone(), state.returning(), state.arrival());
    }

    static Visit of(Event.Started started) {
        return new Visit(
                started.channel(),
                started.page(),
                started.visitor(),
                started.zone(),
                !started.known().isEmpty(),
                started.arrival());
    }

    /** Whether the channel shows text only. */
    public boolean plain() {
        return PLAIN.contains(channel);
    }
}
