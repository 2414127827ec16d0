package com.shuttle.knowledge;

import com.shuttle.core.table.Table;
import java.time.Instant;

/** A table as it is kept. */
public record StoredTable(String id, String collection, Table table, Instant updatedAt) {

    /** Where a session keeps the table that was changed last, as it was. */
    public static final String BEFORE = "tableBefore";
}
