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
    FORM_LEFT("a form is left unfinished", Amount.NONE),
    CALLED("the page calls it by its name", Amount.NONE),
    KEYWORD("somebody writes a word, on a phone", Amount.NONE);

    /** What its number counts. */
    public enum Amount {
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

    Happening(String label, Amount amount) {
        this.label = label;
        this.amount = amount;
    }

    public String label() {
        return label;
    }

    public Amount amount() {
        return amount;
    }

    /** Whether it bears a name, of which a cue may want certain ones. */
    public boolean named() {
        return this == FORM_LEFT || this == CALLED || this == KEYWORD;
    }
}
