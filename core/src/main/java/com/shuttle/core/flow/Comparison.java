package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;

/**
 * How a cell of a table is compared. Capitals do not count; an empty cell is only {@link #EMPTY} and {@link #IS_NOT} anything.
 */
public enum Comparison implements Keyed {
    /** The same; of a cell with several values, one of them. */
    IS("is"),
    IS_NOT("is not"),
    HAS("has in it"),
    /** For numbers, money and dates; texts by letter. */
    AT_LEAST("is at least"),
    AT_MOST("is at most"),
    FILLED("is filled in"),
    EMPTY("is empty");

    private final String label;

    Comparison(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Whether it compares with a value. */
    public boolean compares() {
        return this != FILLED && this != EMPTY;
    }

    @JsonCreator
    public static Comparison of(String key) {
        return Keyed.of(Comparison.class, key, "comparison");
    }
}
