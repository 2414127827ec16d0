package com.shuttle.panel;

import static com.shuttle.schema.Tables.CONVERSATION_EVENT;
import static com.shuttle.schema.Tables.CUE_CONVERSATION;
import static com.shuttle.schema.Tables.CUE_COUNT;
import static com.shuttle.schema.Tables.MILESTONE;

import java.util.HashMap;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** What cues brought, in the database. */
@Repository
class CueStore {

    private final DSLContext db;

    CueStore(DSLContext db) {
        this.db = db;
    }

    void count(String bot, String cue, String what) {
        db.insertInto(CUE_COUNT)
                .set(CUE_COUNT.BOT_ID, bot)
                .set(CUE_COUNT.CUE_ID, cue)
                .set(CUE_COUNT.WHAT, what)
                .set(CUE_COUNT.MANY, 1)
                .onDuplicateKeyUpdate()
                .set(CUE_COUNT.MANY, CUE_COUNT.MANY.plus(1))
                .execute();
    }

    void began(String conversation, String bot, String cue) {
        db.insertInto(CUE_CONVERSATION)
                .set(CUE_CONVERSATION.CONVERSATION_ID, conversation)
                .set(CUE_CONVERSATION.BOT_ID, bot)
                .set(CUE_CONVERSATION.CUE_ID, cue)
                .onDuplicateKeyIgnore()
                .execute();
    }

    /** By the cues' ids. */
    Map<String, Brought> brought(String bot) {
        Map<String, Map<String, Integer>> counts = new HashMap<>();
        db.selectFrom(CUE_COUNT)
                .where(CUE_COUNT.BOT_ID.eq(bot))
                .forEach(row -> counts.computeIfAbsent(row.getCueId(), id -> new HashMap<>())
                        .put(row.getWhat(), row.getMany()));
        // Whoever answered has a second turn: the first is the conversation's beginning.
        var answered = DSL.count(DSL.when(
                DSL.exists(DSL.selectOne()
                        .from(CONVERSATION_EVENT)
                        .where(CONVERSATION_EVENT.CONVERSATION_ID.eq(CUE_CONVERSATION.CONVERSATION_ID))
                        .and(CONVERSATION_EVENT.ORDINAL.gt(0))),
                1));
        var reached = DSL.count(DSL.when(
                DSL.exists(DSL.selectOne()
                        .from(MILESTONE)
                        .where(MILESTONE.CONVERSATION_ID.eq(CUE_CONVERSATION.CONVERSATION_ID))),
                1));
        db.select(CUE_CONVERSATION.CUE_ID, answered, reached)
                .from(CUE_CONVERSATION)
                .where(CUE_CONVERSATION.BOT_ID.eq(bot))
                .groupBy(CUE_CONVERSATION.CUE_ID)
                .forEach(row -> {
                    Map<String, Integer> of = counts.computeIfAbsent(row.value1(), id -> new HashMap<>());
                    of.put("answered", row.value2());
                    of.put("reached", row.value3());
                });
        Map<String, Brought> brought = new HashMap<>();
        counts.forEach((cue, of) -> brought.put(
                cue,
                new Brought(
                        of.getOrDefault("shown", 0),
                        of.getOrDefault("opened", 0),
                        of.getOrDefault("answered", 0),
                        of.getOrDefault("reached", 0))));
        return brought;
    }
}
