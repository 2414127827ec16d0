package com.shuttle.core.table;

import java.util.List;
import java.util.Map;

/**
 * A table that may be asked. The first column holds the titles of the rows.
 *
 * @param ref       unique within its collection, stable under edits
 * @param name      what its rows are, in the plural ("Telescopes")
 * @param also      other words for them, and words that go with them in questions ("scopes", "borrow")
 * @param columns   at least one
 * @param published false while visitors may not be answered from it
 */
public record Table(
        String ref, String name, List<String> also, List<Column> columns, List<Row> rows, boolean published) {

    /** More columns than this are refused. */
    public static final int MOST_COLUMNS = 40;

    /** More rows than this are refused. */
    public static final int MOST_ROWS = 100_000;

    /**
     * One row.
     *
     * @param id    unique within the table
     * @param cells by the columns' keys, as {@link Cell} writes them; a cell that is empty is left out
     */
    public record Row(String id, Map<String, String> cells) {
        public Row {
            cells = Map.copyOf(cells);
        }

        /** What stands in a column; empty where nothing does. */
        public String at(Column column) {
            return cells.getOrDefault(column.key(), "");
        }
    }

    public Table {
        also = also == null ? List.of() : List.copyOf(also);
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
    }

    public Column titles() {
        return columns.getFirst();
    }

    /** The same table with other rows. */
    public Table with(List<Row> otherRows) {
        return new Table(ref, name, also, columns, otherRows, published);
    }

    /** The same table under another ref. */
    public Table as(String otherRef) {
        return new Table(otherRef, name, also, columns, rows, published);
    }
}
