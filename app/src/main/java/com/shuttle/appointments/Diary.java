package com.shuttle.appointments;

import com.shuttle.core.booking.OpenHours;
import java.util.List;
import java.util.Locale;

/**
 * A person or a room with their hours.
 *
 * @param skills what they can or speak, as visitors may ask for it
 */
public record Diary(String id, Type type, String name, OpenHours hours, List<String> skills) {

    public Diary {
        skills = List.copyOf(skills);
    }

    /** Without any skills. */
    public Diary(String id, Type type, String name, OpenHours hours) {
        this(id, type, name, hours, List.of());
    }

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

    Diary at(OpenHours other) {
        return new Diary(id, type, name, other, skills);
    }

    /** Whether somebody who is wanted can be this one. @param with an id, a name or a skill; empty for anybody */
    boolean suits(String with) {
        return with.isBlank()
                || id.equals(with)
                || name.equalsIgnoreCase(with.strip())
                || skills.stream().anyMatch(skill -> skill.equalsIgnoreCase(with.strip()));
    }
}
