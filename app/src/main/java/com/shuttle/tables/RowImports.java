package com.shuttle.tables;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.reading.Words;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.StoredTable.Before;
import com.shuttle.tables.StoredTable.StoredRow;
import com.shuttle.web.Missing;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Many rows at once: brought in, or taken back. That is done some rows at a time, each piece in a transaction of its own, so that
 * whoever saves a row meanwhile waits for one piece at the most and loses nothing: what an import finds is looked at again in the
 * piece that changes it. Thread-safe.
 */
@Service
public class RowImports {

    /** Rows of one piece: they are written within some tens of milliseconds. */
    private static final int PIECE = 200;

    /** Others who wait for the table come in between two pieces. */
    private static final long BETWEEN_NANOS = 5_000_000;

    /** What becomes of the rows there are. */
    public enum Way {
        /** Those that have the same in a column take on the cells that are brought; others are added. */
        MERGE,
        /** They stay, and all that is brought is added. */
        ADD,
        /** They go, but for those that somebody changes or adds meanwhile. */
        REPLACE
    }

    /**
     * What was done.
     *
     * @param rows    of those brought that are in the table now
     * @param before  takes it back
     * @param stopped why not all of them are; empty where they are
     */
    public record Done(int rows, Before before, String stopped) {}

    private final TableService tables;
    private final TableStore store;
    private final InstantSource clock;
    private final TransactionTemplate transaction;

