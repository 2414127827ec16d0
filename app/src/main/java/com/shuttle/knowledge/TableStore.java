package com.shuttle.knowledge;

import static com.shuttle.schema.Tables.KNOWLEDGE_ROW;
import static com.shuttle.schema.Tables.KNOWLEDGE_TABLE;

import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.schema.tables.records.KnowledgeTableRecord;
import com.shuttle.web.Json;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.Query;
import org.springframework.stereotype.Repository;

/** Tables in the database. */
@Repository
class TableStore {

    /** Statements of one round to the database. */
    private static final int BATCH = 1000;

    private final DSLContext db;

    TableStore(DSLContext db) {
        this.db = db;
    }

    /** The tables of a collection with their rows, by name. */
    List<StoredTable> all(String collection) {
        return db.selectFrom(KNOWLEDGE_TABLE)
                .where(KNOWLEDGE_TABLE.COLLECTION_ID.eq(collection))
                .orderBy(KNOWLEDGE_TABLE.NAME, KNOWLEDGE_TABLE.REF)
                .fetch(this::stored);
    }

    Optional<StoredTable> table(String id) {
        return db.selectFrom(KNOWLEDGE_TABLE).where(KNOWLEDGE_TABLE.ID.eq(id)).fetchOptional(this::stored);
    }

    void insert(StoredTable stored, Instant at) {
        Table table = stored.table();
        db.insertInto(KNOWLEDGE_TABLE)
                .set(KNOWLEDGE_TABLE.ID, stored.id())
                .set(KNOWLEDGE_TABLE.COLLECTION_ID, stored.collection())
                .set(KNOWLEDGE_TABLE.REF, table.ref())
                .set(KNOWLEDGE_TABLE.NAME, table.name())
                .set(KNOWLEDGE_TABLE.ALSO, Json.write(table.also()))
                .set(KNOWLEDGE_TABLE.COLUMNS, Json.write(table.columns()))
                .set(KNOWLEDGE_TABLE.PUBLISHED, table.published())
                .set(KNOWLEDGE_TABLE.UPDATED_AT, at)
                .execute();
        rows(stored.id(), List.of(), table.rows());
    }

    /** Writes what differs. */
    void update(StoredTable before, Table after, Instant at) {
        db.update(KNOWLEDGE_TABLE)
                .set(KNOWLEDGE_TABLE.NAME, after.name())
                .set(KNOWLEDGE_TABLE.ALSO, Json.write(after.also()))
                .set(KNOWLEDGE_TABLE.COLUMNS, Json.write(after.columns()))
                .set(KNOWLEDGE_TABLE.PUBLISHED, after.published())
                .set(KNOWLEDGE_TABLE.UPDATED_AT, at)
                .where(KNOWLEDGE_TABLE.ID.eq(before.id()))
                .execute();
        rows(before.id(), before.table().rows(), after.rows());
    }

    void delete(String id) {
        db.deleteFrom(KNOWLEDGE_TABLE).where(KNOWLEDGE_TABLE.ID.eq(id)).execute();
    }

    void deleteAll(String collection) {
        db.deleteFrom(KNOWLEDGE_TABLE)
                .where(KNOWLEDGE_TABLE.COLLECTION_ID.eq(collection))
                .execute();
    }

    private void rows(String table, List<Row> before, List<Row> after) {
        record Placed(int ordinal, Row row) {}
        Map<String, Placed> there = new HashMap<>();
        for (int i = 0; i < before.size(); i++) {
            there.put(before.get(i).id(), new Placed(i, before.get(i)));
        }
        Set<String> gone = new HashSet<>(there.keySet());
        List<Query> changes = new ArrayList<>();
        for (int i = 0; i < after.size(); i++) {
            Row row = after.get(i);
            gone.remove(row.id());
            Placed was = there.get(row.id());
            if (was == null) {
                changes.add(db.insertInto(KNOWLEDGE_ROW)
                        .set(KNOWLEDGE_ROW.TABLE_ID, table)
                        .set(KNOWLEDGE_ROW.ID, row.id())
                        .set(KNOWLEDGE_ROW.ORDINAL, i)
                        .set(KNOWLEDGE_ROW.CELLS, Json.write(row.cells())));
            } else if (!new Placed(i, row).equals(was)) {
                changes.add(db.update(KNOWLEDGE_ROW)
                        .set(KNOWLEDGE_ROW.ORDINAL, i)
                        .set(KNOWLEDGE_ROW.CELLS, Json.write(row.cells()))
                        .where(KNOWLEDGE_ROW.TABLE_ID.eq(table).and(KNOWLEDGE_ROW.ID.eq(row.id()))));
            }
        }
        gone.forEach(id -> changes.add(db.deleteFrom(KNOWLEDGE_ROW)
                .where(KNOWLEDGE_ROW.TABLE_ID.eq(table).and(KNOWLEDGE_ROW.ID.eq(id)))));
        for (int i = 0; i < changes.size(); i += BATCH) {
            db.batch(changes.subList(i, Math.min(i + BATCH, changes.size()))).execute();
        }
    }

    private StoredTable stored(KnowledgeTableRecord head) {
        List<Row> rows = db.select(KNOWLEDGE_ROW.ID, KNOWLEDGE_ROW.CELLS)
                .from(KNOWLEDGE_ROW)
                .where(KNOWLEDGE_ROW.TABLE_ID.eq(head.getId()))
                .orderBy(KNOWLEDGE_ROW.ORDINAL, KNOWLEDGE_ROW.ID)
                .fetch(row -> new Row(row.value1(), Json.texts(row.value2())));
        Table table = new Table(
                head.getRef(),
                head.getName(),
                Json.strings(head.getAlso()),
                List.of(Json.read(head.getColumns(), Column[].class)),
                rows,
                head.getPublished());
        return new StoredTable(head.getId(), head.getCollectionId(), table, head.getUpdatedAt());
    }
}
