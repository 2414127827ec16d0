package com.shuttle.knowledge;

import static com.shuttle.schema.Tables.ANSWERED;
import static com.shuttle.schema.Tables.GAP;
import static java.util.Objects.requireNonNull;

import com.shuttle.web.Fit;
import com.shuttle.web.Ids;
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

    /** One way of asking. */
    record Asked(
            String id, String question, String normal, int times, String conversation, Instant at, boolean rated) {}

    /** A question that was dismissed stays so when it is asked again. */
    void insert(String bot, String conversation, String question, String normal, boolean rated, Instant at) {
        boolean dismissed = db.fetchExists(
                GAP, GAP.BOT_ID.eq(bot).and(GAP.NORMAL.eq(normal)).and(GAP.DISMISSED.isTrue()));
        db.insertInto(GAP)
                .set(GAP.ID, Ids.next())
                .set(GAP.BOT_ID, bot)
                .set(GAP.CONVERSATION_ID, conversation)
                .set(
                        GAP.QUESTION,
                        Fit.within(question, GAP.QUESTION.getDataType().length()))
                .set(GAP.NORMAL, Fit.within(normal, GAP.NORMAL.getDataType().length()))
                .set(GAP.AT, at)
                .set(GAP.DISMISSED, dismissed)
                .set(GAP.RATED, rated)
                .execute();
    }

    /** Deletes the questions of a conversation, answered or not. */
    void forget(String conversation) {
        db.deleteFrom(GAP).where(GAP.CONVERSATION_ID.eq(conversation)).execute();
        db.deleteFrom(ANSWERED).where(ANSWERED.CONVERSATION_ID.eq(conversation)).execute();
    }

    /** Open ones, newest first, like questions once. */
    List<Asked> open(String bot, int most) {
        var times = DSL.count().as("times");
        var latest = DSL.max(GAP.AT).as("latest");
        var groups = DSL.select(GAP.NORMAL, times, latest)
                .from(GAP)
                .where(GAP.BOT_ID.eq(bot))
                .and(GAP.DISMISSED.isFalse())
                .groupBy(GAP.NORMAL)
                .asTable("groups");
        return db.select(GAP.ID, GAP.QUESTION, GAP.NORMAL, groups.field(times), GAP.CONVERSATION_ID, GAP.AT, GAP.RATED)
                .from(GAP)
                .join(groups)
                .on(requireNonNull(groups.field(GAP.NORMAL))
                        .eq(GAP.NORMAL)
                        .and(requireNonNull(groups.field(latest)).eq(GAP.AT)))
                .where(GAP.BOT_ID.eq(bot))
                .orderBy(GAP.AT.desc(), GAP.ID)
                .limit(most)
                .fetch(row -> new Asked(
                        row.value1(),
                        row.value2(),
                        row.value3(),
                        row.value4(),
                        row.value5(),
                        row.value6(),
                        row.value7()));
    }

    /** @param ref of an entry or article of the collection */
    void insertAnswered(String bot, String conversation, String collection, String ref, String question, Instant at) {
        db.insertInto(ANSWERED)
                .set(ANSWERED.ID, Ids.next())
                .set(ANSWERED.BOT_ID, bot)
                .set(ANSWERED.CONVERSATION_ID, conversation)
                .set(ANSWERED.COLLECTION_ID, collection)
                .set(ANSWERED.REF, Fit.within(ref, ANSWERED.REF.getDataType().length()))
                .set(
                        ANSWERED.QUESTION,
                        Fit.within(question, ANSWERED.QUESTION.getDataType().length()))
                .set(ANSWERED.AT, at)
                .execute();
    }

    /** The questions that were answered in a conversation and are not among its gaps. */
    List<String> answeredIn(String conversation) {
        return db.selectDistinct(ANSWERED.QUESTION)
                .from(ANSWERED)
                .where(ANSWERED.CONVERSATION_ID.eq(conversation))
                .and(ANSWERED.QUESTION.ne(""))
                .andNotExists(DSL.selectOne()
                        .from(GAP)
                        .where(GAP.CONVERSATION_ID.eq(conversation))
                        .and(GAP.QUESTION.eq(ANSWERED.QUESTION)))
                .fetch(ANSWERED.QUESTION);
    }

    /** Dismisses these questions. */
    void dismiss(String bot, List<String> normals) {
        db.update(GAP)
                .set(GAP.DISMISSED, true)
                .where(GAP.BOT_ID.eq(bot))
                .and(GAP.NORMAL.in(normals))
                .execute();
    }

    /** Removes these questions, which are answered now. */
    void delete(String bot, List<String> normals) {
        db.deleteFrom(GAP).where(GAP.BOT_ID.eq(bot)).and(GAP.NORMAL.in(normals)).execute();
    }
}
