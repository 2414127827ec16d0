package com.shuttle.chat;

import static com.shuttle.schema.Tables.CONVERSATION_NOTE;
import static com.shuttle.schema.Tables.MILESTONE;
import static com.shuttle.schema.Tables.RATING;
import static com.shuttle.schema.Tables.UPLOAD;
import static com.shuttle.schema.Tables.VISITOR_VALUE;

import com.shuttle.core.reading.Value;
import com.shuttle.web.Fit;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** What conversations leave behind, in the database. */
@Repository
class OutcomeStore {

    private final DSLContext db;

    OutcomeStore(DSLContext db) {
        this.db = db;
    }

    /** Keeps a visitor's value in place of the one before; null forgets it. */
    void remember(String bot, String visitor, String variable, @Nullable Value value, Instant at) {
        db.deleteFrom(VISITOR_VALUE)
                .where(VISITOR_VALUE.BOT_ID.eq(bot))
                .and(VISITOR_VALUE.VISITOR.eq(visitor))
                .and(VISITOR_VALUE.VARIABLE.eq(variable))
                .execute();
        if (value != null) {
            db.insertInto(VISITOR_VALUE)
                    .columns(
                            VISITOR_VALUE.BOT_ID,
                            VISITOR_VALUE.VISITOR,
                            VISITOR_VALUE.VARIABLE,
                            VISITOR_VALUE.CONTENT,
                            VISITOR_VALUE.AT)
                    .values(bot, visitor, variable, Json.write(value), at)
                    .execute();
        }
    }

    /** Forgets all that is remembered of a visitor. */
    void forget(String bot, String visitor) {
        db.deleteFrom(VISITOR_VALUE)
                .where(VISITOR_VALUE.BOT_ID.eq(bot))
                .and(VISITOR_VALUE.VISITOR.eq(visitor))
                .execute();
    }

    Map<String, Value> remembered(String bot, String visitor) {
        Map<String, Value> values = new LinkedHashMap<>();
        db.select(VISITOR_VALUE.VARIABLE, VISITOR_VALUE.CONTENT)
                .from(VISITOR_VALUE)
                .where(VISITOR_VALUE.BOT_ID.eq(bot))
                .and(VISITOR_VALUE.VISITOR.eq(visitor))
                .orderBy(VISITOR_VALUE.VARIABLE)
                .forEach(row -> values.put(row.value1(), Json.read(row.value2(), Value.class)));
        return values;
    }

    /** What a milestone can be worth at the most; a computed value may be anything. */
    private static final BigDecimal MOST_WORTH = new BigDecimal("999999999999");

    void reach(Conversation conversation, String name, BigDecimal worth, Instant at) {
        db.insertInto(MILESTONE)
                .columns(
                        MILESTONE.ID,
                        MILESTONE.BOT_ID,
                        MILESTONE.CONVERSATION_ID,
                        MILESTONE.NAME,
                        MILESTONE.WORTH,
                        MILESTONE.AT)
                .values(
                        Ids.next(),
                        conversation.bot(),
                        conversation.id(),
                        name,
                        worth.min(MOST_WORTH).max(MOST_WORTH.negate()),
                        at)
                .execute();
    }

    /** Names of the milestones a conversation reached, in order. */
    List<String> milestones(String conversation) {
        return db.select(MILESTONE.NAME)
                .from(MILESTONE)
                .where(MILESTONE.CONVERSATION_ID.eq(conversation))
                .orderBy(MILESTONE.AT, MILESTONE.ID)
                .fetch(MILESTONE.NAME);
    }

    /** Keeps a rating in place of the one before. */
    void rate(String conversation, int stars, String remark, Instant at) {
        db.deleteFrom(RATING).where(RATING.CONVERSATION_ID.eq(conversation)).execute();
        db.insertInto(RATING)
                .columns(RATING.CONVERSATION_ID, RATING.STARS, RATING.REMARK, RATING.AT)
                .values(
                        conversation,
                        stars,
                        Fit.within(remark, RATING.REMARK.getDataType().length()),
                        at)
                .execute();
    }

    Optional<Aftermath.Rating> rating(String conversation) {
        return db.select(RATING.STARS, RATING.REMARK)
                .from(RATING)
                .where(RATING.CONVERSATION_ID.eq(conversation))
                .fetchOptional(row -> new Aftermath.Rating(row.value1(), row.value2()));
    }

    /** Adds a line for whoever takes the conversation. */
    void note(String conversation, String text, Instant at) {
        db.insertInto(CONVERSATION_NOTE)
                .columns(
                        CONVERSATION_NOTE.CONVERSATION_ID,
                        CONVERSATION_NOTE.ORDINAL,
                        CONVERSATION_NOTE.TEXT,
                        CONVERSATION_NOTE.AT)
                .values(
                        conversation,
                        db.fetchCount(CONVERSATION_NOTE, CONVERSATION_NOTE.CONVERSATION_ID.eq(conversation)),
                        Fit.within(text, CONVERSATION_NOTE.TEXT.getDataType().length()),
                        at)
                .execute();
    }

    /** The lines for whoever takes a conversation, in order. */
    List<String> notes(String conversation) {
        return db.select(CONVERSATION_NOTE.TEXT)
                .from(CONVERSATION_NOTE)
                .where(CONVERSATION_NOTE.CONVERSATION_ID.eq(conversation))
                .orderBy(CONVERSATION_NOTE.ORDINAL)
                .fetch(CONVERSATION_NOTE.TEXT);
    }

    void insertUpload(String id, String conversation, String name, long size, Instant at) {
        db.insertInto(UPLOAD)
                .columns(UPLOAD.ID, UPLOAD.CONVERSATION_ID, UPLOAD.NAME, UPLOAD.SIZE, UPLOAD.AT)
                .values(id, conversation, name, size, at)
                .execute();
    }

    /** A file's name by its id. */
    Optional<String> uploadName(String id) {
        return db.select(UPLOAD.NAME).from(UPLOAD).where(UPLOAD.ID.eq(id)).fetchOptional(UPLOAD.NAME);
    }

    /** The files of a conversation: id to name, in the order they were sent. */
    Map<String, String> uploads(String conversation) {
        Map<String, String> files = new LinkedHashMap<>();
        db.select(UPLOAD.ID, UPLOAD.NAME)
                .from(UPLOAD)
                .where(UPLOAD.CONVERSATION_ID.eq(conversation))
                .orderBy(UPLOAD.AT, UPLOAD.ID)
                .forEach(row -> files.put(row.value1(), row.value2()));
        return files;
    }

    int uploadCount(String conversation) {
        return db.fetchCount(UPLOAD, UPLOAD.CONVERSATION_ID.eq(conversation));
    }
}
