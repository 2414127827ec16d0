package com.shuttle.exchange;

import java.util.List;

/**
 * A table as it was read.
 *
 * @param header the first row
 * @param rows   the others; each has as many cells as the header
 */
public record Sheet(List<String> header, List<Row> rows) {

    static final int MOST_ROWS = 50_000;
    static final int MOST_COLUMNS = 60;

    /** @param line where it stands in the file, from 1 */
    public record Row(int line, List<String> cells) {}

    public Sheet {
        header = List.copyOf(header);
        rows = List.copyOf(rows);
    }

    /** A cell, or empty where {@code column} is negative. */
    static String cell(Row row, int column) {
        return column < 0 ? "" : row.cells().get(column);
    }
}
