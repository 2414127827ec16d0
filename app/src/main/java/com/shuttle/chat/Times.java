package com.shuttle.chat;

import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;

/** Knows when appointments are free, and what is booked. There is one bean of this type, of the package that keeps them. */
public interface Times {

    /** @param kind id of a kind of appointment @param party how many come */
    FreeTimes free(String kind, int party);

    /** What is booked under a reference for this address, and is not over. */
    BookingFound booked(String reference, String email);
}
