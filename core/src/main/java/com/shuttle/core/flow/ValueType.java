package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;

/** What kind of thing a question asks for, and so what kind of value a variable holds. */
public enum ValueType implements Keyed {
    TEXT("text"),
    LONG_TEXT("long text"),
    PERSON_NAME("person's name"),
    COMPANY("company"),
    EMAIL("email"),
    PHONE("phone"),
    NUMBER("number"),
    MONEY("money"),
    DATE("date"),
    TIME("time"),
    DATE_TIME("date and time"),
    URL("web address"),
    PLACE("place"),
    YES_NO("yes or no"),
    CHOICE("one of a list"),
    MULTI_CHOICE("some of a list"),
    RATING("rating"),
    SLIDER("slider"),
    FILE("file"),
    SECRET("secret");

    private final String label;

    ValueType(String label) {
        this.label = label;
    }

    /** The words designers see. */
    public String label() {
        return label;
    }

    /** Whether any words at all are an answer. */
    public boolean free() {
        return this == TEXT || this == LONG_TEXT;
    }

    /** Whether a value that a designer writes may stand as it is written, whatever a reader would make of it. */
    public boolean wordsStand() {
        return switch (this) {
            case TEXT, LONG_TEXT, PERSON_NAME, COMPANY, PLACE -> true;
            default -> false;
        };
    }

    /** Whether its values are numbers that a smallest and a largest can be set for. */
    public boolean numeric() {
        return this == NUMBER || this == RATING || this == SLIDER;
    }

    /** Whether it is taken from a message that answers something else ("Dana, 24 of us on 3 May"). */
    public boolean givenAside() {
        return switch (this) {
            case PERSON_NAME, COMPANY, EMAIL, PHONE, NUMBER, MONEY, DATE, TIME, DATE_TIME, URL, CHOICE, MULTI_CHOICE ->
                true;
            default -> false;
        };
    }

    /**
     * Reads the JSON form.
     *
     * @throws IllegalArgumentException if there is no such type
     */
    @JsonCreator
    public static ValueType of(String key) {
        return Keyed.of(ValueType.class, key, "value type");
    }
}
