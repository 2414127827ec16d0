package com.shuttle.core.table;

import java.util.List;

/**
 * Rows of a table that were looked for.
 *
 * @param columns of the table; none where there is no such table
 * @param missing the columns that were asked for and that the table has not; then there are no rows
 */
public record RowsFound(List<Column> columns, List<Table.Row> rows, List<String> missing) {

    public static final RowsFound NO_TABLE = new RowsFound(List.of(), List.of(), List.of());

    public RowsFound {
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
        missing = List.copyOf(missing);
    }
}
