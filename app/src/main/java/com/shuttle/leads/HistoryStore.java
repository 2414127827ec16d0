package com.shuttle.leads;

import static com.shuttle.schema.Tables.PERSON_CONSENT;
import static com.shuttle.schema.Tables.PERSON_EVENT;
import static com.shuttle.schema.Tables.PERSON_FIELD;
import static com.shuttle.schema.Tables.PERSON_SAID;

import com.shuttle.schema.tables.records.PersonEventRecord;
import com.shuttle.web.Fit;
import com.shuttle.web.Ids;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** What was said of people and by whom, what they agreed to, and what happened to them, in the database. */
@Repository
class HistoryStore {

    private static final int LONGEST = 2000;
    private static final int LONGEST_EVENT = 4000;
    private static final int SHOWN = 200;

    private final DSLContext db;

    HistoryStore(DSLContext db) {
        this.db = db;
    }

    /** What a conversation or a person said. @param account empty where a conversation did */
    record Said(String field, String content, String conversation, String account, Instant at) {}

    /** What somebody was asked to agree to. */
    record Consent(String wording, boolean given, String channel, String page, String campaign, Instant at) {}

    void said(String person, Said said) {
        db.insertInto(PERSON_SAID)
                .set(PERSON_SAID.ID, Ids.next())
                .set(PERSON_SAID.PERSON_ID, person)
                .set(PERSON_SAID.FIELD, said.field())
                .set(PERSON_SAID.CONTENT, Fit.within(said.content(), LONGEST))
                .set(PERSON_SAID.CONVERSATION_ID, said.conversation())
                .set(PERSON_SAID.ACCOUNT_ID, said.account())
                .set(PERSON_SAID.AT, said.at())
                .execute();
    }

    /** What was said, latest first. */
    List<Said> said(String person) {
        return db.selectFrom(PERSON_SAID)
                .where(PERSON_SAID.PERSON_ID.eq(person))
                .orderBy(PERSON_SAID.AT.desc(), PERSON_SAID.ID)
                .limit(SHOWN)
                .fetch(row -> new Said(
                        row.getField(), row.getContent(), row.getConversationId(), row.getAccountId(), row.getAt()));
    }

    /** What a conversation said of a field last. */
    Optional<String> saidIn(String conversation, String field) {
        return db.select(PERSON_SAID.CONTENT)
                .from(PERSON_SAID)
                .where(PERSON_SAID.CONVERSATION_ID.eq(conversation))
                .and(PERSON_SAID.FIELD.eq(field))
                .orderBy(PERSON_SAID.AT.desc(), PERSON_SAID.ID)
                .limit(1)
                .fetchOptional(PERSON_SAID.CONTENT);
    }

    /** Whether anything is known of somebody that no conversation said. */
    boolean saidByPeople(String person) {
        return db.fetchExists(PERSON_SAID, PERSON_SAID.PERSON_ID.eq(person).and(PERSON_SAID.CONVERSATION_ID.eq("")));
    }

    void forgetSaidIn(String conversation) {
        db.deleteFrom(PERSON_SAID)
                .where(PERSON_SAID.CONVERSATION_ID.eq(conversation))
                .execute();
        db.deleteFrom(PERSON_CONSENT)
                .where(PERSON_CONSENT.CONVERSATION_ID.eq(conversation))
                .execute();
        db.deleteFrom(PERSON_EVENT)
                .where(PERSON_EVENT.CONVERSATION_ID.eq(conversation))
                .execute();
    }

    /** Values of the organisation's own fields. */
    Map<String, String> fields(String person) {
        Map<String, String> fields = new LinkedHashMap<>();
        db.select(PERSON_FIELD.FIELD, PERSON_FIELD.CONTENT)
                .from(PERSON_FIELD)
                .where(PERSON_FIELD.PERSON_ID.eq(person))
                .orderBy(PERSON_FIELD.FIELD)
                .forEach(row -> fields.put(row.value1(), row.value2()));
        return fields;
    }

    /** The same of several, by their ids. */
    Map<String, Map<String, String>> fields(List<String> people) {
        Map<String, Map<String, String>> all = new LinkedHashMap<>();
        db.selectFrom(PERSON_FIELD)
                .where(PERSON_FIELD.PERSON_ID.in(people))
                .forEach(row -> all.computeIfAbsent(row.getPersonId(), id -> new LinkedHashMap<>())
                        .put(row.getField(), row.getContent()));
        return all;
    }

