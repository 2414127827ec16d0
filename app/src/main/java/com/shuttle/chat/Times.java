package com.shuttle.chat;

import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import java.time.Instant;
import java.util.List;

/** Knows when appointments are free, and what is booked. There is one bean of this type, of the package that keeps them. */
public interface Times {

    /**
     * When a kind of appointment is free.
     *
     * @param kind  its id
     * @param party how many come
     * @param with  name of a person or room, or something that they can or speak; empty for any
     */
    FreeTimes free(String kind, int party, String with);

    /** The same as if it were another time now. */
    FreeTimes free(String kind, int party, String with, Instant now);

    /** When the kind of a name is free, in any case of letters; nothing where there is none. */
    FreeTimes first(String name);

    /** Whether the time under a reference is held still. */
    boolean held(String reference);

    /** What is booked under a reference for this address, and is not over. */
    BookingFound booked(String reference, String email);

    /** What is booked to come in a conversation, or in any of the same visitor; soonest first. @param visitor may be empty */
    List<BookingFound> own(String conversation, String visitor);
}
