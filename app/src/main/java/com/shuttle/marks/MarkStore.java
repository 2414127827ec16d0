package com.shuttle.marks;

import static com.shuttle.schema.Tables.ACCOUNT;
import static com.shuttle.schema.Tables.MARK;

import com.shuttle.core.acts.Kind;
import com.shuttle.core.acts.Mark;
import com.shuttle.web.Fit;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Marks in the database. */
@Repository
class MarkStore {

    private final DSLContext db;

    MarkStore(DSLContext db) {
        this.db = db;
    }

    /** Puts one in place of another of the same words where the same was waited for. */
    void put(String id, String bot, Mark mark, @Nullable String account, Instant at) {
        db.deleteFrom(MARK)
                .where(MARK.BOT_ID.eq(bot))
                .and(MARK.CLAUSE.eq(clause(mark)))
                .and(MARK.WAITS.eq(mark.waits()))
                .execute();
        db.insertInto(MARK)
                .set(MARK.ID, id)
                .set(MARK.BOT_ID, bot)
                .set(MARK.CLAUSE, clause(mark))
                .set(MARK.WAITS, mark.waits())
                .set(
                        MARK.QUESTION,
                        Fit.within(mark.question(), MARK.QUESTION.getDataType().length()))
                .set(MARK.KIND, mark.kind().key())
                .set(MARK.ACCOUNT_ID, account)
                .set(MARK.AT, at)
                .execute();
    }

    private static String clause(Mark mark) {
        return Fit.within(mark.clause(), MARK.CLAUSE.getDataType().length());
    }

    /** All of a bot, the oldest first. */
    List<Mark> of(String bot) {
        return db.selectFrom(MARK)
                .where(MARK.BOT_ID.eq(bot))
                .orderBy(MARK.AT, MARK.ID)
                .fetch(MarkStore::mark);
    }

    int count(String bot) {
        return db.fetchCount(MARK, MARK.BOT_ID.eq(bot));
    }

    /** Those that are wanted, the newest first unless another order is. */
    Page<Marked> page(String bot, Wanted wanted) {
        Condition condition = MARK.BOT_ID.eq(bot);
        if (!wanted.search().isBlank()) {
            String like = Like.containing(wanted.search());
            condition = condition.and(DSL.lower(MARK.CLAUSE)
                    .like(like, Like.ESCAPE)
                    .or(DSL.lower(MARK.QUESTION).like(like, Like.ESCAPE)));
        }
        if (!wanted.filter("kind").isEmpty()) {
            condition = condition.and(MARK.KIND.eq(wanted.filter("kind")));
        }
        Field<?> by = wanted.by("at").equals("clause") ? DSL.lower(MARK.CLAUSE) : MARK.AT;
        boolean falls = wanted.by("at").equals("clause") == wanted.turned();
        List<Marked> items = db.select(MARK.asterisk(), ACCOUNT.NAME)
                .from(MARK)
                .leftJoin(ACCOUNT)
                .on(ACCOUNT.ID.eq(MARK.ACCOUNT_ID))
                .where(condition)
                .orderBy(falls ? by.desc() : by.asc(), MARK.ID)
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(MarkStore::marked);
        return Page.of(items, wanted.page(), db.fetchCount(MARK, condition));
    }

    Optional<Marked> find(String bot, String id) {
        return db.select(MARK.asterisk(), ACCOUNT.NAME)
                .from(MARK)
                .leftJoin(ACCOUNT)
                .on(ACCOUNT.ID.eq(MARK.ACCOUNT_ID))
                .where(MARK.BOT_ID.eq(bot))
                .and(MARK.ID.eq(id))
                .fetchOptional(MarkStore::marked);
    }

    void delete(String bot, String id) {
        db.deleteFrom(MARK).where(MARK.BOT_ID.eq(bot)).and(MARK.ID.eq(id)).execute();
    }

    private static Mark mark(Record row) {
        return new Mark(row.get(MARK.CLAUSE), row.get(MARK.WAITS), row.get(MARK.QUESTION), Kind.of(row.get(MARK.KIND)));
    }

    private static Marked marked(Record row) {
        String author = row.get(ACCOUNT.NAME);
        return new Marked(row.get(MARK.ID), mark(row), author == null ? "" : author, row.get(MARK.AT));
    }
}
