package com.shuttle.appointments;

import com.shuttle.core.booking.OpenHours;
import java.util.Locale;

/** A person or a room with their hours. */
public record Diary(String id, Type type, String name, OpenHours hours) {

    /** What it is of. */
    public enum Type {
        PERSON,
        ROOM;

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Type of(String key) {
            return key.equals("room") ? ROOM : PERSON;
        }
    }
}
