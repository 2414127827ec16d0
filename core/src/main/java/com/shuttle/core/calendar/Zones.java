package com.shuttle.core.calendar;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Optional;

/** Time zones by their IANA names. Pure functions. */
public final class Zones {

    private Zones() {}

    /** The first of these that names a zone; UTC where none does. Blank ones name none. */
    public static ZoneId firstKnown(String... names) {
        for (String name : names) {
            Optional<ZoneId> known = known(name);
            if (known.isPresent()) {
                return known.get();
            }
        }
        return ZoneOffset.UTC;
    }

    /** The zone of a name; empty where it names none. */
    public static Optional<ZoneId> known(String name) {
        try {
            return name.isBlank() ? Optional.empty() : Optional.of(ZoneId.of(name));
        } catch (DateTimeException unknown) {
            return Optional.empty();
        }
    }
}
