package com.shuttle.tables;

import static com.shuttle.schema.Tables.DATA_CELL;
import static com.shuttle.schema.Tables.DATA_ROW;
import static com.shuttle.schema.Tables.DATA_TABLE;
import static org.jooq.impl.DSL.noCondition;

import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table.Row;
import com.shuttle.schema.tables.records.DataTableRecord;
import com.shuttle.tables.StoredTable.StoredRow;
import com.shuttle.web.Json;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import org.jooq.BatchBindStep;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.InsertSetMoreStep;
import org.jooq.OrderField;
import org.jooq.Query;
import org.jooq.Record4;
import org.jooq.SortField;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Tables and their rows in the database. */
@Repository
class TableStore {

    /** Statements of one round to the database. */
    private static final int BATCH = 1000;

    private static final Field<Integer> ROWS = DSL.selectCount()
            .from(DATA_ROW)
            .where(DATA_ROW.TABLE_ID.eq(DATA_TABLE.ID))
            .asField("row_count");

    private final DSLContext db;
    private final PastRowStore past;
    private final InstantSource clock;

    TableStore(DSLContext db, PastRowStore past, InstantSource clock) {
        this.db = db;
        this.past = past;
        this.clock = clock;
    }

    /** @param sort {@code name}, {@code rows} or {@code changed}, with a minus before it for the other way round */
    Page<StoredTable> tables(String search, String sort, int page) {
        Condition condition = search.isBlank()
                ? noCondition()
                : DSL.lower(DATA_TABLE.NAME).like(Like.containing(search), Like.ESCAPE);
        Field<?> by = switch (sort.replaceFirst("^-", "")) {
            case "rows" -> ROWS;
            case "changed" -> DATA_TABLE.UPDATED_AT;
            default -> DSL.lower(DATA_TABLE.NAME);
        };
        SortField<?> order = sort.startsWith("-") ? by.desc() : by.asc();
        List<StoredTable> items = db.select(DATA_TABLE, ROWS)
                .from(DATA_TABLE)
                .where(condition)
                .orderBy(order, DATA_TABLE.ID.asc())
                .limit(Page.SIZE)
                .offset(Page.offset(page))
                .fetch(row -> stored(row.value1(), row.value2()));
        return Page.of(items, page, db.fetchCount(DATA_TABLE, condition));
    }

    /** Every table, by name. */
    List<StoredTable> all() {
        return db.select(DATA_TABLE, ROWS)
                .from(DATA_TABLE)
                .orderBy(DSL.lower(DATA_TABLE.NAME), DATA_TABLE.ID)
                .fetch(row -> stored(row.value1(), row.value2()));
    }

    Optional<StoredTable> table(String id) {
        return table(DATA_TABLE.ID.eq(id));
    }

    Optional<StoredTable> byRef(String ref) {
        return table(DATA_TABLE.REF.eq(ref));
    }

    private Optional<StoredTable> table(Condition which) {
        return db.select(DATA_TABLE, ROWS)
                .from(DATA_TABLE)
                .where(which)
                .fetchOptional(row -> stored(row.value1(), row.value2()));
    }

    /** Columns alone, for those who do not ask how many rows there are. */
    Optional<List<Column>> columns(String id) {
        return db.select(DATA_TABLE.COLUMNS)
                .from(DATA_TABLE)
                .where(DATA_TABLE.ID.eq(id))
                .fetchOptional(row -> readColumns(row.value1()));
    }

    private static List<Column> readColumns(String json) {
        return Json.readAll(json, Column.class);
    }

    /** Keeps others from changing a table until the transaction is over. Whether there is such a table. */
    boolean lock(String id) {
        return db.select(DATA_TABLE.ID)
                .from(DATA_TABLE)
                .where(DATA_TABLE.ID.eq(id))
                .forUpdate()
                .fetchOptional()
                .isPresent();
    }

    /** Without rows. */
    void insert(StoredTable table, Instant at) {
        db.insertInto(DATA_TABLE)
                .set(DATA_TABLE.ID, table.id())
                .set(DATA_TABLE.REF, table.ref())
                .set(DATA_TABLE.NAME, table.name())
                .set(DATA_TABLE.ALSO, Json.write(table.also()))
                .set(DATA_TABLE.COLUMNS, Json.write(table.columns()))
                .set(DATA_TABLE.VERSION, table.version())
                .set(DATA_TABLE.UPDATED_AT, at)
                .execute();
    }

    /** Writes name and columns, and counts the change. */
    void update(StoredTable table, Instant at) {
        db.update(DATA_TABLE)
                .set(DATA_TABLE.NAME, table.name())
                .set(DATA_TABLE.ALSO, Json.write(table.also()))
                .set(DATA_TABLE.COLUMNS, Json.write(table.columns()))
                .set(DATA_TABLE.VERSION, DATA_TABLE.VERSION.plus(1))
                .set(DATA_TABLE.UPDATED_AT, at)
                .where(DATA_TABLE.ID.eq(table.id()))
                .execute();
    }

    /** Counts a change of a row. */
    void touch(String table, Instant at) {
        db.update(DATA_TABLE)
                .set(DATA_TABLE.VERSION, DATA_TABLE.VERSION.plus(1))
                .set(DATA_TABLE.UPDATED_AT, at)
                .where(DATA_TABLE.ID.eq(table))
                .execute();
    }

    void delete(String id) {
        db.deleteFrom(DATA_TABLE).where(DATA_TABLE.ID.eq(id)).execute();
    }

