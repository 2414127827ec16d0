package com.shuttle.core.followup;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** What is done about a stage that is due. */
public sealed interface Decision {

    /** Its time has come. */
    record Act() implements Decision {}

    /** Not yet. @param until when it is looked at again */
    record Wait(Instant until) implements Decision {}

    /** The stage is passed over, and the next one follows. @param why in words */
    record PassOver(String why) implements Decision {}

    /** They are followed up no longer. @param why in words */
    record Stop(String why) implements Decision {}

    /**
     * What is done at a moment.
     *
     * @param mail      whether the stage writes to them; a task for a colleague needs no consent
     * @param holds     whether the stage's own condition holds
     * @param full      whether as many went out today as may
     * @param times     when something may go out
     */
    static Decision of(Standing who, boolean mail, boolean holds, boolean full, Times times, Instant at) {
        String over = over(who, at);
        if (!over.isEmpty()) {
            return new Stop(over);
        }
        if (mail) {
            if (who.stoppedAt() != null && !who.stoppedAt().isAfter(at)) {
                return new Stop(who.bounced() ? "mail came back" : "wanted no more mail");
            }
            if (who.agreedAt() == null || who.agreedAt().isAfter(at)) {
                return new PassOver("has not agreed to mail");
            }
            if (!who.reachable()) {
                return new PassOver("has no email");
            }
        }
        if (!holds) {
            return new PassOver("the stage is not for them");
        }
        Instant open = times.from(at);
        if (open.isAfter(at)) {
            return new Wait(open);
        }
        return full ? new Wait(times.from(nextDay(times, at))) : new Act();
    }

    /** Why somebody is not to be followed up any more; empty where they are. */
    private static String over(Standing who, Instant at) {
        return came(who.answeredAt(), at)
                ? "has answered"
                : came(who.bookedAt(), at) ? "has booked" : came(who.movedAt(), at) ? "is in another state" : "";
    }

    private static boolean came(@Nullable Instant moment, Instant at) {
        return moment != null && !moment.isAfter(at);
    }

    private static Instant nextDay(Times times, Instant at) {
        return at.atZone(times.zone())
                .toLocalDate()
                .plusDays(1)
                .atStartOfDay(times.zone())
                .toInstant();
    }
}
