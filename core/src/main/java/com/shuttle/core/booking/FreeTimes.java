package com.shuttle.core.booking;

import java.time.Instant;
import java.util.List;

/**
 * When a kind of appointment can begin, as a conversation learns it.
 *
 * @param name   of the kind; empty where it is gone
 * @param zone   IANA name of the zone it takes place in
 * @param starts in their order; the first {@value #MOST}
 * @param people names of those of whom any one takes it; empty where there is no choice
 */
public record FreeTimes(String name, String zone, List<Instant> starts, List<String> people) {

    public static final int MOST = 600;

    /** Of a kind that is gone. */
    public static final FreeTimes GONE = new FreeTimes("", "", List.of(), List.of());

    public FreeTimes {
        starts = List.copyOf(starts);
        people = List.copyOf(people);
    }
}
