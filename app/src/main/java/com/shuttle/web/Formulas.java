package com.shuttle.web;

import java.util.regex.Pattern;

/**
 * Keeps what people wrote from running as a formula in a spreadsheet: a text that begins like one gets an apostrophe before it,
 * which reading takes away again. Pure functions, each the inverse of the other.
 */
public final class Formulas {

    private static final Pattern LIKE_ONE = Pattern.compile("^'*[=+\\-@\\t\\r].*", Pattern.DOTALL);
    private static final Pattern TOLD = Pattern.compile("^'+[=+\\-@\\t\\r].*", Pattern.DOTALL);

    private Formulas() {}

    public static String told(String text) {
        return LIKE_ONE.matcher(text).matches() ? "'" + text : text;
    }

    public static String untold(String cell) {
        return TOLD.matcher(cell).matches() ? cell.substring(1) : cell;
    }
}
