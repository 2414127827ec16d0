package com.shuttle.core.conversation;

import static java.util.Objects.requireNonNull;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.shuttle.core.flow.Keyed;
import java.util.Map;
import java.util.Set;

/** Who speaks for the organisation in a conversation. */
public enum Speaker implements Keyed {
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
        return requireNonNull(LEGAL.get(this)).contains(other);
    }

    /** @throws IllegalArgumentException if there is no such speaker */
    @JsonCreator
    public static Speaker of(String key) {
        return Keyed.of(Speaker.class, key, "speaker");
    }
}
