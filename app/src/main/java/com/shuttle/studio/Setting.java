package com.shuttle.studio;

import java.util.List;

/**
 * One control of a step's editor.
 *
 * @param field   what it sets, see {@link com.shuttle.core.edit.Edit.Set}
 * @param label   before it
 * @param control how it is edited
 * @param value   now, in the form in which the field is set
 * @param hint    shown while it is empty
 * @param options for {@link Control#SELECT}
 * @param reshape whether changing it changes what else the row shows
 */
public record Setting(
        String field, String label, Control control, String value, String hint, List<Choice> options, boolean reshape) {

    /** How a setting is edited. */
    public enum Control {
        LINE,
        SHORT,
        TEXT,
        FLAG,
        SELECT,
        /** Placeholders and completion, in one line. */
        CONDITION,
        EXPRESSION,
        VARIABLE,
        MEDIA;

        public String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /** One of the values to select. */
    public record Choice(String value, String label) {}
}
