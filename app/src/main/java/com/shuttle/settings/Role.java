package com.shuttle.settings;

import com.shuttle.web.Access;
import java.util.Locale;

/** What a person may do. An administrator may do all that the others may. */
public enum Role {
    DESIGNER("Designer", "builds bots and knowledge, and takes conversations"),
    AGENT("Agent", "takes conversations and sees leads"),
    ADMINISTRATOR("Administrator", "does everything, and looks after people");

    private final String label;
    private final String purpose;

    Role(String label, String purpose) {
        this.label = label;
        this.purpose = purpose;
    }

    public String label() {
        return label;
    }

    public String purpose() {
        return purpose;
    }

    /** Whether somebody of this role may do what is open to {@code who}. */
    public boolean mayBe(Access.Who who) {
        return switch (who) {
            case EVERYBODY, AGENT -> true;
            case DESIGNER -> this != AGENT;
            case ADMINISTRATOR -> this == ADMINISTRATOR;
        };
    }

    /** The form in the database and in forms. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /**
     * Reads {@link #key()}.
     *
     * @throws IllegalArgumentException if there is no such role
     */
    public static Role of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT));
    }
}
