package com.shuttle.exchange;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What was found and waits for a decision. Immutable.
 *
 * @param name    of the file or page
 * @param sheet   null unless it was a table
 * @param columns null unless it was a table
 */
public record Import(
        String id,
        String collection,
        String name,
        @Nullable Sheet sheet,
        @Nullable Columns columns,
        List<Found> found) {

    public Import {
        found = List.copyOf(found);
    }

    static Import of(String id, String collection, String name, Sheet sheet, Columns columns) {
        return new Import(id, collection, name, sheet, columns, columns.read(sheet));
    }

    Import mended(Found by) {
        return new Import(
                id,
                collection,
                name,
                sheet,
                columns,
                found.stream().map(one -> one.line() == by.line() ? by : one).toList());
    }
}
