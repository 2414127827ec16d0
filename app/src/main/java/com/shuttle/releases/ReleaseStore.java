package com.shuttle.releases;

import static com.shuttle.schema.Tables.ACCOUNT;
import static com.shuttle.schema.Tables.RELEASE;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Releases in the database. */
@Repository
class ReleaseStore {

    private final DSLContext db;

    ReleaseStore(DSLContext db) {
        this.db = db;
    }

    /** Newest first. */
    List<ReleaseInfo> releases(String bot) {
        return db.select(RELEASE.ID, RELEASE.NUMBER, RELEASE.NOTE, DSL.coalesce(ACCOUNT.NAME, ""), RELEASE.AT)
                .from(RELEASE)
                .leftJoin(ACCOUNT)
                .on(ACCOUNT.ID.eq(RELEASE.ACCOUNT_ID))
                .where(RELEASE.BOT_ID.eq(bot))
                .orderBy(RELEASE.NUMBER.desc())
                .fetch(row -> new ReleaseInfo(row.value1(), row.value2(), row.value3(), row.value4(), row.value5()));
    }

    int lastNumber(String bot) {
        Integer last = db.select(DSL.max(RELEASE.NUMBER))
                .from(RELEASE)
                .where(RELEASE.BOT_ID.eq(bot))
                .fetchOne(0, Integer.class);
        return last == null ? 0 : last;
    }

    Optional<String> document(String id) {
        return db.select(RELEASE.DOCUMENT)
                .from(RELEASE)
                .where(RELEASE.ID.eq(id))
                .fetchOptional(RELEASE.DOCUMENT);
    }

    void insert(String id, String bot, int number, String document, String note, @Nullable String account, Instant at) {
        db.insertInto(RELEASE)
                .columns(
                        RELEASE.ID,
                        RELEASE.BOT_ID,
                        RELEASE.NUMBER,
                        RELEASE.DOCUMENT,
                        RELEASE.NOTE,
                        RELEASE.ACCOUNT_ID,
                        RELEASE.AT)
                .values(id, bot, number, document, note, account, at)
                .execute();
    }
}
