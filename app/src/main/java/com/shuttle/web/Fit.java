package com.shuttle.web;

/**
 * Makes texts fit where they are kept. For what the system writes of its own accord (questions, briefs, remarks, names that a
 * conversation gave away): a turn never fails for a text that is too long. What a person types into a form is refused with
 * a sentence instead.
 */
public final class Fit {

    private Fit() {}

    /** @param longest of the column, in UTF-16 units, as the schema says */
    public static String within(String text, int longest) {
        if (text.length() <= longest) {
            return text;
        }
        int end = longest - 1;
        return text.substring(0, Character.isHighSurrogate(text.charAt(end - 1)) ? end - 1 : end) + "…";
    }
}
