package com.shuttle.followups;

import static com.shuttle.schema.Tables.BOOKING;
import static com.shuttle.schema.Tables.CONVERSATION;
import static com.shuttle.schema.Tables.MESSAGE;
import static com.shuttle.schema.Tables.MILESTONE;
import static com.shuttle.schema.Tables.PERSON_CONVERSATION;
import static com.shuttle.schema.Tables.PERSON_EVENT;

import com.shuttle.core.followup.Standing;
import com.shuttle.leads.Person;
import java.time.Instant;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** What people did after they were entered, and who is to be entered, from the database. */
@Repository
class StandingStore {

    private final DSLContext db;

    StandingStore(DSLContext db) {
        this.db = db;
    }

    /** What is known of somebody since a moment. */
    Standing of(Person person, Instant since) {
        return new Standing(
                since,
                !person.email().isEmpty(),
                person.agreedAt(),
                person.stoppedAt(),
                person.stoppedWhy().equals("bounced"),
                answered(person.id(), since),
                booked(person, since),
                moved(person.id(), since));
    }

    private @Nullable Instant answered(String person, Instant since) {
        return db.select(DSL.min(MESSAGE.AT))
                .from(PERSON_CONVERSATION)
                .join(MESSAGE)
                .on(MESSAGE.CONVERSATION_ID.eq(PERSON_CONVERSATION.CONVERSATION_ID))
                .join(CONVERSATION)
                .on(CONVERSATION.ID.eq(PERSON_CONVERSATION.CONVERSATION_ID))
                .where(PERSON_CONVERSATION.PERSON_ID.eq(person))
                .and(CONVERSATION.LAST_AT.gt(since))
                .and(MESSAGE.SENDER.eq("visitor"))
                .and(MESSAGE.AT.gt(since))
                .fetchOne(0, Instant.class);
    }

    private @Nullable Instant booked(Person person, Instant since) {
        if (person.email().isEmpty()) {
            return null;
        }
        return db.select(DSL.min(BOOKING.MADE_AT))
                .from(BOOKING)
                .where(DSL.lower(BOOKING.EMAIL).eq(person.email()))
                .and(BOOKING.STATE.in("booked", "done"))
                .and(BOOKING.MADE_AT.gt(since))
                .fetchOne(0, Instant.class);
    }

    private @Nullable Instant moved(String person, Instant since) {
        return db.select(DSL.min(PERSON_EVENT.AT))
                .from(PERSON_EVENT)
                .where(PERSON_EVENT.PERSON_ID.eq(person))
                .and(PERSON_EVENT.KIND.eq("state"))
                .and(PERSON_EVENT.AT.gt(since))
                .fetchOne(0, Instant.class);
    }

    /** Somebody who begins to be followed up. */
    record Entering(String person, String conversation, Instant at) {}

    /** Who reached a milestone in a span of time. */
    List<Entering> reached(String milestone, Instant from, Instant until) {
        return db.select(PERSON_CONVERSATION.PERSON_ID, PERSON_CONVERSATION.CONVERSATION_ID, MILESTONE.AT)
                .from(MILESTONE)
                .join(PERSON_CONVERSATION)
                .on(PERSON_CONVERSATION.CONVERSATION_ID.eq(MILESTONE.CONVERSATION_ID))
                .where(MILESTONE.NAME.eq(milestone))
                .and(MILESTONE.AT.ge(from))
                .and(MILESTONE.AT.lt(until))
                .orderBy(MILESTONE.AT, MILESTONE.ID)
                .fetch(row -> new Entering(row.value1(), row.value2(), row.value3()));
    }

    /** Conversations with a bot whose last word fell in a span of time and that nobody has closed. */
    List<String> silentSince(String bot, Instant from, Instant until, int most) {
        return db.select(CONVERSATION.ID)
                .from(CONVERSATION)
                .where(CONVERSATION.BOT_ID.eq(bot))
                .and(CONVERSATION.SPEAKER.eq("bot"))
                .and(CONVERSATION.LAST_AT.ge(from))
                .and(CONVERSATION.LAST_AT.lt(until))
                .orderBy(CONVERSATION.LAST_AT, CONVERSATION.ID)
                .limit(most)
                .fetch(CONVERSATION.ID);
    }
}
