package com.shuttle.web;

import java.util.Locale;

/** Patterns for SQL's {@code like} with {@link #ESCAPE} as the escape character. */
public final class Like {

    public static final char ESCAPE = '!';

    private Like() {}

    /** Matches lower-case texts that contain what was searched for, taken literally. */
    public static String containing(String search) {
        String literal = search.strip()
                .toLowerCase(Locale.ROOT)
                .replace("!", "!!")
                .replace("%", "!%")
                .replace("_", "!_");
        return "%" + literal + "%";
    }
}
