package com.shuttle.bots;

import static com.shuttle.schema.Tables.MEDIA;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** What is known of media, in the database. */
@Repository
class MediaStore {

    private final DSLContext db;

    MediaStore(DSLContext db) {
        this.db = db;
    }

    void insert(String id, @Nullable String bot, String name, String type, long size, Instant at) {
        db.insertInto(MEDIA)
                .columns(MEDIA.ID, MEDIA.BOT_ID, MEDIA.NAME, MEDIA.TYPE, MEDIA.SIZE, MEDIA.AT)
                .values(id, bot, name, type, size, at)
                .execute();
    }

    List<String> of(String bot) {
        return db.select(MEDIA.ID).from(MEDIA).where(MEDIA.BOT_ID.eq(bot)).fetch(MEDIA.ID);
    }

    Optional<String> type(String id) {
        return db.select(MEDIA.TYPE).from(MEDIA).where(MEDIA.ID.eq(id)).fetchOptional(MEDIA.TYPE);
    }
}
