package com.shuttle.releases;

import static com.shuttle.schema.Tables.ACCOUNT;
import static com.shuttle.schema.Tables.BOT;
import static com.shuttle.schema.Tables.BOT_LIVE;
import static com.shuttle.schema.Tables.RELEASE;
import static com.shuttle.schema.Tables.RELEASE_LIVE;
import static com.shuttle.schema.Tables.RELEASE_PLAN;

import com.shuttle.releases.Lives.Plan;
import com.shuttle.releases.Lives.Spell;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** What is live, was, and will be, in the database. */
@Repository
class LiveStore {

    private static final int MOST_SPELLS = 100;

    private final DSLContext db;

    LiveStore(DSLContext db) {
        this.db = db;
    }

    /** Nothing of a deleted bot is live, though it is known what was. */
    Optional<String> live(String bot) {
        return db.select(BOT_LIVE.RELEASE_ID)
                .from(BOT_LIVE)
                .join(BOT)
                .on(BOT.ID.eq(BOT_LIVE.BOT_ID))
                .where(BOT_LIVE.BOT_ID.eq(bot))
                .and(BOT.DELETED_AT.isNull())
                .fetchOptional(BOT_LIVE.RELEASE_ID);
    }

    /** @param planned whether it was to go live at this time, rather than at once */
    void goLive(String bot, String release, @Nullable String account, boolean planned, Instant at) {
        db.insertInto(BOT_LIVE)
                .set(BOT_LIVE.BOT_ID, bot)
                .set(BOT_LIVE.RELEASE_ID, release)
                .onDuplicateKeyUpdate()
                .set(BOT_LIVE.RELEASE_ID, release)
                .execute();
        Integer last = db.select(DSL.max(RELEASE_LIVE.PLACE))
                .from(RELEASE_LIVE)
                .where(RELEASE_LIVE.BOT_ID.eq(bot))
                .fetchOne(0, Integer.class);
        db.insertInto(RELEASE_LIVE)
                .set(RELEASE_LIVE.BOT_ID, bot)
                .set(RELEASE_LIVE.PLACE, last == null ? 1 : last + 1)
                .set(RELEASE_LIVE.RELEASE_ID, release)
                .set(RELEASE_LIVE.ACCOUNT_ID, account)
                .set(RELEASE_LIVE.SINCE_AT, at)
                .set(RELEASE_LIVE.PLANNED, planned)
                .execute();
    }

    /** What was live, the latest first. */
    List<Spell> spells(String bot) {
        return db.select(RELEASE.NUMBER, DSL.coalesce(ACCOUNT.NAME, ""), RELEASE_LIVE.SINCE_AT, RELEASE_LIVE.PLANNED)
                .from(RELEASE_LIVE)
                .join(RELEASE)
                .on(RELEASE.ID.eq(RELEASE_LIVE.RELEASE_ID))
                .leftJoin(ACCOUNT)
                .on(ACCOUNT.ID.eq(RELEASE_LIVE.ACCOUNT_ID))
                .where(RELEASE_LIVE.BOT_ID.eq(bot))
                .orderBy(RELEASE_LIVE.PLACE.desc())
                .limit(MOST_SPELLS)
                .fetch(row -> new Spell(row.value1(), row.value2(), row.value3(), row.value4()));
    }

    // Later

    void plan(Plan plan) {
        db.insertInto(RELEASE_PLAN)
                .set(RELEASE_PLAN.BOT_ID, plan.bot())
                .set(RELEASE_PLAN.RELEASE_ID, plan.release())
                .set(RELEASE_PLAN.ACCOUNT_ID, plan.account())
                .set(RELEASE_PLAN.DUE_AT, plan.due())
                .onDuplicateKeyUpdate()
                .set(RELEASE_PLAN.RELEASE_ID, plan.release())
                .set(RELEASE_PLAN.ACCOUNT_ID, plan.account())
                .set(RELEASE_PLAN.DUE_AT, plan.due())
                .execute();
    }

    Optional<Plan> planned(String bot) {
        return plans(RELEASE_PLAN.BOT_ID.eq(bot)).stream().findFirst();
    }

    List<Plan> due(Instant now) {
        return plans(RELEASE_PLAN.DUE_AT.le(now));
    }

    private List<Plan> plans(org.jooq.Condition which) {
        return db.selectFrom(RELEASE_PLAN)
                .where(which)
                .fetch(row -> new Plan(row.getBotId(), row.getReleaseId(), row.getAccountId(), row.getDueAt()));
    }

    /** Whether there was one. */
    boolean unplan(String bot) {
        return db.deleteFrom(RELEASE_PLAN).where(RELEASE_PLAN.BOT_ID.eq(bot)).execute() == 1;
    }
}
