package com.shuttle.core.booking;

import java.time.Instant;
import java.util.List;

/**
 * A person or a room with what they are taken for.
 *
 * @param busy stretches in which there is no time for anything, in any order; may overlap
 */
public record Resource(String id, OpenHours hours, List<Busy> busy) {

    public Resource {
        busy = List.copyOf(busy);
    }

    /**
     * A stretch of time that is taken.
     *
     * @param from  its first moment
     * @param until the first moment after it; not before {@code from}
     */
    public record Busy(Instant from, Instant until) {}
}
