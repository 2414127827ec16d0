package com.shuttle.chat;

import static com.shuttle.schema.Tables.CONVERSATION;
import static com.shuttle.schema.Tables.CONVERSATION_EVENT;
import static com.shuttle.schema.Tables.MESSAGE;

import com.shuttle.core.conversation.Effect;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Reads;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.schema.tables.records.ConversationRecord;
import com.shuttle.web.Json;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Conversations, their events and messages in the database. */
@Repository
class ConversationStore {

    private final DSLContext db;

    ConversationStore(DSLContext db) {
        this.db = db;
    }

    /** A conversation with its state, as locked for a turn. */
    record Locked(Conversation conversation, State state, int events) {}

    /** A stored event with what its turn read. */
    record Stored(Event event, List<Reads.Read> reads) {}

    void insert(Conversation conversation, String tokenHash) {
        db.insertInto(CONVERSATION)
                .columns(
                        CONVERSATION.ID,
                        CONVERSATION.BOT_ID,
                        CONVERSATION.RELEASE_ID,
                        CONVERSATION.TOKEN_HASH,
                        CONVERSATION.VISITOR,
                        CONVERSATION.SPEAKER,
                        CONVERSATION.TEAM,
                        CONVERSATION.EVENTS,
                        CONVERSATION.SEQ,
                        CONVERSATION.STATE,
                        CONVERSATION.STARTED_AT,
                        CONVERSATION.LAST_AT)
                .values(
                        conversation.id(),
                        conversation.bot(),
                        conversation.release(),
                        tokenHash,
                        conversation.visitor(),
                        conversation.speaker().key(),
                        "",
                        0,
                        0L,
                        Json.write(State.NEW),
                        conversation.startedAt(),
                        conversation.lastAt())
                .execute();
    }

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

    /** Takes a conversation for this transaction; another turn waits until it is over. */
    Optional<Locked> lock(String id) {
        return db.selectFrom(CONVERSATION)
                .where(CONVERSATION.ID.eq(id))
                .forUpdate()
                .fetchOptional(
                        row -> new Locked(conversation(row), Json.read(row.getState(), State.class), row.getEvents()));
    }

    /** The reply that was given to a client message, if it was taken before. */
    Optional<Reply> replyTo(String conversation, String clientMessageId, Speaker speaker) {
        return db.select(CONVERSATION_EVENT.FIRST_SEQ, CONVERSATION_EVENT.LAST_SEQ, CONVERSATION_EVENT.AWAITING)
                .from(CONVERSATION_EVENT)
                .where(CONVERSATION_EVENT.CONVERSATION_ID.eq(conversation))
                .and(CONVERSATION_EVENT.CLIENT_MESSAGE_ID.eq(clientMessageId))
                .fetchOptional(row -> new Reply(
                        row.value2(),
                        lines(conversation, row.value1() - 1, row.value2()).stream()
                                .map(Line::message)
                                .filter(message -> message.from() != Message.From.VISITOR)
                                .toList(),
                        row.value3() == null ? null : Json.read(row.value3(), Prompt.class),
                        speaker));
    }

