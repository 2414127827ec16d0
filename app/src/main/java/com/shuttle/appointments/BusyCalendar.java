package com.shuttle.appointments;

import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A calendar elsewhere that says when somebody is busy.
 *
 * @param triedAt when it was last asked; null for never
 * @param readAt  when it could last be read; null for never
 * @param why     it could not be read the last time; empty where it could
 * @param etag    by which its server tells whether it has changed; empty for none
 * @param wholeAt when all of it was read last; what recurs is worked out from then on for a while
 * @param times   busy stretches that are known of it
 */
record BusyCalendar(
        String id,
        String resource,
        String address,
        @Nullable Instant triedAt,
        @Nullable Instant readAt,
        String why,
        String etag,
        @Nullable Instant wholeAt,
        int times) {

    private static final Duration REPEATS = Duration.ofDays(1);

    private static final Duration STALE = Duration.ofHours(1);

    /** Whether it was added just now and nobody has tried to read it yet. */
    public boolean awaited() {
        return triedAt == null;
    }

    /** Whether what is known of it is old. */
    public boolean stale(Instant now) {
        return readAt == null || readAt.plus(STALE).isBefore(now);
    }

    /** What its server is asked to compare with; empty to read all of it, as once a day. */
    String known(Instant now) {
        return wholeAt == null || wholeAt.plus(REPEATS).isBefore(now) ? "" : etag;
    }
}
