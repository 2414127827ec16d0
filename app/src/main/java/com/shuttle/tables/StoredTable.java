package com.shuttle.tables;

import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import java.time.Instant;
import java.util.List;
import java.util.Set;

/**
 * A table as it is kept, without its rows.
 *
 * @param ref     unique, stable under edits; files and findings name the table by it
 * @param version one more with every change of the table or a row of it
 * @param rows    how many there are
 */
public record StoredTable(
        String id,
        String ref,
        String name,
        List<String> also,
        List<Column> columns,
        long version,
        Instant updatedAt,
        int rows) {

    public StoredTable {
        also = List.copyOf(also);
        columns = List.copyOf(columns);
    }

    /** The table with rows. */
    public Table with(List<Row> rows) {
        return new Table(ref, name, also, columns, rows, true);
    }

    public Column titles() {
        return columns.getFirst();
    }

    /**
     * A row as it is kept.
     *
     * @param ordinal its place among the others
     * @param version one more with every change of the row
     */
    public record StoredRow(Row row, int ordinal, long version) {

        /** Told from another content of the row, in forms. */
        public String fingerprint() {
            return Integer.toHexString(row.cells().hashCode());
        }
    }

    /**
     * What takes a change of a table back.
     *
     * @param table as it was
     * @param rows  as they were, those that were changed or deleted
     * @param added the rows that were not there
     */
    public record Before(StoredTable table, List<StoredRow> rows, Set<String> added) {

        /** Where a session keeps the last change. */
        public static final String KEPT = "tableBefore";
    }
}
