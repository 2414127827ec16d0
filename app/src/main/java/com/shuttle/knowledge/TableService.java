package com.shuttle.knowledge;

import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import java.time.InstantSource;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The tables of collections. Thread-safe. */
@Service
public class TableService {

    private final TableStore store;
    private final KnowledgeService knowledge;
    private final InstantSource clock;

    TableService(TableStore store, KnowledgeService knowledge, InstantSource clock) {
        this.store = store;
        this.knowledge = knowledge;
        this.clock = clock;
    }

    public List<StoredTable> tables(String collection) {
        return store.all(collection);
    }

    /** @throws Missing if there is no such table */
    public StoredTable table(String id) {
        return store.table(id).orElseThrow(() -> new Missing("table", id));
    }

    /** Makes a table that is not asked yet, with a column for the names of its rows. */
    @Transactional
    public Checked<String> create(String collection, String name) {
        Column title = new Column("c1", "Name", Kind.TEXT, "");
        Table table = new Table(Ids.next(), name.strip(), List.of(), List.of(title), List.of(), false);
        return switch (TableForms.settings(
                table, Map.of("name", name, "column.0.key", "c1", "column.0.name", "Name"))) {
            case Checked.Bad<Table> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<Table> good -> Checked.good(add(collection, good.value()));
        };
    }

    /** Adds a table that was made elsewhere; its id. */
    @Transactional
    public String add(String collection, Table table) {
        String id = Ids.next();
        store.insert(
                new StoredTable(id, knowledge.collection(collection).id(), table, clock.instant()), clock.instant());
        knowledge.changed(collection);
        return id;
    }

    /** Changes rows by a form, see {@link TableForms#rows}. */
    @Transactional
    public Checked<String> changeRows(String id, Map<String, String> form) {
        StoredTable before = table(id);
        return changed(before, TableForms.rows(before.table(), form));
    }

    /** Changes name, columns and state by a form, see {@link TableForms#settings}. */
    @Transactional
    public Checked<String> changeSettings(String id, Map<String, String> form) {
        StoredTable before = table(id);
        return changed(before, TableForms.settings(before.table(), form));
    }

    private Checked<String> changed(StoredTable before, Checked<Table> after) {
        return switch (after) {
            case Checked.Bad<Table> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<Table>(Table table) -> {
                set(before.id(), table);
                yield Checked.good(before.id());
            }
        };
    }

    /** Puts another table in the place of one; its ref stays. */
    @Transactional
    public void set(String id, Table table) {
        StoredTable before = table(id);
        store.update(before, table.as(before.table().ref()), clock.instant());
        knowledge.changed(before.collection());
    }

    /** Deletes a table and returns it, so that it can be put back. */
    @Transactional
    public StoredTable delete(String id) {
        StoredTable table = table(id);
        store.delete(id);
        knowledge.changed(table.collection());
        return table;
    }

    /** Puts a table back as it was, deleted or changed since. */
    @Transactional
    public void restore(StoredTable table) {
        if (store.table(table.id()).isPresent()) {
            set(table.id(), table.table());
        } else {
            store.insert(table, clock.instant());
            knowledge.changed(table.collection());
        }
    }

    /**
     * Rows that have a text in any cell, ordered by a column.
     *
     * @param by a column's key, with a minus before it for the greatest first; anything else leaves the rows as they are
     */
    public static Page<Row> rows(Table table, String search, String by, int page) {
        String wanted = search.strip().toLowerCase(Locale.ROOT);
        Optional<Column> column = table.columns().stream()
                .filter(candidate -> candidate.key().equals(by.replaceFirst("^-", "")))
                .findFirst();
        List<Row> rows = table.rows().stream()
                .filter(row -> wanted.isEmpty()
                        || row.cells().values().stream()
                                .anyMatch(cell -> cell.toLowerCase(Locale.ROOT).contains(wanted)))
                .toList();
        if (column.isPresent()) {
            rows = rows.stream().sorted(order(column.get(), by.startsWith("-"))).toList();
        }
        int total = rows.size();
        int from = Math.min(Page.offset(page), total);
        return Page.of(rows.subList(from, Math.min(from + Page.SIZE, total)), page, total);
    }

    /** Empty cells come last either way. */
    private static Comparator<Row> order(Column column, boolean descending) {
        Comparator<String> cells = (a, b) -> Cell.compare(column.kind(), a, b);
        Comparator<String> ordered = descending ? cells.reversed() : cells;
        return Comparator.comparing((Row row) -> row.at(column).isEmpty())
                .thenComparing(row -> row.at(column), (a, b) -> a.isEmpty() || b.isEmpty() ? 0 : ordered.compare(a, b));
    }
}
