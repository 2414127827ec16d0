package com.shuttle.core.followup;

import com.shuttle.core.calendar.WeekHours;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;

/**
 * When follow-ups may go out: within hours of the week, on the clock of a zone, so that a change of the clock moves nothing.
 *
 * @param hours {@link WeekHours#ALWAYS} for any time
 */
public record Times(WeekHours hours, ZoneId zone) {

    /** Days that are looked at for an open hour. */
    private static final int DAYS = 8;

    private static final int MINUTES = 15;

    /** The first moment from one on, by the quarter of an hour, at which something may go out; that one itself where it may. */
    public Instant from(Instant at) {
        LocalDateTime local = LocalDateTime.ofInstant(at, zone);
        if (hours.always() || hours.openAt(local)) {
            return at;
        }
        LocalDateTime next = local.toLocalDate()
                .atTime(LocalTime.of(local.getHour(), local.getMinute() / MINUTES * MINUTES))
                .plusMinutes(MINUTES);
        LocalDateTime last = local.plusDays(DAYS);
        while (next.isBefore(last)) {
            if (hours.openAt(next)) {
                return next.atZone(zone).toInstant();
            }
            next = next.plusMinutes(MINUTES);
        }
        return at;
    }

    /** Whether two moments are on one day of the zone. */
    public boolean sameDay(Instant one, Instant other) {
        return LocalDateTime.ofInstant(one, zone)
                .toLocalDate()
                .equals(LocalDateTime.ofInstant(other, zone).toLocalDate());
    }
}
