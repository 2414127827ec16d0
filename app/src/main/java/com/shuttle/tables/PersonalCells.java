package com.shuttle.tables;

import com.shuttle.core.conversation.Deed.SaveRow;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.PersonalCellStore.Written;
import com.shuttle.tables.StoredTable.StoredRow;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * What tables hold of people. A table says which of its columns name a person; what a conversation wrote there is emptied when it
 * is erased, as far as it still stands. Thread-safe.
 */
@Service
public class PersonalCells {

    /** Stands where the title of a row was that named a person. */
    static final String ERASED = "erased";

    private final PersonalCellStore cells;
    private final TableStore store;
    private final InstantSource clock;

    PersonalCells(PersonalCellStore cells, TableStore store, InstantSource clock) {
        this.cells = cells;
        this.store = store;
        this.clock = clock;
    }

    /** Keys of the columns that name a person. */
    Set<String> columns(StoredTable table) {
        return cells.columns(table);
    }

    /** Keeps what a form says of columns: of each that it names, whether it is ticked. Those it adds are as usual for their kind. */
    @Transactional
    public void say(String table, Map<String, String> form) {
        Map<String, Boolean> said = new TreeMap<>();
        form.forEach((field, value) -> {
            if (field.matches("column\\.\\d{1,3}\\.key") && !value.isEmpty()) {
                String part = field.substring(0, field.length() - "key".length());
                said.put(value, form.containsKey(part + "personal"));
            }
        });
        if (store.table(table).isPresent()) {
            said.keySet().removeIf(key -> key.length() > 40);
            cells.say(table, said);
        }
    }

    /** Notes what a conversation has just written to a row. */
    @Transactional(propagation = Propagation.MANDATORY)
    void wrote(String conversation, StoredTable table, Row row, SaveRow save) {
        Map<String, String> written = new HashMap<>();
        for (SaveRow.Write write : save.writes()) {
            SavedRow.column(table, write.column()).ifPresent(column -> written.put(column.key(), row.at(column)));
        }
        cells.wrote(conversation, table.id(), row.id(), written);
    }

    /** Empties what a conversation wrote in columns that name a person, and forgets what those rows were before. */
    @Transactional
    public void forget(String conversation) {
        Map<String, List<Written>> byTable = new LinkedHashMap<>();
        cells.written(conversation)
                .forEach(one -> byTable.computeIfAbsent(one.table(), id -> new ArrayList<>())
                        .add(one));
        List<Written> emptied = new ArrayList<>();
        byTable.forEach((id, written) -> {
            if (store.lock(id)) {
                emptied.addAll(emptied(store.table(id).orElseThrow(), written));
            }
        });
        cells.forget(conversation, emptied);
    }

    private List<Written> emptied(StoredTable table, List<Written> written) {
        Set<String> personal = cells.columns(table);
        List<Written> emptied = new ArrayList<>();
        List<StoredRow> changed = new ArrayList<>();
        for (StoredRow row :
                store.rows(table.id(), written.stream().map(Written::row).toList())) {
            Map<String, String> left = new HashMap<>(row.row().cells());
            for (Written one : written) {
                String cell = left.getOrDefault(one.column(), "");
                if (one.row().equals(row.row().id()) && personal.contains(one.column()) && one.stands(cell)) {
                    empty(left, one.column(), table.titles());
                    emptied.add(one);
                }
            }
            if (!left.equals(row.row().cells())) {
                changed.add(new StoredRow(new Row(row.row().id(), left), row.ordinal(), row.version()));
            }
        }
        store.updateRows(table, changed);
        store.touch(table.id(), clock.instant());
        return emptied;
    }

    private static void empty(Map<String, String> cells, String column, Column titles) {
        if (column.equals(titles.key())) {
            cells.put(column, ERASED);
        } else {
            cells.remove(column);
        }
    }
}