    /** Keeps a value in place of the one before; an empty one is none. */
    void field(String person, String field, String content, @Nullable BigDecimal figure) {
        db.deleteFrom(PERSON_FIELD)
                .where(PERSON_FIELD.PERSON_ID.eq(person))
                .and(PERSON_FIELD.FIELD.eq(field))
                .execute();
        if (!content.isEmpty()) {
            db.insertInto(PERSON_FIELD)
                    .set(PERSON_FIELD.PERSON_ID, person)
                    .set(PERSON_FIELD.FIELD, field)
                    .set(PERSON_FIELD.CONTENT, Fit.within(content, LONGEST))
                    .set(PERSON_FIELD.FIGURE, figure)
                    .execute();
        }
    }

    void consent(String person, String conversation, Consent consent) {
        db.insertInto(PERSON_CONSENT)
                .set(PERSON_CONSENT.ID, Ids.next())
                .set(PERSON_CONSENT.PERSON_ID, person)
                .set(PERSON_CONSENT.CONVERSATION_ID, conversation)
                .set(PERSON_CONSENT.WORDING, Fit.within(consent.wording(), LONGEST))
                .set(PERSON_CONSENT.GIVEN, consent.given())
                .set(PERSON_CONSENT.CHANNEL, consent.channel())
                .set(PERSON_CONSENT.PAGE, consent.page())
                .set(PERSON_CONSENT.CAMPAIGN, Fit.within(consent.campaign(), 300))
                .set(PERSON_CONSENT.AT, consent.at())
                .execute();
    }

    /** What somebody was asked in any conversation, latest first. */
    List<Consent> consents(String person) {
        return consents(PERSON_CONSENT.PERSON_ID.eq(person));
    }

    /** What a conversation asked for last. */
    Optional<Consent> consentIn(String conversation) {
        return consents(PERSON_CONSENT.CONVERSATION_ID.eq(conversation)).stream()
                .findFirst();
    }

    private List<Consent> consents(Condition which) {
        return db.selectFrom(PERSON_CONSENT)
                .where(which)
                .orderBy(PERSON_CONSENT.AT.desc(), PERSON_CONSENT.ID)
                .fetch(row -> new Consent(
                        row.getWording(),
                        row.getGiven(),
                        row.getChannel(),
                        row.getPage(),
                        row.getCampaign(),
                        row.getAt()));
    }

    void happened(PersonEvent event) {
        db.insertInto(PERSON_EVENT)
                .set(PERSON_EVENT.ID, event.id())
                .set(PERSON_EVENT.PERSON_ID, event.person())
                .set(PERSON_EVENT.KIND, event.kind().key())
                .set(PERSON_EVENT.WORDS, Fit.within(event.words(), LONGEST_EVENT))
                .set(PERSON_EVENT.ACCOUNT_ID, event.account())
                .set(PERSON_EVENT.CONVERSATION_ID, event.conversation())
                .set(PERSON_EVENT.UNDO, event.undo())
                .set(PERSON_EVENT.AT, event.at())
                .execute();
    }

    /** Latest first. */
    List<PersonEvent> events(String person) {
        return db.selectFrom(PERSON_EVENT)
                .where(PERSON_EVENT.PERSON_ID.eq(person))
                .orderBy(PERSON_EVENT.AT.desc(), PERSON_EVENT.ID)
                .limit(SHOWN)
                .fetch(HistoryStore::event);
    }

    Optional<PersonEvent> event(String id) {
        return db.selectFrom(PERSON_EVENT).where(PERSON_EVENT.ID.eq(id)).fetchOptional(HistoryStore::event);
    }

    /** Notes that something was undone: it cannot be again. @return whether it could be */
    boolean undone(String id) {
        return db.update(PERSON_EVENT)
                        .setNull(PERSON_EVENT.UNDO)
                        .where(PERSON_EVENT.ID.eq(id))
                        .and(PERSON_EVENT.UNDO.isNotNull())
                        .execute()
                == 1;
    }

    private static PersonEvent event(PersonEventRecord row) {
        return new PersonEvent(
                row.getId(),
                row.getPersonId(),
                PersonEvent.Kind.of(row.getKind()),
                row.getWords(),
                row.getAccountId(),
                row.getConversationId(),
                row.getUndo(),
                row.getAt());
    }
}