    /** Stores a turn: event, what it read, effects, messages, state. */
    void append(
            Locked before,
            @Nullable String clientMessageId,
            Event event,
            List<Reads.Read> reads,
            Turn.Taken turn,
            @Nullable Prompt prompt,
            @Nullable String agent) {
        String id = before.conversation().id();
        State state = turn.state();
        Instant at = event.stamp().at();
        List<Effect> others = turn.effects().stream()
                .filter(effect -> !(effect instanceof Effect.Say))
                .toList();
        db.insertInto(CONVERSATION_EVENT)
                .columns(
                        CONVERSATION_EVENT.CONVERSATION_ID,
                        CONVERSATION_EVENT.ORDINAL,
                        CONVERSATION_EVENT.CLIENT_MESSAGE_ID,
                        CONVERSATION_EVENT.FIRST_SEQ,
                        CONVERSATION_EVENT.LAST_SEQ,
                        CONVERSATION_EVENT.EVENT,
                        CONVERSATION_EVENT.READS,
                        CONVERSATION_EVENT.EFFECTS,
                        CONVERSATION_EVENT.AWAITING,
                        CONVERSATION_EVENT.AT)
                .values(
                        id,
                        before.events(),
                        clientMessageId,
                        before.state().seq() + 1,
                        state.seq(),
                        Json.write(event),
                        Json.write(reads),
                        Json.writeAll(others, Effect.class),
                        prompt == null ? null : Json.write(prompt),
                        at)
                .execute();
        List<Message> messages = turn.messages();
        if (!messages.isEmpty()) {
            var insert = db.insertInto(
                    MESSAGE,
                    MESSAGE.CONVERSATION_ID,
                    MESSAGE.SEQ,
                    MESSAGE.SENDER,
                    MESSAGE.AUTHOR,
                    MESSAGE.TEXT,
                    MESSAGE.OPTIONS,
                    MESSAGE.LOOK,
                    MESSAGE.AT);
            for (Message message : messages) {
                insert = insert.values(
                        id,
                        message.seq(),
                        message.from().key(),
                        message.author(),
                        message.text(),
                        message.options().isEmpty() ? null : Json.write(message.options()),
                        message.look() == null ? null : Json.write(message.look()),
                        at);
            }
            insert.execute();
        }
        boolean waits = state.speaker() == Speaker.QUEUED;
        var update = db.update(CONVERSATION)
                .set(CONVERSATION.STATE, Json.write(state))
                .set(CONVERSATION.SPEAKER, state.speaker().key())
                .set(CONVERSATION.TEAM, state.team())
                .set(CONVERSATION.SEQ, state.seq())
                .set(CONVERSATION.EVENTS, before.events() + 1)
                .set(CONVERSATION.LAST_AT, at);
        if (waits != (before.conversation().waitingSince() != null)) {
            update = update.set(CONVERSATION.WAITING_SINCE, waits ? at : null);
        }
        if (agent != null) {
            update = update.set(CONVERSATION.AGENT_ID, agent);
        }
        update.where(CONVERSATION.ID.eq(id)).execute();
    }

    /** Messages after one and up to another, in order. */
    List<Line> lines(String conversation, long after, long upTo) {
        return db.selectFrom(MESSAGE)
                .where(MESSAGE.CONVERSATION_ID.eq(conversation))
                .and(MESSAGE.SEQ.gt(after))
                .and(MESSAGE.SEQ.le(upTo))
                .orderBy(MESSAGE.SEQ)
                .fetch(row -> new Line(
                        new Message(
                                row.getSeq(),
                                Message.From.valueOf(row.getSender().toUpperCase(Locale.ROOT)),
                                row.getText(),
                                row.getAuthor(),
                                row.getOptions() == null
                                        ? List.of()
                                        : Json.readAll(row.getOptions(), Message.Offer.class),
                                row.getLook() == null ? null : Json.read(row.getLook(), Message.Look.class)),
                        row.getAt()));
    }

    /** In the order they happened. */
    List<Stored> events(String conversation) {
        return db.select(CONVERSATION_EVENT.EVENT, CONVERSATION_EVENT.READS)
                .from(CONVERSATION_EVENT)
                .where(CONVERSATION_EVENT.CONVERSATION_ID.eq(conversation))
                .orderBy(CONVERSATION_EVENT.ORDINAL)
                .fetch(row ->
                        new Stored(Json.read(row.value1(), Event.class), Json.readAll(row.value2(), Reads.Read.class)));
    }

    /** Conversations in which people are concerned: those waiting longest first, then those with a person. */
    List<Conversation> withPeople() {
        return db.selectFrom(CONVERSATION)
                .where(CONVERSATION.SPEAKER.in(Speaker.QUEUED.key(), Speaker.PERSON.key()))
                .orderBy(CONVERSATION.SPEAKER.desc(), CONVERSATION.WAITING_SINCE.asc(), CONVERSATION.LAST_AT.desc())
                .limit(200)
                .fetch(ConversationStore::conversation);
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

    private static Conversation conversation(ConversationRecord row) {
        return new Conversation(
                row.getId(),
                row.getBotId(),
                row.getReleaseId(),
                row.getVisitor(),
                Speaker.valueOf(row.getSpeaker().toUpperCase(Locale.ROOT)),
                row.getTeam(),
                row.getAgentId(),
                row.getStartedAt(),
                row.getLastAt(),
                row.getWaitingSince());
    }
}
