package com.shuttle.chat;

import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Reads;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.TraceLine;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.conversation.Way;
import com.shuttle.core.engine.Engine;
import com.shuttle.web.Fit;
import com.shuttle.web.Json;
import com.shuttle.web.Sql;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Repository;

/**
 * The few statements that every turn of every conversation runs. They are written once and prepared by the driver, which
 * keeps them. A turn takes no lock while it is worked out: that another was faster shows when its event is stored, whose
 * number is taken.
 *
 * <p>The conversation's own row is written last, and what is stored beyond what that row says does not count. H2's file may,
 * where the process is killed while it is being written, keep the first statements of a transaction that was about to
 * commit; so what is left of one is never more than rows that nobody has been told of, and {@link #clean} takes them away.
 */
@Repository
class TurnStore {

    static final int LONGEST_LAST_WORDS = 200;

    private static final String LOAD = """
            select bot_id, release_id, visitor, speaker, team, agent_id, started_at, last_at, waiting_since, channel, page,
              visitor_name, last_words, state, events
            from conversation where id = ?""";

    private static final String BEGIN = """
            insert into conversation (id, bot_id, release_id, token_hash, visitor, speaker, team, agent_id, events, seq,
              state, started_at, last_at, waiting_since, channel, page, visitor_name, last_words)
            values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)""";

    private static final String ADVANCE = """
            update conversation set state = ?, speaker = ?, team = ?, agent_id = ?, seq = ?, events = ?, last_at = ?,
              waiting_since = ?, visitor_name = ?, last_words = ?
            where id = ? and events = ?""";

    private static final String EVENT = """
            insert into conversation_event (conversation_id, ordinal, client_message_id, first_seq, last_seq, event, reads,
              awaiting, way, working, engine, at)
            values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)""";

    private static final String MESSAGE = """
            insert into message (conversation_id, seq, sender, author, text, options, look, at)
            values (?, ?, ?, ?, ?, ?, ?, ?)""";

    private static final String CLEAN_EVENTS =
            "delete from conversation_event where conversation_id = ? and ordinal >= ?";

    private static final String CLEAN_MESSAGES = "delete from message where conversation_id = ? and seq > ?";

    private final Sql sql;

    TurnStore(Sql sql) {
        this.sql = sql;
    }

    /** A conversation as it stands, with how many events it has had. */
    record Loaded(Conversation conversation, State state, int events) {}

    /**
     * A turn to be stored.
     *
     * @param named the visitor's name; empty while it is not known
     */
    record Done(
            Event event,
            @Nullable String clientMessageId,
            List<Reads.Read> reads,
            Turn.Taken turn,
            @Nullable Prompt prompt,
            String named) {

        Instant at() {
            return event.stamp().at();
        }
    }

    /** A conversation as it stands now; no lock is taken. */
    Optional<Loaded> load(String id) {
        return sql.first(LOAD, row -> loaded(id, row), id);
    }

    private static Loaded loaded(String id, ResultSet row) throws SQLException {
        Conversation conversation = new Conversation(
                id,
                row.getString(1),
                row.getString(2),
                row.getString(3),
                Speaker.of(row.getString(4)),
                row.getString(5),
                row.getString(6),
                Sql.instant(row, 7),
                Sql.instant(row, 8),
                Sql.instantOrNull(row, 9),
                row.getString(10),
                row.getString(11),
                row.getString(12),
                row.getString(13));
        State state = Json.read(row.getString(14), State.class);
        String agent = conversation.agent();
        boolean nameless = state.speaker() == Speaker.PERSON && state.agent().isEmpty();
        return new Loaded(conversation, nameless && agent != null ? state.heldBy(agent) : state, row.getInt(15));
    }

    /** Stores a conversation with its first turn. */
    void begin(Conversation conversation, String tokenHash, Done done) {
        State state = done.turn().state();
        sql.update(
                BEGIN,
                conversation.id(),
                conversation.bot(),
                conversation.release(),
                tokenHash,
                conversation.visitor(),
                state.speaker().key(),
                state.team(),
                null,
                1,
                state.seq(),
                Json.write(state),
                done.at(),
                done.at(),
                state.speaker() == Speaker.QUEUED ? done.at() : null,
                conversation.channel(),
                conversation.page(),
                done.named(),
                lastWords(conversation, done.turn()));
        append(conversation.id(), 0, 0, done);
    }

    /**
     * Stores a turn, and what it brings about before the conversation itself.
     *
     * @throws DuplicateKeyException if another turn of the conversation was stored meanwhile, or the same message before
     */
    void advance(Loaded before, Done done, Runnable effects) {
        Conversation conversation = before.conversation();
        State state = done.turn().state();
        boolean waits = state.speaker() == Speaker.QUEUED;
        Instant waiting = conversation.waitingSince() == null ? done.at() : conversation.waitingSince();
        append(conversation.id(), before.events(), before.state().seq(), done);
        effects.run();
        int changed = sql.update(
                ADVANCE,
                Json.write(state),
                state.speaker().key(),
                state.team(),
                agent(conversation, done.event()),
                state.seq(),
                before.events() + 1,
                done.at(),
                waits ? waiting : null,
                done.named(),
                lastWords(conversation, done.turn()),
                conversation.id(),
                before.events());
        if (changed == 0) {
            throw new DuplicateKeyException("turn " + before.events() + " of conversation " + conversation.id());
        }
    }

    /** Takes away what is stored beyond what a conversation's row says: the rest of a turn that was never finished. */
    void clean(Loaded conversation) {
        String id = conversation.conversation().id();
        sql.update(CLEAN_EVENTS, id, conversation.events());
        sql.update(CLEAN_MESSAGES, id, conversation.state().seq());
    }

    private static @Nullable String agent(Conversation conversation, Event event) {
        return event instanceof Event.OfAgent of && !of.account().isEmpty() ? of.account() : conversation.agent();
    }

    private static String lastWords(Conversation conversation, Turn.Taken turn) {
        String words = turn.messages().stream()
                .map(Message::text)
                .filter(text -> !text.isBlank())
                .reduce(conversation.lastWords(), (before, text) -> text)
                .replaceAll("\\s+", " ");
        return Fit.within(words, LONGEST_LAST_WORDS);
    }

    private void append(String id, int ordinal, long seq, Done done) {
        Turn.Taken turn = done.turn();
        sql.update(
                EVENT,
                id,
                ordinal,
                done.clientMessageId(),
                seq + 1,
                turn.state().seq(),
                Json.writeAs(done.event(), Event.class),
                done.reads().isEmpty() ? "[]" : Json.write(done.reads()),
                done.prompt() == null ? null : Json.write(done.prompt()),
                turn.way().isEmpty() ? "[]" : Json.writeAll(turn.way(), Way.class),
                turn.trace().isEmpty() ? "[]" : Json.writeAll(turn.trace(), TraceLine.class),
                Engine.VERSION,
                done.at());
        sql.each(MESSAGE, turn.messages(), message -> new Object[] {
            id,
            message.seq(),
            message.from().key(),
            message.author(),
            message.text(),
            message.options().isEmpty() ? null : Json.write(message.options()),
            message.look() == null ? null : Json.write(message.look()),
            done.at()
        });
    }
}
