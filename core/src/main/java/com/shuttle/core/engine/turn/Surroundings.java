package com.shuttle.core.engine.turn;

import com.shuttle.core.calendar.Zones;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.World;
import com.shuttle.core.flow.Limits;
import com.shuttle.core.flow.Release;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Meaning;
import java.time.Instant;
import java.time.LocalDateTime;

/**
 * Where and when a turn takes place.
 *
 * @param at   the instant of the turn
 * @param zone the visitor's IANA time zone; empty where it is unknown
 */
public record Surroundings(Release.Profile profile, Instant at, String zone, World world) {

    /** In whose habits the visitor writes, and what their clock says. */
    public Context context() {
        return new Context(profile.region(), now());
    }

    /** As {@link #context}, with the region that a question sets for phone numbers. */
    public Context context(Limits limits) {
        return limits.region().isBlank() ? context() : new Context(limits.region(), now());
    }

    /** The visitor's clock, or the bot's where the visitor's is unknown. */
    public LocalDateTime now() {
        return LocalDateTime.ofInstant(at, Zones.firstKnown(zone, profile.zone()));
    }

    public boolean inHours() {
        return profile.openAt(LocalDateTime.ofInstant(at, Zones.firstKnown(profile.zone())));
    }

    public Meaning meaning() {
        return (text, others) -> others.isEmpty() ? new double[0] : world.reply(new Query.Closeness(text, others));
    }
}