    RowImports(TableService tables, TableStore store, InstantSource clock, PlatformTransactionManager transactions) {
        this.tables = tables;
        this.store = store;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * Brings rows in.
     *
     * @param table as it was when the rows were read for it; where its columns are others by now, nothing more is brought
     * @param rows  with cells as its columns take them
     * @param by    where rows are merged, the column by which they are the same
     * @throws Missing if the table is gone
     */
    public Done bring(StoredTable table, List<Row> rows, Way way, Column by) {
        return new Bringing(table, way, by).all(rows);
    }

    /**
     * Takes a change back, or puts a deleted table back, some rows at a time. Rows that were changed again since stay as they are.
     *
     * @return what takes this back in turn
     */
    public Before takeBack(Before before) {
        List<String> added = List.copyOf(before.added());
        @Nullable Before back = null;
        for (int i = 0; back == null || i < Math.max(before.rows().size(), added.size()); i += PIECE) {
            Before piece = new Before(before.table(), piece(before.rows(), i), Set.copyOf(piece(added, i)));
            Before done = requireNonNull(transaction.execute(status -> restore(piece)));
            back = back == null ? done : joined(back, done);
            LockSupport.parkNanos(BETWEEN_NANOS);
        }
        return back;
    }

    /** One piece of a change, or the table itself where that is gone. Rows that were changed again since stay as they are. */
    private Before restore(Before before) {
        String id = before.table().id();
        if (!store.lock(id)) {
            store.insert(before.table(), clock.instant());
            store.insertRows(before.table(), before.rows());
            return before;
        }
        StoredTable now = tables.table(id);
        Set<String> touched = new HashSet<>(before.added());
        before.rows().forEach(row -> touched.add(row.row().id()));
        Map<String, StoredRow> there = new HashMap<>();
        store.rows(id, touched).forEach(row -> there.put(row.row().id(), row));
        List<StoredRow> again = new ArrayList<>();
        List<StoredRow> changed = new ArrayList<>();
        for (StoredRow row : before.rows()) {
            StoredRow is = there.get(row.row().id());
            if (is == null) {
                again.add(new StoredRow(row.row(), row.ordinal(), 1));
            } else if (is.version() == row.version() + 1) {
                changed.add(row);
            }
        }
        List<String> gone = before.added().stream()
                .filter(row -> there.containsKey(row) && there.get(row).version() == 1)
                .toList();
        store.update(before.table(), clock.instant());
        store.deleteRows(id, gone);
        store.insertRows(before.table(), again);
        store.updateRows(before.table(), changed);
        Set<String> back = new HashSet<>();
        again.forEach(row -> back.add(row.row().id()));
        Set<String> taken = new HashSet<>(gone);
        changed.forEach(row -> taken.add(row.row().id()));
        return new Before(now, those(there.values(), taken), back);
    }

    private static List<StoredRow> those(Collection<StoredRow> rows, Set<String> ids) {
        return rows.stream().filter(row -> ids.contains(row.row().id())).toList();
    }

    private static <T> List<T> piece(List<T> all, int from) {
        return all.subList(Math.min(from, all.size()), Math.min(from + PIECE, all.size()));
    }

    private static Before joined(Before first, Before then) {
        List<StoredRow> rows = new ArrayList<>(first.rows());
        rows.addAll(then.rows());
        Set<String> added = new HashSet<>(first.added());
        added.addAll(then.added());
        return new Before(first.table(), rows, added);
    }

    /** One import. For one thread. */
    private final class Bringing {
        private final StoredTable table;
        private final Way way;
        private final Column by;
        private final Map<String, StoredRow> there = new LinkedHashMap<>();
        private final Map<String, String> named = new HashMap<>();
        private final List<StoredRow> changed = new ArrayList<>();
        private final Set<String> added = new HashSet<>();
        private int last = -1;
        private boolean writing;

        Bringing(StoredTable table, Way way, Column by) {
            this.table = table;
            this.way = way;
            this.by = by;
            List<StoredRow> rows = store.rows(table.id());
            rows.forEach(row -> there.put(row.row().id(), row));
            know(rows);
        }

        private void know(Collection<StoredRow> rows) {
            for (StoredRow row : rows) {
                named.putIfAbsent(name(row.row()), row.row().id());
                last = Math.max(last, row.ordinal());
            }
        }

        private String name(Row row) {
            return Words.normal(row.at(by));
        }

        Done all(List<Row> brought) {
            List<Row> rows = way == Way.MERGE ? once(brought) : brought;
            int done = 0;
            String stopped = "";
            while (done < rows.size() && stopped.isEmpty()) {
                List<Row> piece = piece(rows, done);
                stopped = step(() -> put(piece));
                done += stopped.isEmpty() ? piece.size() : 0;
            }
            if (way == Way.REPLACE && stopped.isEmpty()) {
                List<StoredRow> old = List.copyOf(there.values());
                for (int i = 0; i < old.size() && stopped.isEmpty(); i += PIECE) {
                    List<StoredRow> piece = piece(old, i);
                    stopped = step(() -> take(piece));
                }
            }
            return new Done(done < rows.size() ? done : brought.size(), new Before(table, changed, added), stopped);
        }

        /** Rows of one name as one; of a cell that several have, that of the last. */
        private List<Row> once(List<Row> brought) {
            Map<String, Row> once = new LinkedHashMap<>();
            for (Row row : brought) {
                String name = name(row);
                once.merge(name.isEmpty() ? row.id() + "\n" : name, row, (first, then) -> {
                    Map<String, String> cells = new LinkedHashMap<>(first.cells());
                    cells.putAll(then.cells());
                    return new Row(first.id(), cells);
                });
            }
            return List.copyOf(once.values());
        }

        /** Does a piece when its turn comes, however long others keep it from that. */
        private String step(Supplier<String> piece) {
            for (; ; ) {
                writing = false;
                try {
                    return attempt(piece);
                } catch (ConcurrencyFailureException others) {
                    if (writing) {
                        throw others;
                    }
                }
            }
        }

        private String attempt(Supplier<String> piece) {
            String stopped = transaction.execute(status -> {
                if (!store.lock(table.id())) {
                    throw new Missing("table", table.id());
                }
                writing = true;
                StoredTable now = tables.table(table.id());
                return now.columns().equals(table.columns())
                        ? piece.get()
                        : "Somebody changed the columns meanwhile. Look at them, and bring the file in again.";
            });
            LockSupport.parkNanos(BETWEEN_NANOS);
            return stopped == null ? "" : stopped;
        }

        /** Writes a piece of what is brought, by what is there at this moment. */
        private String put(List<Row> piece) {
            know(store.rowsAfter(table.id(), last));
            if (tables.table(table.id()).rows() + piece.size() - (way == Way.REPLACE ? there.size() : 0)
                    > Table.MOST_ROWS) {
                return "The table is full: it has up to %,d rows.".formatted(Table.MOST_ROWS);
            }
            Map<String, StoredRow> same = way == Way.MERGE ? same(piece) : Map.of();
            List<StoredRow> fresh = new ArrayList<>();
            List<StoredRow> others = new ArrayList<>();
            for (Row row : piece) {
                StoredRow is = same.get(name(row));
                if (is == null) {
                    fresh.add(new StoredRow(row, ++last, 1));
                    added.add(row.id());
                } else {
                    Map<String, String> cells = new LinkedHashMap<>(is.row().cells());
                    cells.putAll(row.cells());
                    if (!cells.equals(is.row().cells())) {
                        others.add(new StoredRow(new Row(is.row().id(), cells), is.ordinal(), is.version()));
                        changed.add(is);
                    }
                }
            }
            store.insertRows(table, fresh);
            store.updateRows(table, others);
            store.touch(table.id(), clock.instant());
            return "";
        }

        /** The rows as they are now that have the name of one of the piece. */
        private Map<String, StoredRow> same(List<Row> piece) {
            List<String> ids = piece.stream()
                    .map(row -> named.getOrDefault(name(row), ""))
                    .filter(id -> !id.isEmpty())
                    .toList();
            Map<String, StoredRow> same = new HashMap<>();
            store.rows(table.id(), ids).forEach(row -> same.put(name(row.row()), row));
            same.remove("");
            return same;
        }

        /** Deletes those of a piece of the rows of old that nobody has changed since. */
        private String take(List<StoredRow> piece) {
            List<String> ids = piece.stream().map(row -> row.row().id()).toList();
            List<StoredRow> gone = store.rows(table.id(), ids).stream()
                    .filter(row -> row.equals(there.get(row.row().id())))
                    .toList();
            store.deleteRows(
                    table.id(), gone.stream().map(row -> row.row().id()).toList());
            store.touch(table.id(), clock.instant());
            changed.addAll(gone);
            return "";
        }
    }
}
