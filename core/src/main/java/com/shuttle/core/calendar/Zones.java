package com.shuttle.core.calendar;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.time.ZoneOffset;

/** Time zones by their IANA names. Pure functions. */
public final class Zones {

    private Zones() {}

    /** The first of these that names a zone; UTC where none does. Blank ones name none. */
    public static ZoneId firstKnown(String... names) {
        for (String name : names) {
            if (!name.isBlank()) {
                try {
                    return ZoneId.of(name);
                } catch (DateTimeException unknown) {
                    // The next may be known.
                }
            }
        }
        return ZoneOffset.UTC;
    }
}
