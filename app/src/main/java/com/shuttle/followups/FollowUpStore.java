package com.shuttle.followups;

import static com.shuttle.schema.Tables.FOLLOW_UP;
import static com.shuttle.schema.Tables.FOLLOW_UP_LOG;
import static com.shuttle.schema.Tables.FOLLOW_UP_RUN;
import static com.shuttle.schema.Tables.PERSON;

import com.shuttle.followups.FollowUp.Begins;
import com.shuttle.followups.FollowUp.Stage;
import com.shuttle.schema.tables.records.FollowUpRecord;
import com.shuttle.web.Fit;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Follow-ups, who is followed up and what was sent, in the database. */
@Repository
class FollowUpStore {

    private final DSLContext db;

    FollowUpStore(DSLContext db) {
        this.db = db;
    }

    /** How far somebody has come. @param stage that is due next, from nought */
    record Run(String followUp, String person, String conversation, int stage, Instant dueAt, Instant enteredAt) {}

    /** What was done about somebody, or not. @param called what to call them */
    record Logged(String person, String called, int stage, String what, String words, String notice, Instant at) {}

    List<FollowUp> all() {
        return db.selectFrom(FOLLOW_UP)
                .where(FOLLOW_UP.DELETED_AT.isNull())
                .orderBy(FOLLOW_UP.NAME, FOLLOW_UP.ID)
                .fetch(FollowUpStore::followUp);
    }

    Optional<FollowUp> find(String id) {
        return db.selectFrom(FOLLOW_UP)
                .where(FOLLOW_UP.ID.eq(id))
                .and(FOLLOW_UP.DELETED_AT.isNull())
                .fetchOptional(FollowUpStore::followUp);
    }

    void insert(FollowUp one, Instant at) {
        FollowUpRecord row = db.newRecord(FOLLOW_UP);
        fill(row, one, at);
        row.insert();
    }

    void update(FollowUp one, Instant at) {
        FollowUpRecord row = db.newRecord(FOLLOW_UP);
        fill(row, one, at);
        db.update(FOLLOW_UP).set(row).where(FOLLOW_UP.ID.eq(one.id())).execute();
    }

    /** Deletes a follow-up; whoever waits for it is followed up no more. */
    void delete(String id, Instant at) {
        db.update(FOLLOW_UP)
                .set(FOLLOW_UP.DELETED_AT, at)
                .setNull(FOLLOW_UP.ACTIVE_SINCE)
                .where(FOLLOW_UP.ID.eq(id))
                .execute();
    }

    private static void fill(FollowUpRecord row, FollowUp one, Instant at) {
        row.setId(one.id());
        row.setName(one.name());
        row.setBegins(one.begins().key());
        row.setOfWhat(one.of());
        row.setStages(Json.write(one.stages()));
        row.setMostADay(one.mostADay());
        row.setHours(Json.write(one.hours()));
        row.setZone(one.zone());
        row.setReplyTo(one.replyTo());
        row.setActiveSince(one.activeSince());
        row.setChangedAt(at);
    }

    private static FollowUp followUp(FollowUpRecord row) {
        return new FollowUp(
                row.getId(),
                row.getName(),
                Begins.of(row.getBegins()),
                row.getOfWhat(),
                Json.readAll(row.getStages(), Stage.class),
                row.getMostADay(),
                Json.texts(row.getHours()),
                row.getZone(),
                row.getReplyTo(),
                row.getActiveSince());
    }

    /** Lets somebody be followed up, unless they were already. */
    void enter(Run run, String state) {
        db.insertInto(FOLLOW_UP_RUN)
                .set(FOLLOW_UP_RUN.FOLLOW_UP_ID, run.followUp())
                .set(FOLLOW_UP_RUN.PERSON_ID, run.person())
                .set(FOLLOW_UP_RUN.CONVERSATION_ID, run.conversation())
                .set(FOLLOW_UP_RUN.STAGE, run.stage())
                .set(FOLLOW_UP_RUN.STATE, state)
                .set(FOLLOW_UP_RUN.DUE_AT, run.dueAt())
                .set(FOLLOW_UP_RUN.ENTERED_AT, run.enteredAt())
                .onDuplicateKeyIgnore()
                .execute();
    }

    /** Whether somebody is or was followed up by this. */
    boolean entered(String followUp, String person) {
        return db.fetchExists(
                FOLLOW_UP_RUN, FOLLOW_UP_RUN.FOLLOW_UP_ID.eq(followUp).and(FOLLOW_UP_RUN.PERSON_ID.eq(person)));
    }

    /** Some of those whose next stage is due, soonest first. They are locked, so that no other server takes them too. */
    List<Run> due(String followUp, Instant now, int most) {
        return db.selectFrom(FOLLOW_UP_RUN)
                .where(FOLLOW_UP_RUN.STATE.eq("waiting"))
                .and(FOLLOW_UP_RUN.FOLLOW_UP_ID.eq(followUp))
                .and(FOLLOW_UP_RUN.DUE_AT.le(now))
                .orderBy(FOLLOW_UP_RUN.DUE_AT, FOLLOW_UP_RUN.PERSON_ID)
                .limit(most)
                .forUpdate()
                .fetch(row -> new Run(
                        row.getFollowUpId(),
                        row.getPersonId(),
                        row.getConversationId(),
                        row.getStage(),
                        row.getDueAt(),
                        row.getEnteredAt()));
    }

