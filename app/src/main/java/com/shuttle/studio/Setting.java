package com.shuttle.studio;

import com.shuttle.core.flow.shape.Form;
import java.util.List;

/**
 * One control of a step's editor.
 *
 * @param field   what it sets, see {@link com.shuttle.core.edit.Edit.Set}
 * @param label   before it; may be empty
 * @param control how it is edited
 * @param value   now, in the form in which the field is set
 * @param hint    shown while it is empty
 * @param after   behind it; may be empty
 * @param options for {@link Form.Control#SELECT} and {@link Form.Control#SOME}
 * @param reshape whether changing it changes what else the row shows
 */
public record Setting(
        String field,
        String label,
        Form.Control control,
        String value,
        String hint,
        String after,
        List<Form.Value> options,
        boolean reshape) {

    /** What a screen reader calls it. */
    public String spoken() {
        return !label.isEmpty() ? label : control == Form.Control.SELECT && hint.isEmpty() ? "Type" : hint;
    }

    /** Whether an option is the one chosen; nothing set is the same as no. */
    public boolean chosen(Form.Value option) {
        return option.value().equals(value) || value.isEmpty() && option.value().equals("false");
    }

    /** Whether an option is one of several chosen. */
    public boolean among(Form.Value option) {
        return List.of(value.split(", ")).contains(option.value());
    }
}