    /** All rows in their order. */
    List<StoredRow> rows(String table) {
        return rows(DATA_ROW.TABLE_ID.eq(table), List.of(DATA_ROW.ORDINAL, DATA_ROW.ID));
    }

    /** Those of {@code ids} that there are. */
    List<StoredRow> rows(String table, Collection<String> ids) {
        return ids.isEmpty()
                ? List.of()
                : rows(DATA_ROW.TABLE_ID.eq(table).and(DATA_ROW.ID.in(ids)), List.of(DATA_ROW.ORDINAL, DATA_ROW.ID));
    }

    /** Those that stand after a place. */
    List<StoredRow> rowsAfter(String table, int ordinal) {
        return rows(
                DATA_ROW.TABLE_ID.eq(table).and(DATA_ROW.ORDINAL.gt(ordinal)), List.of(DATA_ROW.ORDINAL, DATA_ROW.ID));
    }

    private List<StoredRow> rows(Condition which, List<? extends OrderField<?>> order) {
        return db.select(DATA_ROW.ID, DATA_ROW.CELLS, DATA_ROW.ORDINAL, DATA_ROW.VERSION)
                .from(DATA_ROW)
                .where(which)
                .orderBy(order)
                .fetch(TableStore::storedRow);
    }

    int lastOrdinal(String table) {
        return db.select(DSL.coalesce(DSL.max(DATA_ROW.ORDINAL), -1))
                .from(DATA_ROW)
                .where(DATA_ROW.TABLE_ID.eq(table))
                .fetchSingle()
                .value1();
    }

    void insertRows(StoredTable table, List<StoredRow> rows) {
        InsertSetMoreStep<?> row = db.insertInto(DATA_ROW)
                .set(DATA_ROW.TABLE_ID, "")
                .set(DATA_ROW.ID, "")
                .set(DATA_ROW.ORDINAL, 0)
                .set(DATA_ROW.CELLS, "")
                .set(DATA_ROW.VERSION, 0L);
        each(
                rows,
                row,
                (batch, one) -> batch.bind(
                        table.id(),
                        one.row().id(),
                        one.ordinal(),
                        Json.write(one.row().cells()),
                        one.version()));
        insertCells(table, rows);
    }

    private void insertCells(StoredTable table, List<StoredRow> rows) {
        InsertSetMoreStep<?> cell = db.insertInto(DATA_CELL)
                .set(DATA_CELL.TABLE_ID, "")
                .set(DATA_CELL.ROW_ID, "")
                .set(DATA_CELL.COLUMN_KEY, "")
                .set(DATA_CELL.LOW, "")
                .set(DATA_CELL.FIGURE, 0.0);
        each(rows, cell, (batch, one) -> {
            for (IndexedCell indexed : IndexedCell.of(table.columns(), one.row().cells())) {
                batch.bind(table.id(), one.row().id(), indexed.column(), indexed.low(), indexed.figure());
            }
        });
    }

    /** Runs one statement for each of many things, with the values that each binds. */
    private <T> void each(List<T> all, Query statement, BiConsumer<BatchBindStep, T> bind) {
        for (int i = 0; i < all.size(); i += BATCH) {
            BatchBindStep batch = db.batch(statement);
            all.subList(i, Math.min(i + BATCH, all.size())).forEach(one -> bind.accept(batch, one));
            if (batch.size() > 0) {
                batch.execute();
            }
        }
    }

    /** Writes cells and places, and counts the change of each row. */
    void updateRows(StoredTable table, List<StoredRow> rows) {
        List<Query> changes = new ArrayList<>();
        Instant now = clock.instant();
        for (StoredRow row : rows) {
            changes.add(past.keep(table.id(), row.row().id(), now));
            changes.add(db.update(DATA_ROW)
                    .set(DATA_ROW.ORDINAL, row.ordinal())
                    .set(DATA_ROW.CELLS, Json.write(row.row().cells()))
                    .set(DATA_ROW.VERSION, DATA_ROW.VERSION.plus(1))
                    .where(DATA_ROW.TABLE_ID
                            .eq(table.id())
                            .and(DATA_ROW.ID.eq(row.row().id()))));
            changes.add(db.deleteFrom(DATA_CELL)
                    .where(DATA_CELL
                            .TABLE_ID
                            .eq(table.id())
                            .and(DATA_CELL.ROW_ID.eq(row.row().id()))));
        }
        execute(changes);
        insertCells(table, rows);
    }

    void deleteRows(String table, Collection<String> ids) {
        execute(ids.stream()
                .<Query>map(id -> db.deleteFrom(DATA_ROW)
                        .where(DATA_ROW.TABLE_ID.eq(table).and(DATA_ROW.ID.eq(id))))
                .toList());
    }

    private void execute(List<? extends Query> changes) {
        for (int i = 0; i < changes.size(); i += BATCH) {
            db.batch(changes.subList(i, Math.min(i + BATCH, changes.size()))).execute();
        }
    }

    private static StoredTable stored(DataTableRecord row, int rows) {
        return new StoredTable(
                row.getId(),
                row.getRef(),
                row.getName(),
                Json.strings(row.getAlso()),
                readColumns(row.getColumns()),
                row.getVersion(),
                row.getUpdatedAt(),
                rows);
    }

    static StoredRow storedRow(Record4<String, String, Integer, Long> row) {
        return new StoredRow(new Row(row.value1(), Json.texts(row.value2())), row.value3(), row.value4());
    }
}
