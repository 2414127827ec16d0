package com.shuttle.core.engine;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Who speaks for the organisation in a conversation. */
public enum Speaker {
    BOT,
    /** The visitor waits for a person. */
    QUEUED,
    PERSON,
    ENDED;

    private static final Map<Speaker, Set<Speaker>> LEGAL = Map.of(
            BOT, Set.of(QUEUED, PERSON, ENDED),
            QUEUED, Set.of(BOT, PERSON, ENDED),
            PERSON, Set.of(BOT, ENDED),
            ENDED, Set.of());

    /** Whether the conversation may pass from this speaker to {@code other}. */
    public boolean mayPassTo(Speaker other) {
        return LEGAL.get(this).contains(other);
    }

    @JsonValue
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
