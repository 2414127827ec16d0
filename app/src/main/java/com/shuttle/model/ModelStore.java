package com.shuttle.model;

import static com.shuttle.schema.Tables.LANGUAGE_MODEL;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The settings of the language model in the database; keys are sealed here. */
@Repository
class ModelStore {

    private static final int ONLY = 1;

    private final DSLContext db;

    ModelStore(DSLContext db) {
        this.db = db;
    }

    Optional<ModelSettings> settings() {
        return db.selectFrom(LANGUAGE_MODEL)
                .where(LANGUAGE_MODEL.ID.eq(ONLY))
                .fetchOptional(row -> new ModelSettings(
                        row.getEnabled(), row.getAddress(), row.getName(), row.getSealedKey(), row.getMillis()));
    }

    void set(ModelSettings settings) {
        db.deleteFrom(LANGUAGE_MODEL).execute();
        db.insertInto(LANGUAGE_MODEL)
                .set(LANGUAGE_MODEL.ID, ONLY)
                .set(LANGUAGE_MODEL.ENABLED, settings.enabled())
                .set(LANGUAGE_MODEL.ADDRESS, settings.address())
                .set(LANGUAGE_MODEL.NAME, settings.name())
                .set(LANGUAGE_MODEL.SEALED_KEY, settings.key())
                .set(LANGUAGE_MODEL.MILLIS, settings.millis())
                .execute();
    }
}
