package com.shuttle.knowledge;

import static com.shuttle.schema.Tables.EMBEDDING;

import java.nio.ByteBuffer;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Vectors of sentences already embedded, by the hash of model and sentence. */
@Repository
class EmbeddingStore {

    private final DSLContext db;

    EmbeddingStore(DSLContext db) {
        this.db = db;
    }

    Optional<float[]> find(String hash) {
        return db.select(EMBEDDING.VECTOR)
                .from(EMBEDDING)
                .where(EMBEDDING.TEXT_HASH.eq(hash))
                .fetchOptional(row -> floats(row.value1()));
    }

    void save(String hash, float[] vector) {
        ByteBuffer bytes = ByteBuffer.allocate(vector.length * Float.BYTES);
        bytes.asFloatBuffer().put(vector);
        db.insertInto(EMBEDDING)
                .columns(EMBEDDING.TEXT_HASH, EMBEDDING.VECTOR)
                .values(hash, bytes.array())
                .onDuplicateKeyIgnore()
                .execute();
    }

    private static float[] floats(byte[] bytes) {
        float[] vector = new float[bytes.length / Float.BYTES];
        ByteBuffer.wrap(bytes).asFloatBuffer().get(vector);
        return vector;
    }
}
