package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import java.util.List;

/** When a bot speaks of its own accord rather than by a step; what it says then can be set for each bot. */
public enum Occasion implements Keyed {
    FOUND("It has found an answer", "Said before the answer.", false, List.of("Here is what I know:")),
    RELATED(
            "It is not certain",
            "Said above the entries that may have been meant. Switched off, it says that it does not know.",
            true,
            List.of("I'm not certain I understood. Is it one of these?")),
    NOT_FOUND(
            "It does not know",
            "Said when nothing fits; the question is among the gaps either way.",
            true,
            List.of(
                    "I don't know that one, and I'd rather not guess. I've passed the question on so that it gets an answer.")),
    EMERGENCY(
            "Somebody is in need",
            "Said first where somebody is hurt or in danger; then a person is fetched.",
            true,
            List.of(
                    "If somebody is hurt or in danger, please ring the emergency number first: 112, or 999 in Britain. I'm fetching a person meanwhile.")),
    HANDED_OVER(
            "It passes the visitor to a person",
            "Said when somebody is there to take over.",
            true,
            List.of("I'm passing you to a person. They can read what we've said so far.")),
    BUSY(
            "Nobody is free",
            "Said within hours, when a person was wanted and nobody is there.",
            true,
            List.of("Nobody from the team is there to take over at the moment.")),
    CLOSED(
            "Nobody is there at this hour",
            "Said outside hours, when a person was wanted.",
            true,
            List.of("Nobody from the team is there to take over at the moment.")),
    NEXT(
            "Nothing is left to ask",
            "Said when a conversation rests, with things to pick from; picking one says it.",
            false,
            List.of("Is there anything you would like to ask?")),
    SILENCE(
            "The visitor has gone quiet",
            "Said once, so many minutes after the visitor's last word.",
            false,
            List.of("Are you still there? Take your time, I'll wait.")),
    CLOSING(
            "The visitor stays away",
            "Said so many minutes after that, and the conversation ends.",
            false,
            List.of("I'll close this conversation now. You can begin a new one at any time."));

    private final String label;
    private final String when;
    private final boolean usuallyOn;
    private final List<String> usual;

    Occasion(String label, String when, boolean usuallyOn, List<String> usual) {
        this.label = label;
        this.when = when;
        this.usuallyOn = usuallyOn;
        this.usual = usual;
    }

    public String label() {
        return label;
    }

    public String when() {
        return when;
    }

    /** Whether the bot speaks where nothing was set. */
    public boolean usuallyOn() {
        return usuallyOn;
    }

    /** What it says where nothing was written. */
    public List<String> usual() {
        return usual;
    }

    /** Whether it comes after a time. */
    public boolean timed() {
        return this == SILENCE || this == CLOSING;
    }

    /** Whether a flow may follow. */
    public boolean leads() {
        return switch (this) {
            case FOUND, RELATED, NOT_FOUND, BUSY, CLOSED, SILENCE -> true;
            case EMERGENCY, HANDED_OVER, NEXT, CLOSING -> false;
        };
    }

    /** Whether things to pick from may stand beside it. */
    public boolean offers() {
        return switch (this) {
            case FOUND, NOT_FOUND, BUSY, CLOSED, NEXT -> true;
            case RELATED, EMERGENCY, HANDED_OVER, SILENCE, CLOSING -> false;
        };
    }

    /** @throws IllegalArgumentException if there is no such occasion */
    @JsonCreator
    public static Occasion of(String key) {
        return Keyed.of(Occasion.class, key, "occasion");
    }
}