    /** Moves somebody on, where they still stand at a stage. @param state {@code waiting}, {@code done} or {@code stopped} */
    void move(Run run, int stage, String state, Instant dueAt) {
        db.update(FOLLOW_UP_RUN)
                .set(FOLLOW_UP_RUN.STAGE, stage)
                .set(FOLLOW_UP_RUN.STATE, state)
                .set(FOLLOW_UP_RUN.DUE_AT, dueAt)
                .where(FOLLOW_UP_RUN.FOLLOW_UP_ID.eq(run.followUp()))
                .and(FOLLOW_UP_RUN.PERSON_ID.eq(run.person()))
                .execute();
    }

    void log(String followUp, String person, int stage, String what, String words, String notice, Instant at) {
        db.insertInto(FOLLOW_UP_LOG)
                .set(FOLLOW_UP_LOG.ID, Ids.next())
                .set(FOLLOW_UP_LOG.FOLLOW_UP_ID, followUp)
                .set(FOLLOW_UP_LOG.PERSON_ID, person)
                .set(FOLLOW_UP_LOG.STAGE, stage)
                .set(FOLLOW_UP_LOG.WHAT, what)
                .set(FOLLOW_UP_LOG.WORDS, Fit.within(words, 500))
                .set(FOLLOW_UP_LOG.NOTICE_ID, notice)
                .set(FOLLOW_UP_LOG.AT, at)
                .execute();
    }

    /** Latest first. @param wanted filtered by {@code what} */
    Page<Logged> logged(String followUp, Wanted wanted) {
        Condition condition = FOLLOW_UP_LOG.FOLLOW_UP_ID.eq(followUp);
        condition = wanted.filter("what").isEmpty()
                ? condition
                : condition.and(FOLLOW_UP_LOG.WHAT.eq(wanted.filter("what")));
        List<Logged> found = db.select(FOLLOW_UP_LOG.fields())
                .select(PERSON.NAME_KEY, PERSON.NAME)
                .from(FOLLOW_UP_LOG)
                .join(PERSON)
                .on(PERSON.ID.eq(FOLLOW_UP_LOG.PERSON_ID))
                .where(condition)
                .orderBy(FOLLOW_UP_LOG.AT.desc(), FOLLOW_UP_LOG.ID)
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(row -> new Logged(
                        row.get(FOLLOW_UP_LOG.PERSON_ID),
                        row.get(PERSON.NAME).isEmpty() ? row.get(PERSON.NAME_KEY) : row.get(PERSON.NAME),
                        row.get(FOLLOW_UP_LOG.STAGE),
                        row.get(FOLLOW_UP_LOG.WHAT),
                        row.get(FOLLOW_UP_LOG.WORDS),
                        row.get(FOLLOW_UP_LOG.NOTICE_ID),
                        row.get(FOLLOW_UP_LOG.AT)));
        return Page.of(found, wanted.page(), db.fetchCount(FOLLOW_UP_LOG, condition));
    }

    /** How many things went out since a moment. */
    int sentSince(String followUp, Instant since) {
        return db.fetchCount(
                FOLLOW_UP_LOG,
                FOLLOW_UP_LOG
                        .FOLLOW_UP_ID
                        .eq(followUp)
                        .and(FOLLOW_UP_LOG.WHAT.eq("sent"))
                        .and(FOLLOW_UP_LOG.AT.ge(since)));
    }

    /** How many are in each state, and how much was sent in all. */
    Figures figures(String followUp) {
        return new Figures(
                in(followUp, "waiting"),
                in(followUp, "done"),
                in(followUp, "stopped"),
                sentSince(followUp, Instant.EPOCH));
    }

    /** How a follow-up goes. */
    record Figures(int waiting, int done, int stopped, int sent) {}

    private int in(String followUp, String state) {
        return db.fetchCount(
                FOLLOW_UP_RUN, FOLLOW_UP_RUN.FOLLOW_UP_ID.eq(followUp).and(FOLLOW_UP_RUN.STATE.eq(state)));
    }

    /** Mails sent since a moment to people who are still written to. */
    List<String> noticesSince(Instant since) {
        return db.select(FOLLOW_UP_LOG.NOTICE_ID)
                .from(FOLLOW_UP_LOG)
                .join(PERSON)
                .on(PERSON.ID.eq(FOLLOW_UP_LOG.PERSON_ID))
                .where(FOLLOW_UP_LOG.NOTICE_ID.ne(""))
                .and(FOLLOW_UP_LOG.AT.ge(since))
                .and(PERSON.STOPPED_AT.isNull())
                .fetch(FOLLOW_UP_LOG.NOTICE_ID);
    }

    /** When somebody was entered last before a moment; null for never. */
    @Nullable
    Instant lastEntered(String followUp) {
        return db.select(DSL.max(FOLLOW_UP_RUN.ENTERED_AT))
                .from(FOLLOW_UP_RUN)
                .where(FOLLOW_UP_RUN.FOLLOW_UP_ID.eq(followUp))
                .fetchOne(0, Instant.class);
    }
}
