package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import java.util.List;
import java.util.Map;

/**
 * Adds a row to a table, or changes the one that has the same in a column.
 *
 * @param table id of the table
 * @param key   key of the column whose written value finds the row to change; empty to add a row always
 * @param cells what is written
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record SaveRow(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude String table,
        String key,
        List<Cell> cells,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    public static final ExitSlot SAVED = ExitSlot.on("saved", "saved");
    public static final ExitSlot FAILED = ExitSlot.own("failed", "failed");

    /**
     * What is written to a cell.
     *
     * @param column key of the column
     * @param value  with placeholders; a cell for which it comes to nothing is left as it is
     */
    public record Cell(String id, String column, Writing how, String value) {

        static final Items CELLS = new Items(
                "cells",
                "a cell",
                "",
                "a cell",
                "id",
                "c",
                "",
                40,
                Forms.schema("{'how':'set'}"),
                List.of(
                        Field.of("column", ColumnForms.COLUMN, "", "a column").inSight(),
                        Field.of("how", ColumnForms.WRITING, "", "what is done").inSight(),
                        Field.of("value", Forms.LINE, "", "{{name}}").inSight().called("a cell")),
                Items.Stands.AFTER);

        public Cell {
            column = Parts.text(column);
            how = how == null ? Writing.SET : how;
            value = Parts.text(value);
        }
    }

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    ColumnForms.TABLE,
                    Field.of("key", ColumnForms.COLUMN, "changes the row with the same", "none; adds a row")
                            .inSight(),
                    Cell.CELLS)
            .beside(step -> new Aside("in", "", step.path("table").asString("")))
            .beginning("{\"table\":\"\"}");

    public SaveRow {
        title = Parts.text(title);
        note = Parts.text(note);
        table = Parts.text(table);
        key = Parts.text(key);
        cells = cells == null ? List.of() : List.copyOf(cells);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<ExitSlot> slots() {
        return List.of(SAVED, FAILED);
    }
}
