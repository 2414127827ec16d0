package com.shuttle.tables;

import com.shuttle.core.conversation.Deed.SaveRow;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.RowsFound;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.StoredTable.Before;
import com.shuttle.tables.StoredTable.StoredRow;
import com.shuttle.tables.TableForms.RowChanges;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.interceptor.TransactionAspectSupport;

/** Tables and their rows. Changes of one table follow one another; each returns what takes it back. Thread-safe. */
@Service
public class TableService {

    private final TableStore store;
    private final RowStore rows;
    private final PastRowStore past;
    private final ReferenceCells references;
    private final PersonalCells personal;
    private final InstantSource clock;

    TableService(
            TableStore store,
            RowStore rows,
            PastRowStore past,
            ReferenceCells references,
            PersonalCells personal,
            InstantSource clock) {
        this.store = store;
        this.rows = rows;
        this.past = past;
        this.references = references;
        this.personal = personal;
        this.clock = clock;
    }

    /** @param sort {@code name}, {@code rows} or {@code changed}, with a minus before it for the other way round */
    public Page<StoredTable> tables(String search, String sort, int page) {
        return store.tables(search, sort, page);
    }

    /** Every table, by name. */
    public List<StoredTable> all() {
        return store.all();
    }

    /** @throws Missing if there is no such table */
    public StoredTable table(String id) {
        return store.table(id).orElseThrow(() -> new Missing("table", id));
    }

    /** A table with all its rows. @throws Missing if there is no such table */
    public Table whole(String id) {
        return table(id).with(store.rows(id).stream().map(StoredRow::row).toList());
    }

    public boolean exists(String id) {
        return store.table(id).isPresent();
    }

    /**
     * A page of the rows that have a text in any cell.
     *
     * @param wanted sorted by a column's key, else the rows keep their order; filtered by what stands in columns, by their keys
     */
    public Page<StoredRow> rows(StoredTable table, Wanted wanted) {
        @Nullable
        Column column = table.columns().stream()
                .filter(candidate -> candidate.key().equals(wanted.by("")))
                .findFirst()
                .orElse(null);
        List<Query.Rows.Filter> filters = table.columns().stream()
                .filter(one -> !wanted.filter(one.key()).isEmpty())
                .map(one -> new Query.Rows.Filter(one.key(), Comparison.IS, wanted.filter(one.key())))
                .toList();
        return rows.rows(table, wanted.search(), filters, column, wanted.turned(), wanted.page());
    }

    /** @throws Missing if there is no such row */
    public StoredRow row(String table, String row) {
        return store.rows(table, List.of(row)).stream().findFirst().orElseThrow(() -> new Missing("row", row));
    }

    /** Writes what a row was in its cells again, as any other change. */
    @Transactional
    public Checked<Before> putBack(String table, String row, long version) {
        Map<String, String> form = new HashMap<>();
        past.of(table, row).stream()
                .filter(one -> one.version() == version)
                .forEach(one -> table(table)
                        .columns()
                        .forEach(column -> form.put(
                                TableForms.cell(row, column), one.cells().getOrDefault(column.key(), ""))));
        return changeRows(table, form);
    }

    /** Rows as a bot looks for them; a table or column that is gone has none. */
    public RowsFound find(Query.Rows query) {
        Optional<List<Column>> there = store.columns(query.table());
        if (there.isEmpty()) {
            return RowsFound.NO_TABLE;
        }
        List<Column> columns = there.get();
        List<String> known = columns.stream().map(Column::key).toList();
        List<Query.Rows.Filter> filters = query.filters().stream()
                .map(one -> new Query.Rows.Filter(Column.key(columns, one.column()), one.comparison(), one.value()))
                .toList();
        List<String> missing = filters.stream()
                .map(Query.Rows.Filter::column)
                .filter(key -> !known.contains(key))
                .distinct()
                .toList();
        Query.Rows asked = new Query.Rows(query.table(), filters, query.order(), query.falling(), query.most());
        return new RowsFound(columns, missing.isEmpty() ? rows.find(columns, asked) : List.of(), missing);
    }

