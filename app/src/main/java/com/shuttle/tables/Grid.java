package com.shuttle.tables;

import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.StoredTable.StoredRow;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Rows as they are edited: those of a page and some blank ones.
 *
 * @param rows in their order
 */
record Grid(List<Line> rows) {

    /** Blank rows at the end of the grid. */
    private static final int BLANK_ROWS = 3;

    /**
     * One row.
     *
     * @param id    of the row, or of a blank one
     * @param seen  its fingerprint; empty for a blank one
     * @param blank whether it is to be added
     */
    record Line(String id, String seen, boolean blank, List<Cell> cells) {

        /** The name of the field that keeps the fingerprint. */
        public String seenField() {
            return TableForms.seen(id);
        }

        public String title() {
            return cells.getFirst().value();
        }
    }

    /**
     * One cell.
     *
     * @param field name of the form's field
     * @param error what is wrong with it; may be empty
     */
    record Cell(String field, Column column, String value, String error) {

        public boolean figure() {
            return column.kind().figures();
        }

        /** What it is one of; empty where it is written freely, or holds something that is none of them. */
        public List<String> choices() {
            List<String> choices = column.kind() == Column.Kind.YES_NO ? List.of("yes", "no") : column.choices();
            return value.isEmpty() || choices.contains(value) ? choices : List.of();
        }

        /** The list of what may be proposed; null for none. */
        public @Nullable String list() {
            return column.kind() == Column.Kind.REFERENCE ? "titles-" + column.key() : null;
        }

        public boolean lines() {
            return column.kind() == Column.Kind.LONG_TEXT;
        }

        /** Of the input. */
        public String type() {
            return !error.isEmpty()
                    ? "text"
                    : switch (column.kind()) {
                        case DATE -> "date";
                        case TIME -> "time";
                        default -> "text";
                    };
        }
    }

    /**
     * @param typed  what a form that was refused holds; it stands before what is kept
     * @param errors of that form by field
     */
    Grid(StoredTable table, List<StoredRow> rows, Map<String, String> typed, Map<String, String> errors) {
        this(Stream.concat(
                        rows.stream().map(row -> line(table, row.row(), row.fingerprint(), typed, errors)),
                        IntStream.range(0, blanks(typed))
                                .mapToObj(i -> line(table, new Row(TableForms.NEW + i, Map.of()), "", typed, errors)))
                .toList());
    }

    /** As many as a refused form holds, where that is more than the usual. */
    private static int blanks(Map<String, String> typed) {
        return (int) Math.max(
                BLANK_ROWS,
                typed.keySet().stream()
                        .filter(field -> field.startsWith("cell." + TableForms.NEW))
                        .map(field -> field.split("\\.")[1])
                        .distinct()
                        .count());
    }

    private static Line line(
            StoredTable table, Row row, String seen, Map<String, String> typed, Map<String, String> errors) {
        List<Cell> cells = table.columns().stream()
                .map(column -> {
                    String field = TableForms.cell(row.id(), column);
                    return new Cell(
                            field, column, typed.getOrDefault(field, row.at(column)), errors.getOrDefault(field, ""));
                })
                .toList();
        return new Line(row.id(), seen, seen.isEmpty(), cells);
    }
}
