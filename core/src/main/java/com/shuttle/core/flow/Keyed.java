package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** An enumeration whose constants are written in files as their names in lower case, such as {@code hand_off}. */
public interface Keyed {

    String name();

    /** The written form. */
    @JsonValue
    default String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /**
     * Reads the written form.
     *
     * @param what the constants are called, for the message
     * @throws IllegalArgumentException if there is no such constant
     */
    static <E extends Enum<E> & Keyed> E of(Class<E> type, String key, String what) {
        for (E constant : type.getEnumConstants()) {
            if (constant.key().equals(key)) {
                return constant;
            }
        }
        throw new IllegalArgumentException("no " + what + " \"" + key + "\"");
    }
}
