package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.Locale;

/** What kind of thing a question asks for, and so what kind of value a variable holds. */
public enum ValueType {
    TEXT("text"),
    PERSON_NAME("person's name"),
    EMAIL("email"),
    PHONE("phone"),
    NUMBER("number"),
    YES_NO("yes or no");

    private final String label;

    ValueType(String label) {
        this.label = label;
    }

    /** The words designers see. */
    public String label() {
        return label;
    }

    /** The JSON form, e.g. {@code person_name}. */
    @JsonValue
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /**
     * Reads the JSON form.
     *
     * @throws IllegalArgumentException if there is no such type
     */
    @JsonCreator
    public static ValueType of(String key) {
        return Arrays.stream(values())
                .filter(type -> type.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no value type \"" + key + "\""));
    }
}
