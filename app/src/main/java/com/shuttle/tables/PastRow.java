package com.shuttle.tables;

import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A row as it was until somebody changed it.
 *
 * @param cells     by the columns' keys, as they were then
 * @param changedBy whoever changed it into what came after
 */
record PastRow(long version, Map<String, String> cells, String changedBy, Instant changedAt) {

    /** A row's cells, present or past, for its page. @param changedBy null for the present ones */
    record View(
            long version,
            List<String> cells,
            @Nullable String changedBy,
            @Nullable Instant changedAt) {}

    static View view(
            List<Column> columns,
            long version,
            Map<String, String> cells,
            @Nullable String changedBy,
            @Nullable Instant changedAt) {
        List<String> shown =
                columns.stream().map(column -> shown(column, cells)).toList();
        return new View(version, shown, changedBy, changedAt);
    }

    /** A cell of a column whose kind has changed since is shown as it was written. */
    private static String shown(Column column, Map<String, String> cells) {
        String cell = cells.getOrDefault(column.key(), "");
        return Cell.read(column, cell) instanceof Cell.Read.Taken ? Cell.shown(column, cell) : cell;
    }
}
