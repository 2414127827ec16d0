package com.shuttle.core.booking;

import java.time.Instant;
import java.util.List;

/**
 * A free time for an appointment.
 *
 * @param resources who can take it, in the order they were given; for a kind that needs all, all
 * @param left      how many people it still takes
 */
public record Slot(Instant start, Instant end, List<String> resources, int left) {
    public Slot {
        resources = List.copyOf(resources);
    }
}
