package com.shuttle.chat;

import static com.shuttle.schema.Tables.CONVERSATION;
import static com.shuttle.schema.Tables.CONVERSATION_EVENT;
import static com.shuttle.schema.Tables.ERRAND;
import static com.shuttle.schema.Tables.MESSAGE;

import com.shuttle.core.conversation.Errand;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Reads;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.TraceLine;
import com.shuttle.core.conversation.Way;
import com.shuttle.schema.tables.records.ConversationRecord;
import com.shuttle.web.Json;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record1;
import org.jooq.Select;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Conversations, their events and messages in the database. */
@Repository
class ConversationStore {

    /** So many conversations are told that their bot is gone. */
    private static final int MOST_OPEN = 1000;

    private final DSLContext db;

    ConversationStore(DSLContext db) {
        this.db = db;
    }

    /**
     * A stored event with what its turn read and came to.
     *
     * @param engine version that took it
     */
    record Stored(
            Event event, List<Reads.Read> reads, List<TraceLine> working, List<Way> way, int engine, Instant at) {}

    Optional<Conversation> find(String id) {
        return db.selectFrom(CONVERSATION).where(CONVERSATION.ID.eq(id)).fetchOptional(ConversationStore::conversation);
    }

    Optional<String> tokenHash(String id) {
        return db.select(CONVERSATION.TOKEN_HASH)
                .from(CONVERSATION)
                .where(CONVERSATION.ID.eq(id))
                .fetchOptional(CONVERSATION.TOKEN_HASH);
    }

    Optional<State> state(String id) {
        return db.select(CONVERSATION.STATE)
                .from(CONVERSATION)
                .where(CONVERSATION.ID.eq(id))
                .fetchOptional(row -> Json.read(row.value1(), State.class));
    }

    /** The reply that was given to a client message, if it was taken before. */
    Optional<Reply> replyTo(String conversation, String clientMessageId, Speaker speaker) {
        return db.select(CONVERSATION_EVENT.FIRST_SEQ, CONVERSATION_EVENT.LAST_SEQ, CONVERSATION_EVENT.AWAITING)
                .from(CONVERSATION_EVENT)
                .where(CONVERSATION_EVENT.CONVERSATION_ID.eq(conversation))
                .and(CONVERSATION_EVENT.CLIENT_MESSAGE_ID.eq(clientMessageId))
                .and(CONVERSATION_EVENT.ORDINAL.lt(told(CONVERSATION.EVENTS, conversation)))
                .fetchOptional(row -> new Reply(
                        row.value2(),
                        lines(conversation, row.value1() - 1, row.value2()).stream()
                                .map(Line::message)
                                .filter(message -> message.from() != Message.From.VISITOR)
                                .toList(),
                        row.value3() == null ? null : Json.read(row.value3(), Prompt.class),
                        speaker));
    }

    /** Messages after one and up to another, in order. */
    List<Line> lines(String conversation, long after, long upTo) {
        return db.selectFrom(MESSAGE)
                .where(MESSAGE.CONVERSATION_ID.eq(conversation))
                .and(MESSAGE.SEQ.gt(after))
                .and(MESSAGE.SEQ.le(upTo))
                .and(MESSAGE.SEQ.le(told(CONVERSATION.SEQ, conversation)))
                .orderBy(MESSAGE.SEQ)
                .fetch(row -> new Line(
                        new Message(
                                row.getSeq(),
                                Message.From.of(row.getSender()),
                                row.getText(),
                                row.getAuthor(),
                                row.getOptions() == null
                                        ? List.of()
                                        : Json.readAll(row.getOptions(), Message.Offer.class),
                                row.getLook() == null ? null : Json.read(row.getLook(), Message.Look.class)),
                        row.getAt()));
    }

    /** What the conversation's own row says; rows beyond it are the rest of a turn that was never finished. */
    private <T> Select<Record1<T>> told(Field<T> column, String conversation) {
        return db.select(column).from(CONVERSATION).where(CONVERSATION.ID.eq(conversation));
    }

    /** In the order they happened. */
    List<Stored> events(String conversation) {
        return db.selectFrom(CONVERSATION_EVENT)
                .where(CONVERSATION_EVENT.CONVERSATION_ID.eq(conversation))
                .and(CONVERSATION_EVENT.ORDINAL.lt(told(CONVERSATION.EVENTS, conversation)))
                .orderBy(CONVERSATION_EVENT.ORDINAL)
                .fetch(row -> new Stored(
                        Json.read(row.getEvent(), Event.class),
                        Json.readAll(row.getReads(), Reads.Read.class),
                        Json.readAll(row.getWorking(), TraceLine.class),
                        Json.readAll(row.getWay(), Way.class),
                        row.getEngine(),
                        row.getAt()));
    }

    // Errands

    void insertErrand(String conversation, Errands.UnderWay underWay) {
        db.insertInto(ERRAND)
                .columns(
                        ERRAND.CONVERSATION_ID,
                        ERRAND.ERRAND_KEY,
                        ERRAND.ERRAND_,
                        ERRAND.SECONDS,
                        ERRAND.ATTEMPTS,
                        ERRAND.UNTIL_AT)
                .values(
                        conversation,
                        underWay.errand().key(),
                        Json.writeAs(underWay.errand(), Errand.class),
                        underWay.seconds(),
                        underWay.attempts(),
                        underWay.until())
                .execute();
    }

