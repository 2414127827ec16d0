package com.shuttle.core.flow;

import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import java.util.Arrays;

/** How steps that work with a table name its columns and what is done with them. */
final class ColumnForms {

    /** A column of the table that the step has. */
    static final Form COLUMN = Forms.reference("column@table");

    static final Form COMPARISON = Forms.oneOf(
            Arrays.stream(Comparison.values())
                    .map(one -> new Form.Value(one.key(), one.label()))
                    .toList(),
            "Please choose how the column is compared.");

    static final Form WRITING = Forms.oneOf(
            Arrays.stream(Writing.values())
                    .map(one -> new Form.Value(one.key(), one.label()))
                    .toList(),
            "Please choose what is done to the cell.");

    private ColumnForms() {}
}
