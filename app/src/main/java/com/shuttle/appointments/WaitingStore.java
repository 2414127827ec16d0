package com.shuttle.appointments;

import static com.shuttle.schema.Tables.WAITING;

import com.shuttle.web.Ids;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Who waits for a time to fall free, in the database. */
@Repository
class WaitingStore {

    private final DSLContext db;

    WaitingStore(DSLContext db) {
        this.db = db;
    }

    /** Somebody who waits. */
    record Waiting(String id, String kind, Party party) {}

    void insert(String kind, Party party, Instant at) {
        db.insertInto(WAITING)
                .set(WAITING.ID, Ids.next())
                .set(WAITING.KIND_ID, kind)
                .set(WAITING.PARTY, party.many())
                .set(WAITING.NAME, party.name())
                .set(WAITING.EMAIL, party.email())
                .set(WAITING.ZONE, party.zone())
                .set(WAITING.CONVERSATION_ID, party.conversation())
                .set(WAITING.MADE_AT, at)
                .execute();
    }

    /** Whether this address waits for a kind already. */
    boolean waits(String kind, String email) {
        return db.fetchExists(WAITING, WAITING.KIND_ID.eq(kind), WAITING.EMAIL.eq(email), WAITING.BOOKING_ID.isNull());
    }

    /** All who were offered nothing yet, in the order in which they asked. */
    List<Waiting> all() {
        return db.selectFrom(WAITING)
                .where(WAITING.BOOKING_ID.isNull())
                .orderBy(WAITING.MADE_AT, WAITING.ID)
                .fetch(row -> new Waiting(
                        row.getId(),
                        row.getKindId(),
                        new Party(
                                row.getParty(),
                                "",
                                row.getName(),
                                row.getEmail(),
                                "",
                                "",
                                row.getZone(),
                                row.getConversationId(),
                                "waiting " + row.getId())));
    }

    /** How many wait, by the kinds' ids. */
    Map<String, Integer> counts() {
        return db.select(WAITING.KIND_ID, DSL.count())
                .from(WAITING)
                .where(WAITING.BOOKING_ID.isNull())
                .groupBy(WAITING.KIND_ID)
                .fetchMap(WAITING.KIND_ID, row -> row.value2());
    }

    void offered(String id, String booking) {
        db.update(WAITING)
                .set(WAITING.BOOKING_ID, booking)
                .where(WAITING.ID.eq(id))
                .execute();
    }

    void deleteOf(String conversation) {
        db.deleteFrom(WAITING).where(WAITING.CONVERSATION_ID.eq(conversation)).execute();
    }
}
