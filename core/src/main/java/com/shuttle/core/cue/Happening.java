package com.shuttle.core.cue;

import com.shuttle.core.flow.Keyed;

/** What a cue waits for. */
public enum Happening implements Keyed {
    OPENED("the chat is opened", Amount.NONE),
    FIRST_VISIT("somebody is here for the first time", Amount.NONE),
    RETURNING("somebody comes back", Amount.NONE),
    STAYED("somebody has stayed on the page for", Amount.SECONDS),
    SCROLLED("somebody has scrolled down by", Amount.PERCENT),
    LEAVING("somebody is about to leave", Amount.NONE),
    FORM_LEFT("a form is left unfinished", Amount.NONE, "Which forms, by name or id"),
    CALLED("the page calls it by its name", Amount.NONE, "Which names"),
    KEYWORD("somebody writes a word, on a phone", Amount.NONE, "Which words");

    /** What its number counts. */
    public enum Amount implements Keyed {
        NONE(0),
        SECONDS(24 * 60 * 60),
        PERCENT(100);

        private final int most;

        Amount(int most) {
            this.most = most;
        }

        public int most() {
            return most;
        }
    }

    private final String label;
    private final Amount amount;
    private final String names;

    Happening(String label, Amount amount) {
        this(label, amount, "");
    }

    Happening(String label, Amount amount, String names) {
        this.label = label;
        this.amount = amount;
        this.names = names;
    }

    public String label() {
        return label;
    }

    public Amount amount() {
        return amount;
    }

    /** Whether it bears a name, of which a cue may want certain ones. */
    public boolean named() {
        return !names.isEmpty();
    }

    /** What its names are, for designers; empty where it bears none. */
    public String names() {
        return names;
    }
}
