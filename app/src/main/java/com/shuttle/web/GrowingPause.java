package com.shuttle.web;

import java.time.Duration;

/** How long is waited before something outside is tried again: five seconds, doubled each time, up to an hour. */
public final class GrowingPause {

    private static final Duration FIRST = Duration.ofSeconds(5);
    private static final Duration LONGEST = Duration.ofHours(1);
    private static final int MOST_DOUBLINGS = 12;

    private GrowingPause() {}

    /** @param attempts that there were, at least 1 */
    public static Duration after(int attempts) {
        Duration pause = FIRST.multipliedBy(1L << Math.min(MOST_DOUBLINGS, attempts - 1));
        return pause.compareTo(LONGEST) > 0 ? LONGEST : pause;
    }
}
