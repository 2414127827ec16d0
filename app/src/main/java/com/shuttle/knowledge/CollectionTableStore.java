package com.shuttle.knowledge;

import static com.shuttle.schema.Tables.COLLECTION;
import static com.shuttle.schema.Tables.COLLECTION_TABLE;
import static com.shuttle.schema.Tables.DATA_TABLE;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Which collections answer from which tables, in the database. */
@Repository
class CollectionTableStore {

    private final DSLContext db;

    CollectionTableStore(DSLContext db) {
        this.db = db;
    }

    /**
     * A table that a collection answers from, as it is now.
     *
     * @param version of the table; another one has other rows
     */
    record Choice(String collection, String table, String ref, long version) {}

    /** In the order of collections and refs. */
    List<Choice> of(Collection<String> collections) {
        return db.select(COLLECTION_TABLE.COLLECTION_ID, DATA_TABLE.ID, DATA_TABLE.REF, DATA_TABLE.VERSION)
                .from(COLLECTION_TABLE)
                .join(DATA_TABLE)
                .on(DATA_TABLE.ID.eq(COLLECTION_TABLE.TABLE_ID))
                .where(COLLECTION_TABLE.COLLECTION_ID.in(collections))
                .orderBy(COLLECTION_TABLE.COLLECTION_ID, DATA_TABLE.REF)
                .fetch(row -> new Choice(row.value1(), row.value2(), row.value3(), row.value4()));
    }

    /** Ids and names of the collections that answer from a table. */
    List<KnowledgeCollection> using(String table) {
        return db.select(COLLECTION.ID, COLLECTION.NAME)
                .from(COLLECTION_TABLE)
                .join(COLLECTION)
                .on(COLLECTION.ID.eq(COLLECTION_TABLE.COLLECTION_ID))
                .where(COLLECTION_TABLE.TABLE_ID.eq(table))
                .orderBy(COLLECTION.NAME, COLLECTION.ID)
                .fetch(row -> new KnowledgeCollection(row.value1(), row.value2(), 0, 0, 0));
    }

    void set(String collection, Set<String> tables) {
        db.deleteFrom(COLLECTION_TABLE)
                .where(COLLECTION_TABLE.COLLECTION_ID.eq(collection))
                .execute();
        tables.forEach(table -> db.insertInto(COLLECTION_TABLE)
                .columns(COLLECTION_TABLE.COLLECTION_ID, COLLECTION_TABLE.TABLE_ID)
                .values(collection, table)
                .execute());
    }
}
