package com.shuttle.tables;

import com.shuttle.core.table.Column;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A cell as the database searches and orders it.
 *
 * @param column its key
 * @param low    in small letters
 * @param figure of numbers and money; null for others
 */
record IndexedCell(String column, String low, @Nullable Double figure) {

    /** The cells of a row; empty ones are left out. */
    static List<IndexedCell> of(List<Column> columns, Map<String, String> cells) {
        return columns.stream()
                .filter(column -> !cells.getOrDefault(column.key(), "").isEmpty())
                .map(column -> of(column, cells.getOrDefault(column.key(), "")))
                .toList();
    }

    private static IndexedCell of(Column column, String cell) {
        return new IndexedCell(
                column.key(), cell.toLowerCase(Locale.ROOT), column.kind().figures() ? Double.valueOf(cell) : null);
    }
}
