package com.shuttle.knowledge;

import static com.shuttle.schema.Tables.GAP;

import com.shuttle.web.Ids;
import com.shuttle.web.Page;
import java.time.Instant;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Gaps in the database: a row for each time of asking. */
@Repository
class GapStore {

    private final DSLContext db;

    GapStore(DSLContext db) {
        this.db = db;
    }

    void insert(String bot, String conversation, String question, String normal, Instant at) {
        db.insertInto(GAP)
                .columns(GAP.ID, GAP.BOT_ID, GAP.CONVERSATION_ID, GAP.QUESTION, GAP.NORMAL, GAP.AT)
                .values(Ids.next(), bot, conversation, question, normal, at)
                .execute();
    }

    /** Newest first, like questions once. */
    Page<Gap> list(String bot, int page) {
        var times = DSL.count().as("times");
        var latest = DSL.max(GAP.AT).as("latest");
        var groups = DSL.select(GAP.NORMAL, times, latest)
                .from(GAP)
                .where(GAP.BOT_ID.eq(bot))
                .groupBy(GAP.NORMAL)
                .asTable("groups");
        List<Gap> gaps = db.select(GAP.ID, GAP.QUESTION, GAP.CONVERSATION_ID, GAP.AT, groups.field(times))
                .from(GAP)
                .join(groups)
                .on(groups.field(GAP.NORMAL)
                        .eq(GAP.NORMAL)
                        .and(groups.field(latest).eq(GAP.AT)))
                .where(GAP.BOT_ID.eq(bot))
                .orderBy(GAP.AT.desc(), GAP.ID)
                .limit(Page.SIZE)
                .offset(Page.offset(page))
                .fetch(row -> new Gap(row.value1(), bot, row.value2(), row.value5(), row.value3(), row.value4()));
        return Page.of(gaps, page, count(bot));
    }

    int count(String bot) {
        Integer count = db.select(DSL.countDistinct(GAP.NORMAL))
                .from(GAP)
                .where(GAP.BOT_ID.eq(bot))
                .fetchOne(0, Integer.class);
        return count == null ? 0 : count;
    }

    /** Removes a gap and all that are like it. */
    void delete(String bot, String id) {
        db.deleteFrom(GAP)
                .where(GAP.BOT_ID.eq(bot))
                .and(GAP.NORMAL.in(DSL.select(GAP.NORMAL).from(GAP).where(GAP.ID.eq(id))))
                .execute();
    }
}
