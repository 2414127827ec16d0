package com.shuttle.core.booking;

import java.time.Instant;

/**
 * A booking to come that is a visitor's own: they have named it by its reference and their own address, or made it.
 *
 * @param id        empty where there is none of that reference, or it is another's, or over
 * @param kind      id of the kind of appointment
 * @param name      of the kind
 * @param zone      IANA name of the zone it takes place in
 * @param party     how many come
 * @param reference as it is told; empty in what was kept before it stood here
 */
public record BookingFound(
        String id, String kind, String name, String zone, Instant start, int party, String reference) {

    /** There is none; nothing tells why. */
    public static final BookingFound NONE = new BookingFound("", "", "", "", Instant.EPOCH, 1, "");

    public BookingFound {
        reference = reference == null ? "" : reference;
    }

    public boolean none() {
        return id.isEmpty();
    }
}
