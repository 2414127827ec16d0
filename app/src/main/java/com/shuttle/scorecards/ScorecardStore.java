package com.shuttle.scorecards;

import static com.shuttle.schema.Tables.SCORECARD;

import com.shuttle.core.flow.Scorecard;
import com.shuttle.schema.tables.records.ScorecardRecord;
import com.shuttle.web.Json;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Drafted scorecards in the database. A deleted one is kept with the day. */
@Repository
class ScorecardStore {

    private final DSLContext db;

    ScorecardStore(DSLContext db) {
        this.db = db;
    }

    void insert(StoredCard stored) {
        db.insertInto(SCORECARD)
                .set(SCORECARD.ID, stored.id())
                .set(SCORECARD.NAME, stored.name())
                .set(SCORECARD.BOT_ID, stored.bot())
                .set(SCORECARD.DOCUMENT, Json.write(stored.card()))
                .set(SCORECARD.CHANGED_AT, stored.changedAt())
                .execute();
    }

    void update(StoredCard stored) {
        db.update(SCORECARD)
                .set(SCORECARD.NAME, stored.name())
                .set(SCORECARD.BOT_ID, stored.bot())
                .set(SCORECARD.DOCUMENT, Json.write(stored.card()))
                .set(SCORECARD.CHANGED_AT, stored.changedAt())
                .where(SCORECARD.ID.eq(stored.id()))
                .execute();
    }

    /** @param at null to bring it back */
    void delete(String id, @Nullable Instant at) {
        db.update(SCORECARD)
                .set(SCORECARD.DELETED_AT, at)
                .where(SCORECARD.ID.eq(id))
                .execute();
    }

    Optional<StoredCard> find(String id) {
        return db.selectFrom(SCORECARD)
                .where(SCORECARD.ID.eq(id))
                .and(SCORECARD.DELETED_AT.isNull())
                .fetchOptional(ScorecardStore::stored);
    }

    List<StoredCard> all() {
        return db.selectFrom(SCORECARD)
                .where(SCORECARD.DELETED_AT.isNull())
                .orderBy(SCORECARD.NAME, SCORECARD.ID)
                .fetch(ScorecardStore::stored);
    }

    private static StoredCard stored(ScorecardRecord row) {
        return new StoredCard(Json.read(row.getDocument(), Scorecard.class), row.getBotId(), row.getChangedAt());
    }
}