    /**
     * Why rows cannot be saved one after the other as things stand; empty where they can. Tried out in a transaction of its own
     * that leaves nothing behind.
     */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public String maySave(List<SaveRow> rows) {
        TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
        lock(rows);
        return rows.stream()
                .map(row -> saved(row, ""))
                .filter(why -> !why.isEmpty())
                .findFirst()
                .orElse("");
    }

    /** Keeps others from the tables of these rows until the transaction is over; in one order, so that nobody waits in a circle. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void lock(List<SaveRow> rows) {
        rows.stream().map(SaveRow::table).distinct().sorted().forEach(store::lock);
    }

    /** Saves a row for nobody in particular. @return why it cannot be saved; empty where it is */
    @Transactional
    public String save(SaveRow row) {
        return saved(row, "");
    }

    /** The same for a conversation, which is to be found again when that is erased. */
    @Transactional
    public String save(SaveRow row, String conversation) {
        return saved(row, conversation);
    }

    private String saved(SaveRow save, String conversation) {
        if (!store.lock(save.table())) {
            return "The table is gone.";
        }
        StoredTable table = table(save.table());
        @Nullable Row there = null;
        if (!save.key().isEmpty()) {
            Optional<String> value = save.writes().stream()
                    .filter(write -> write.column().equals(save.key()))
                    .map(SaveRow.Write::value)
                    .findFirst();
            if (value.isEmpty() || SavedRow.column(table, save.key()).isEmpty()) {
                return "There is nothing to find the row by.";
            }
            Query.Rows.Filter same = new Query.Rows.Filter(save.key(), Comparison.IS, value.get());
            List<Row> found = rows.find(table.columns(), new Query.Rows(save.table(), List.of(same), "", false, 1));
            there = found.isEmpty() ? null : found.getFirst();
        }
        return switch (SavedRow.of(table, save, there)) {
            case SavedRow.Result.Refused(String why) -> why;
            case SavedRow.Result.Cells(Map<String, String> cells) -> {
                String lost = table.columns().stream()
                        .map(column -> references.fault(column, cells.getOrDefault(column.key(), "")))
                        .filter(fault -> !fault.isEmpty())
                        .findFirst()
                        .orElse("");
                if (!lost.isEmpty()) {
                    yield lost;
                }
                Row row = new Row(there == null ? Ids.next() : there.id(), cells);
                String full = put(table, there, row);
                if (full.isEmpty() && !conversation.isEmpty()) {
                    personal.wrote(conversation, table, row, save);
                }
                yield full;
            }
        };
    }

    private String put(StoredTable table, @Nullable Row there, Row row) {
        if (there == null && table.rows() >= Table.MOST_ROWS) {
            return "The table is full.";
        }
        if (there == null) {
            store.insertRows(table, List.of(new StoredRow(row, store.lastOrdinal(table.id()) + 1, 1)));
        } else {
            StoredRow before = store.rows(table.id(), List.of(there.id())).getFirst();
            store.updateRows(table, List.of(new StoredRow(row, before.ordinal(), before.version())));
        }
        store.touch(table.id(), clock.instant());
        return "";
    }

    /** Makes a table with a column for the names of its rows. */
    @Transactional
    public Checked<String> create(String name) {
        Column title = new Column("c1", "Name", Kind.TEXT, "");
        Table table = new Table(Ids.next(), name.strip(), List.of(), List.of(title), List.of(), true);
        return switch (TableForms.settings(
                table, Map.of("name", name, "column.0.key", "c1", "column.0.name", "Name"))) {
            case Checked.Bad<Table> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<Table>(Table good) -> Checked.good(add(good));
        };
    }

    /**
     * Adds a table that was made elsewhere. Where its ref names a table that is just the same, that is taken; where it names
     * another, this one gets a ref of its own. The table's id.
     */
    @Transactional
    public String add(Table table) {
        Optional<StoredTable> there = store.byRef(table.ref());
        if (there.isPresent() && alike(whole(there.get().id()), table)) {
            return there.get().id();
        }
        String id = Ids.next();
        String ref = there.isPresent() ? id : table.ref();
        StoredTable stored = new StoredTable(
                id,
                ref,
                table.name(),
                table.also(),
                table.columns(),
                1,
                clock.instant(),
                table.rows().size());
        store.insert(stored, clock.instant());
        store.insertRows(stored, placed(table.rows()));
        return id;
    }

