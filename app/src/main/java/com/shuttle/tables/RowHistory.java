package com.shuttle.tables;

import com.shuttle.core.table.Column;
import com.shuttle.tables.StoredTable.StoredRow;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** What rows were before they were changed. Thread-safe. */
@Component
class RowHistory {

    private final TableService tables;
    private final PastRowStore past;

    RowHistory(TableService tables, PastRowStore past) {
        this.tables = tables;
        this.past = past;
    }

    /** A row as it is now and, newest first, as it was. @throws com.shuttle.web.Missing if there is no such row */
    List<PastRow.View> states(String table, String row) {
        List<Column> columns = tables.table(table).columns();
        StoredRow now = tables.row(table, row);
        List<PastRow.View> states = new ArrayList<>();
        states.add(PastRow.view(columns, now.version(), now.row().cells(), null, null));
        past.of(table, row)
                .forEach(one -> states.add(
                        PastRow.view(columns, one.version(), one.cells(), one.changedBy(), one.changedAt())));
        return states;
    }
}
