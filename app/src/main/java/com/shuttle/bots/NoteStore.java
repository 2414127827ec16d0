package com.shuttle.bots;

import static com.shuttle.schema.Tables.ACCOUNT;
import static com.shuttle.schema.Tables.NOTE;

import java.time.Instant;
import java.util.List;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Notes on steps in the database. */
@Repository
class NoteStore {

    private static final int MOST = 500;

    private final DSLContext db;

    NoteStore(DSLContext db) {
        this.db = db;
    }

    void insert(String id, String bot, String flow, String step, String text, @Nullable String account, Instant at) {
        db.insertInto(NOTE)
                .columns(NOTE.ID, NOTE.BOT_ID, NOTE.FLOW_KEY, NOTE.STEP, NOTE.TEXT, NOTE.ACCOUNT_ID, NOTE.AT)
                .values(id, bot, flow, step, text, account, at)
                .execute();
    }

    /** Open ones first, then the last settled. */
    List<Note> of(String bot, String flow) {
        var settler = ACCOUNT.as("settler");
        return db.select(NOTE.ID, NOTE.STEP, NOTE.TEXT, ACCOUNT.NAME, NOTE.AT, NOTE.RESOLVED_AT, settler.NAME)
                .from(NOTE)
                .leftJoin(ACCOUNT)
                .on(ACCOUNT.ID.eq(NOTE.ACCOUNT_ID))
                .leftJoin(settler)
                .on(settler.ID.eq(NOTE.RESOLVED_BY))
                .where(NOTE.BOT_ID.eq(bot))
                .and(NOTE.FLOW_KEY.eq(flow))
                .orderBy(NOTE.RESOLVED_AT.desc().nullsFirst(), NOTE.AT)
                .limit(MOST)
                .fetch(row -> new Note(
                        row.get(NOTE.ID),
                        flow,
                        row.get(NOTE.STEP),
                        row.get(NOTE.TEXT),
                        row.value4() == null ? "" : row.value4(),
                        row.get(NOTE.AT),
                        row.get(NOTE.RESOLVED_AT) == null ? null : row.value7() == null ? "" : row.value7()));
    }

    void resolve(String bot, String id, @Nullable String account, @Nullable Instant at) {
        db.update(NOTE)
                .set(NOTE.RESOLVED_AT, at)
                .set(NOTE.RESOLVED_BY, account)
                .where(NOTE.ID.eq(id))
                .and(NOTE.BOT_ID.eq(bot))
                .execute();
    }
}