    private static boolean alike(Table one, Table other) {
        return one.name().equals(other.name())
                && one.also().equals(other.also())
                && one.columns().equals(other.columns())
                && one.rows().equals(other.rows());
    }

    private static List<StoredRow> placed(List<Row> rows) {
        List<StoredRow> placed = new ArrayList<>();
        for (Row row : rows) {
            placed.add(new StoredRow(row, placed.size(), 1));
        }
        return placed;
    }

    /** Adds, changes and deletes rows by a form, see {@link TableForms#rows}. */
    @Transactional
    public Checked<Before> changeRows(String id, Map<String, String> form) {
        StoredTable table = locked(id);
        List<StoredRow> there = store.rows(id, TableForms.rowIds(form));
        return switch (TableForms.rows(table, there, form)) {
            case Checked.Bad<RowChanges> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<RowChanges>(RowChanges changes)
            when !references.faults(table, changes).isEmpty() -> new Checked.Bad<>(references.faults(table, changes));
            case Checked.Good<RowChanges>(RowChanges changes) -> {
                Set<String> touched = new HashSet<>(changes.deleted());
                changes.changed().forEach(row -> touched.add(row.row().id()));
                Set<String> added = new HashSet<>();
                int next = store.lastOrdinal(id);
                List<StoredRow> placed = new ArrayList<>();
                for (Row row : changes.added()) {
                    placed.add(new StoredRow(row, ++next, 1));
                    added.add(row.id());
                }
                store.insertRows(table, placed);
                store.updateRows(table, changes.changed());
                store.deleteRows(id, changes.deleted());
                store.touch(id, clock.instant());
                yield Checked.good(new Before(table, kept(there, touched), added));
            }
        };
    }

    private static List<StoredRow> kept(Collection<StoredRow> rows, Set<String> ids) {
        return rows.stream().filter(row -> ids.contains(row.row().id())).toList();
    }

    /** Changes name and columns by a form, see {@link TableForms#settings}. */
    @Transactional
    public Checked<Before> changeSettings(String id, Map<String, String> form) {
        locked(id);
        return switch (TableForms.settings(whole(id), references.named(form))) {
            case Checked.Bad<Table> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<Table>(Table table) -> Checked.good(set(id, table));
        };
    }

    /** Puts another table in the place of one; its ref stays. Only rows that differ are written. */
    @Transactional
    public Before set(String id, Table after) {
        StoredTable before = locked(id);
        Map<String, StoredRow> there = new HashMap<>();
        store.rows(id).forEach(row -> there.put(row.row().id(), row));
        StoredTable now = new StoredTable(
                id,
                before.ref(),
                after.name(),
                after.also(),
                after.columns(),
                before.version(),
                before.updatedAt(),
                before.rows());
        boolean otherColumns = !before.columns().equals(after.columns());
        List<StoredRow> added = new ArrayList<>();
        List<StoredRow> changed = new ArrayList<>();
        Set<String> gone = new HashSet<>(there.keySet());
        for (StoredRow row : placed(after.rows())) {
            StoredRow was = there.get(row.row().id());
            gone.remove(row.row().id());
            if (was == null) {
                added.add(row);
            } else if (otherColumns || !was.row().equals(row.row()) || was.ordinal() != row.ordinal()) {
                changed.add(row);
            }
        }
        store.update(now, clock.instant());
        store.deleteRows(id, gone);
        store.insertRows(now, added);
        store.updateRows(now, changed);
        Set<String> touched = new HashSet<>(gone);
        changed.forEach(row -> touched.add(row.row().id()));
        Set<String> fresh = new HashSet<>();
        added.forEach(row -> fresh.add(row.row().id()));
        return new Before(before, kept(there.values(), touched), fresh);
    }

    /** Deletes a table. */
    @Transactional
    public Before delete(String id) {
        StoredTable table = locked(id);
        Before before = new Before(table, store.rows(id), Set.of());
        store.delete(id);
        return before;
    }

    private StoredTable locked(String id) {
        if (!store.lock(id)) {
            throw new Missing("table", id);
        }
        return table(id);
    }
}
