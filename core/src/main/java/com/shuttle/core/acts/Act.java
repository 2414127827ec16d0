package com.shuttle.core.acts;

import java.util.Arrays;
import java.util.List;

/** What a clause of a message does. */
public enum Act {
    /** Answers what is asked, tells something else that is wanted, agrees or denies. */
    GIVE("gives"),
    /** Changes something that was said or understood before. */
    CORRECT("corrects"),
    /** Asks about the matter, or about the question. */
    ASK("asks"),
    /** Wants something of the conversation: a person, a way back, an end, what is booked. */
    REQUEST("requests"),
    /** Will not say, or has none. */
    REFUSE("refuses"),
    /** Does not know yet, or does not mind. */
    UNSURE("is unsure"),
    /** Greets, thanks, laughs, grumbles. */
    SOCIAL("is social"),
    /** Speaks of a value without choosing it. */
    MENTION("only mentions");

    private final String label;

    Act(String label) {
        this.label = label;
    }

    /** The finer kinds of it, in their order. */
    public List<Kind> kinds() {
        return Arrays.stream(Kind.values()).filter(kind -> kind.act() == this).toList();
    }

    /** What somebody who does it is said to do. */
    public String label() {
        return label;
    }
}
