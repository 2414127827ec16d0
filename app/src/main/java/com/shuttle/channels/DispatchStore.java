package com.shuttle.channels;

import static com.shuttle.schema.Tables.CHANNEL_ERRAND;

import com.shuttle.channels.Dispatch.State;
import com.shuttle.core.channel.Piece;
import com.shuttle.core.flow.Keyed;
import com.shuttle.schema.tables.records.ChannelErrandRecord;
import com.shuttle.web.Fit;
import com.shuttle.web.Json;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Messages on their way to phones, in the database. */
@Repository
class DispatchStore {

    private static final int LONGEST_WHY = 300;

    private final DSLContext db;

    DispatchStore(DSLContext db) {
        this.db = db;
    }

    private static Dispatch dispatch(ChannelErrandRecord row) {
        return new Dispatch(
                row.getOrdinal(),
                row.getId(),
                row.getChannelId(),
                row.getNumber(),
                row.getConversationId(),
                Json.read(row.getPiece(), Piece.class),
                row.getParts(),
                Keyed.of(State.class, row.getState(), "state"),
                row.getAttempts(),
                row.getWhy(),
                row.getMadeAt(),
                row.getUntilAt(),
                row.getToldAt());
    }

    void insert(Dispatch dispatch) {
        db.insertInto(CHANNEL_ERRAND)
                .set(CHANNEL_ERRAND.ID, dispatch.id())
                .set(CHANNEL_ERRAND.CHANNEL_ID, dispatch.channel())
                .set(CHANNEL_ERRAND.NUMBER, dispatch.number())
                .set(CHANNEL_ERRAND.CONVERSATION_ID, dispatch.conversation())
                .set(CHANNEL_ERRAND.PIECE, Json.writeAs(dispatch.piece(), Piece.class))
                .set(CHANNEL_ERRAND.PARTS, dispatch.parts())
                .set(CHANNEL_ERRAND.STATE, dispatch.state().key())
                .set(CHANNEL_ERRAND.ATTEMPTS, dispatch.attempts())
                .set(CHANNEL_ERRAND.WHY, dispatch.why())
                .set(CHANNEL_ERRAND.MADE_AT, dispatch.madeAt())
                .set(CHANNEL_ERRAND.UNTIL_AT, dispatch.until())
                .execute();
    }

    Optional<Dispatch> dispatch(String id) {
        return db.selectFrom(CHANNEL_ERRAND).where(CHANNEL_ERRAND.ID.eq(id)).fetchOptional(DispatchStore::dispatch);
    }

    /** The first that waits for somebody, up to a place. */
    Optional<Dispatch> next(Contact.Reached reached, long upTo) {
        return db.selectFrom(CHANNEL_ERRAND)
                .where(of(reached, State.WAITING))
                .and(CHANNEL_ERRAND.ORDINAL.le(upTo))
                .orderBy(CHANNEL_ERRAND.ORDINAL)
                .limit(1)
                .fetchOptional(DispatchStore::dispatch);
    }

    private static Condition of(Contact.Reached reached, State state) {
        return CHANNEL_ERRAND
                .CHANNEL_ID
                .eq(reached.channel())
                .and(CHANNEL_ERRAND.NUMBER.eq(reached.number()))
                .and(CHANNEL_ERRAND.STATE.eq(state.key()));
    }

    /** Those of a conversation that did not go out at once, in their order. */
    List<Dispatch> stuck(String conversation) {
        return db.selectFrom(CHANNEL_ERRAND)
                .where(CHANNEL_ERRAND.CONVERSATION_ID.eq(conversation))
                .and(CHANNEL_ERRAND
                        .STATE
                        .in(State.WITHHELD.key(), State.FAILED.key(), State.STOPPED.key())
                        .or(CHANNEL_ERRAND.STATE.eq(State.WAITING.key()).and(CHANNEL_ERRAND.ATTEMPTS.gt(0))))
                .orderBy(CHANNEL_ERRAND.ORDINAL)
                .fetch(DispatchStore::dispatch);
    }

    /** Those for somebody that are in a state, in their order. */
    List<Dispatch> in(Contact.Reached reached, State state) {
        return db.selectFrom(CHANNEL_ERRAND)
                .where(of(reached, state))
                .orderBy(CHANNEL_ERRAND.ORDINAL)
                .fetch(DispatchStore::dispatch);
    }

    /** Changes how far one has come, where it still stands at {@code from}. */
    boolean move(String id, State from, State to, int attempts, String why, @Nullable Instant toldAt) {
        return db.update(CHANNEL_ERRAND)
                        .set(CHANNEL_ERRAND.STATE, to.key())
                        .set(CHANNEL_ERRAND.ATTEMPTS, attempts)
                        .set(CHANNEL_ERRAND.WHY, Fit.within(why, LONGEST_WHY))
                        .set(CHANNEL_ERRAND.TOLD_AT, toldAt)
                        .where(CHANNEL_ERRAND.ID.eq(id))
                        .and(CHANNEL_ERRAND.STATE.eq(from.key()))
                        .execute()
                == 1;
    }

    /** Has one tried again, or for the first time. */
    void wait(String id, Instant until) {
        db.update(CHANNEL_ERRAND)
                .set(CHANNEL_ERRAND.STATE, State.WAITING.key())
                .set(CHANNEL_ERRAND.ATTEMPTS, 0)
                .set(CHANNEL_ERRAND.UNTIL_AT, until)
                .where(CHANNEL_ERRAND.ID.eq(id))
                .execute();
    }

    /** Newest first. */
    Page<Dispatch> dispatches(String channel, Wanted wanted) {
        Condition condition = CHANNEL_ERRAND.CHANNEL_ID.eq(channel);
        if (!wanted.search().isBlank()) {
            String like = Like.containing(wanted.search());
            condition = condition.and(CHANNEL_ERRAND
                    .NUMBER
                    .like(like, Like.ESCAPE)
                    .or(org.jooq.impl.DSL.lower(CHANNEL_ERRAND.PIECE).like(like, Like.ESCAPE)));
        }
        if (!wanted.filter("state").isEmpty()) {
            condition = condition.and(CHANNEL_ERRAND.STATE.eq(wanted.filter("state")));
        }
        List<Dispatch> items = db.selectFrom(CHANNEL_ERRAND)
                .where(condition)
                .orderBy(wanted.turned() ? CHANNEL_ERRAND.ORDINAL.asc() : CHANNEL_ERRAND.ORDINAL.desc())
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(DispatchStore::dispatch);
        return Page.of(items, wanted.page(), db.fetchCount(CHANNEL_ERRAND, condition));
    }
}
