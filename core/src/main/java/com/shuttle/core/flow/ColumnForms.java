package com.shuttle.core.flow;

import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import java.util.Arrays;

/** How steps that work with a table name its columns and what is done with them. */
final class ColumnForms {

    /** The table that a step works with. */
    static final Field TABLE = Field.of("table", Forms.reference("table"), "in", "choose a table")
            .inSight()
            .reshaping()
            .needed()
            .called("the table");

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
