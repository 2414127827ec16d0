package com.shuttle.leads;

import static com.shuttle.schema.Tables.LEAD_TASK;
import static com.shuttle.schema.Tables.PERSON_CONSENT;
import static com.shuttle.schema.Tables.PERSON_CONVERSATION;
import static com.shuttle.schema.Tables.PERSON_EVENT;
import static com.shuttle.schema.Tables.PERSON_SAID;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.Table;
import org.jooq.TableField;
import org.springframework.stereotype.Repository;

/** Gives what hangs on one person to another, and back, in the database. */
@Repository
class MergeStore {

    /** A table of rows that belong to a person. */
    private record Owned<R extends Record>(Table<R> table, TableField<R, String> id, TableField<R, String> person) {}

    private static final List<Owned<?>> OWNED = List.of(
            new Owned<>(PERSON_SAID, PERSON_SAID.ID, PERSON_SAID.PERSON_ID),
            new Owned<>(PERSON_CONSENT, PERSON_CONSENT.ID, PERSON_CONSENT.PERSON_ID),
            new Owned<>(PERSON_EVENT, PERSON_EVENT.ID, PERSON_EVENT.PERSON_ID),
            new Owned<>(LEAD_TASK, LEAD_TASK.ID, LEAD_TASK.PERSON_ID),
            new Owned<>(PERSON_CONVERSATION, PERSON_CONVERSATION.CONVERSATION_ID, PERSON_CONVERSATION.PERSON_ID));

    private final DSLContext db;

    MergeStore(DSLContext db) {
        this.db = db;
    }

    /** @return ids of what was given, by table, so that it can be given back */
    Map<String, List<String>> give(String from, String to) {
        Map<String, List<String>> given = new LinkedHashMap<>();
        for (Owned<?> owned : OWNED) {
            given.put(owned.table().getName(), give(owned, from, to));
        }
        return given;
    }

    private <R extends Record> List<String> give(Owned<R> owned, String from, String to) {
        List<String> ids = db.select(owned.id())
                .from(owned.table())
                .where(owned.person().eq(from))
                .fetch(owned.id());
        db.update(owned.table())
                .set(owned.person(), to)
                .where(owned.person().eq(from))
                .execute();
        return ids;
    }

    /** Gives back what is still there. @param given as {@link #give} told it */
    void giveBack(Map<String, List<String>> given, String to) {
        for (Owned<?> owned : OWNED) {
            giveBack(owned, given.getOrDefault(owned.table().getName(), List.of()), to);
        }
    }

    private <R extends Record> void giveBack(Owned<R> owned, List<String> ids, String to) {
        db.update(owned.table())
                .set(owned.person(), to)
                .where(owned.id().in(ids))
                .execute();
    }
}
