package com.shuttle.tables;

import com.shuttle.core.conversation.Deed.SaveRow;
import com.shuttle.core.conversation.Deed.SaveRow.Write;
import com.shuttle.core.flow.Writing;
import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table.Row;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A row as a conversation's writes leave it, or why they cannot be done. Pure functions. */
final class SavedRow {

    /** What came of it. */
    sealed interface Result {
        record Cells(Map<String, String> cells) implements Result {}

        /** @param why as a sentence for designers */
        record Refused(String why) implements Result {}
    }

    private SavedRow() {}

    /** @param there the row that is changed; null for a new one */
    static Result of(StoredTable table, SaveRow save, @Nullable Row there) {
        Map<String, String> cells = new LinkedHashMap<>(there == null ? Map.of() : there.cells());
        for (Write write : save.writes()) {
            Optional<Column> column = column(table, write.column());
            if (column.isEmpty()) {
                return new Result.Refused("The table has no column " + write.column() + " any more.");
            }
            switch (Cell.read(column.get(), write.value())) {
                case Cell.Read.Refused(String why) -> {
                    return new Result.Refused(column.get().name() + ": " + why);
                }
                case Cell.Read.Taken(String cell) -> {
                    String refused = write(cells, column.get(), write.how(), cell, there != null);
                    if (!refused.isEmpty()) {
                        return new Result.Refused(refused);
                    }
                }
            }
        }
        return cells.isEmpty() ? new Result.Refused("There is nothing to save.") : new Result.Cells(cells);
    }

    static Optional<Column> column(StoredTable table, String key) {
        return table.columns().stream()
                .filter(column -> column.key().equals(key))
                .findFirst();
    }

    /** @return why it cannot be done; empty where it is done */
    private static String write(Map<String, String> cells, Column column, Writing how, String cell, boolean there) {
        if (how == Writing.SET) {
            cells.put(column.key(), cell);
            return "";
        }
        if (!column.kind().figures()) {
            return column.name() + " is no number that could grow or fall.";
        }
        if (!there) {
            return "There is no row of which " + column.name() + " could grow or fall.";
        }
        BigDecimal now = new BigDecimal(cells.getOrDefault(column.key(), "0"));
        BigDecimal by = new BigDecimal(cell);
        BigDecimal after = how == Writing.ADD ? now.add(by) : now.subtract(by);
        if (how == Writing.TAKE && after.signum() < 0) {
            return "Of " + column.name() + " only " + Cell.shown(column, now.toPlainString()) + " is left.";
        }
        cells.put(
                column.key(),
                after.signum() == 0 ? "0" : after.stripTrailingZeros().toPlainString());
        return "";
    }
}
