package com.shuttle.chat;

import com.shuttle.core.booking.FreeTimes;

/** Knows when appointments are free. There is one bean of this type, of the package that keeps them. */
@FunctionalInterface
public interface Times {

    /** @param kind id of a kind of appointment @param party how many come */
    FreeTimes free(String kind, int party);
}
