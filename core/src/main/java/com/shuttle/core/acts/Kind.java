package com.shuttle.core.acts;

import java.util.Locale;

/** The finer kinds of acts, as they stand with the samples that were learnt from. */
public enum Kind {
    ANSWER(Act.GIVE, "answers"),
    TELL(Act.GIVE, "tells something else"),
    AGREE(Act.GIVE, "agrees"),
    DENY(Act.GIVE, "denies"),
    CORRECT(Act.CORRECT, "corrects"),
    KNOWLEDGE(Act.ASK, "asks about the matter"),
    THIS_QUESTION(Act.ASK, "asks about the question"),
    PERSON(Act.REQUEST, "wants a person"),
    BACK(Act.REQUEST, "wants to go back"),
    RESTART(Act.REQUEST, "wants to start over"),
    CHANGE(Act.REQUEST, "wants to change something"),
    RECAP(Act.REQUEST, "wants to hear what is noted"),
    STOP(Act.REQUEST, "wants to stop"),
    BOOKING(Act.REQUEST, "is about what is booked"),
    GOAL(Act.REQUEST, "says what it is about"),
    OTHER(Act.REQUEST, "wants something else"),
    REFUSE(Act.REFUSE, "will not say"),
    NOT_YET(Act.UNSURE, "does not know yet"),
    ANY(Act.UNSURE, "does not mind"),
    GREETING(Act.SOCIAL, "greets"),
    THANKS(Act.SOCIAL, "thanks"),
    OK(Act.SOCIAL, "nods"),
    REACTION(Act.SOCIAL, "is pleased or surprised"),
    LAUGHTER(Act.SOCIAL, "laughs"),
    COMPLAINT(Act.SOCIAL, "complains"),
    ROBOT(Act.SOCIAL, "asks who this is"),
    CHAT(Act.SOCIAL, "chats"),
    MENTION(Act.MENTION, "only mentions");

    private final Act act;
    private final String label;

    Kind(Act act, String label) {
        this.act = act;
        this.label = label;
    }

    public Act act() {
        return act;
    }

    /** What somebody who does it is said to do. */
    public String label() {
        return label;
    }

    /** The stored form. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** @throws IllegalArgumentException if there is none of this name; names are in lower case, with hyphens */
    public static Kind of(String name) {
        return valueOf(name.toUpperCase(Locale.ROOT).replace('-', '_'));
    }
}
