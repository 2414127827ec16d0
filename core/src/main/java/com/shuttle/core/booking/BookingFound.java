package com.shuttle.core.booking;

import java.time.Instant;

/**
 * A booking that a visitor has named by its reference and their own address.
 *
 * @param id    empty where there is none of that reference, or it is another's, or over
 * @param kind  id of the kind of appointment
 * @param name  of the kind
 * @param zone  IANA name of the zone it takes place in
 * @param party how many come
 */
public record BookingFound(String id, String kind, String name, String zone, Instant start, int party) {

    /** There is none; nothing tells why. */
    public static final BookingFound NONE = new BookingFound("", "", "", "", Instant.EPOCH, 1);

    public boolean none() {
        return id.isEmpty();
    }
}