    Optional<Errands.UnderWay> errand(String conversation, String key) {
        return db.selectFrom(ERRAND)
                .where(ERRAND.CONVERSATION_ID.eq(conversation))
                .and(ERRAND.ERRAND_KEY.eq(key))
                .fetchOptional(row -> new Errands.UnderWay(
                        Json.read(row.getErrand(), Errand.class),
                        row.getSeconds(),
                        row.getAttempts(),
                        row.getUntilAt()));
    }

    void errandTried(String conversation, String key, int attempts) {
        db.update(ERRAND)
                .set(ERRAND.ATTEMPTS, attempts)
                .where(ERRAND.CONVERSATION_ID.eq(conversation))
                .and(ERRAND.ERRAND_KEY.eq(key))
                .execute();
    }

    void deleteErrand(String conversation, String key) {
        db.deleteFrom(ERRAND)
                .where(ERRAND.CONVERSATION_ID.eq(conversation))
                .and(ERRAND.ERRAND_KEY.eq(key))
                .execute();
    }

    // Lists

    /** Conversations of old, whose columns for lists are still empty. */
    List<String> withoutColumns() {
        return db.select(CONVERSATION.ID)
                .from(CONVERSATION)
                .where(CONVERSATION.CHANNEL.eq(""))
                .fetch(CONVERSATION.ID);
    }

    void fillColumns(String id, String channel, String page, String named, String lastWords) {
        db.update(CONVERSATION)
                .set(CONVERSATION.CHANNEL, channel)
                .set(CONVERSATION.PAGE, page)
                .set(CONVERSATION.VISITOR_NAME, named)
                .set(CONVERSATION.LAST_WORDS, lastWords)
                .where(CONVERSATION.ID.eq(id))
                .execute();
    }

    /** Conversations in which people are concerned: those waiting longest first, then those with a person. */
    List<Conversation> withPeople() {
        return db.selectFrom(CONVERSATION)
                .where(CONVERSATION.SPEAKER.in(Speaker.QUEUED.key(), Speaker.PERSON.key()))
                .orderBy(CONVERSATION.SPEAKER.desc(), CONVERSATION.WAITING_SINCE.asc(), CONVERSATION.LAST_AT.desc())
                .limit(200)
                .fetch(ConversationStore::conversation);
    }

    /** Conversations of a bot that are not over: those in which people are concerned, and those of late. */
    List<String> open(String bot, Instant since) {
        return db.select(CONVERSATION.ID)
                .from(CONVERSATION)
                .where(CONVERSATION.BOT_ID.eq(bot), CONVERSATION.SPEAKER.ne(Speaker.ENDED.key()))
                .and(CONVERSATION.LAST_AT.ge(since).or(CONVERSATION.SPEAKER.ne(Speaker.BOT.key())))
                .orderBy(CONVERSATION.LAST_AT.desc())
                .limit(MOST_OPEN)
                .fetch(CONVERSATION.ID);
    }

    /** Ended conversations that a person had, newest first. */
    List<Conversation> closed(int most) {
        return db.selectFrom(CONVERSATION)
                .where(CONVERSATION.SPEAKER.eq(Speaker.ENDED.key()))
                .and(CONVERSATION.AGENT_ID.isNotNull())
                .orderBy(CONVERSATION.LAST_AT.desc())
                .limit(most)
                .fetch(ConversationStore::conversation);
    }

    int count(Condition condition) {
        return db.fetchCount(CONVERSATION, condition);
    }

    int waiting() {
        return count(CONVERSATION.SPEAKER.eq(Speaker.QUEUED.key()));
    }

    int startedSince(String bot, Instant since) {
        return count(CONVERSATION.BOT_ID.eq(bot).and(CONVERSATION.STARTED_AT.ge(since)));
    }

    int handedOffSince(String bot, Instant since) {
        Integer count = db.select(DSL.count())
                .from(CONVERSATION)
                .where(CONVERSATION.BOT_ID.eq(bot))
                .and(CONVERSATION.STARTED_AT.ge(since))
                .and(CONVERSATION
                        .SPEAKER
                        .in(Speaker.QUEUED.key(), Speaker.PERSON.key())
                        .or(CONVERSATION.AGENT_ID.isNotNull()))
                .fetchOne(0, Integer.class);
        return count == null ? 0 : count;
    }

    static Conversation conversation(ConversationRecord row) {
        return new Conversation(
                row.getId(),
                row.getBotId(),
                row.getReleaseId(),
                row.getVisitor(),
                Speaker.of(row.getSpeaker()),
                row.getTeam(),
                row.getAgentId(),
                row.getStartedAt(),
                row.getLastAt(),
                row.getWaitingSince(),
                row.getChannel(),
                row.getPage(),
                row.getVisitorName(),
                row.getLastWords());
    }
}
