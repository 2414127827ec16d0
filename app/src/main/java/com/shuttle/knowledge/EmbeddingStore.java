package com.shuttle.knowledge;

import static com.shuttle.schema.Tables.EMBEDDING;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** What the sentence models made of texts, by a hash of model and text. */
@Repository
class EmbeddingStore {

    private final DSLContext db;

    EmbeddingStore(DSLContext db) {
        this.db = db;
    }

    Optional<byte[]> find(String hash) {
        return db.select(EMBEDDING.VECTOR)
                .from(EMBEDDING)
                .where(EMBEDDING.TEXT_HASH.eq(hash))
                .fetchOptional(EMBEDDING.VECTOR);
    }

    void save(String hash, byte[] vectors) {
        db.insertInto(EMBEDDING)
                .columns(EMBEDDING.TEXT_HASH, EMBEDDING.VECTOR)
                .values(hash, vectors)
                .onDuplicateKeyIgnore()
                .execute();
    }
}
