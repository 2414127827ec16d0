package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;

/** What is done to a cell of a row. */
public enum Writing implements Keyed {
    SET("becomes"),
    /** Only of numbers and money. */
    ADD("grows by"),
    /** Only of numbers and money, and never below nought: "places left". */
    TAKE("falls by");

    private final String label;

    Writing(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    @JsonCreator
    public static Writing of(String key) {
        return Keyed.of(Writing.class, key, "way of writing");
    }
}
