package com.shuttle.appointments;

import static com.shuttle.schema.Tables.BOOKING;
import static com.shuttle.schema.Tables.BOOKING_PAST;
import static com.shuttle.schema.Tables.CONVERSATION;
import static org.jooq.impl.DSL.noCondition;

import com.shuttle.appointments.Booking.State;
import com.shuttle.schema.tables.records.BookingRecord;
import com.shuttle.web.Fit;
import com.shuttle.web.Json;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import com.shuttle.web.Sql;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Bookings and what became of them, in the database. */
@Repository
class BookingStore {

    private static final int LONGEST_PAST = 300;

    /** So many bookings of one visitor are looked at. */
    private static final int MOST_OWN = 20;

    private final DSLContext db;
    private final Sql sql;

    BookingStore(DSLContext db, Sql sql) {
        this.db = db;
        this.sql = sql;
    }

    /** Something that happened to a booking. @param account who did it; null for the visitor or by itself */
    record Past(Instant at, String what, @Nullable String account) {}

    private static Booking booking(BookingRecord row) {
        return new Booking(
                row.getId(),
                row.getReference(),
                row.getKindId(),
                Json.strings(row.getResources()),
                row.getStartsAt(),
                row.getEndsAt(),
                State.valueOf(row.getState().toUpperCase(Locale.ROOT)),
                row.getHeldUntil(),
                row.getParty(),
                row.getName(),
                row.getEmail(),
                row.getPhone(),
                row.getAbout(),
                row.getZone(),
                row.getConversationId(),
                row.getChanges(),
                row.getMadeAt());
    }

    private static final String INSERT = """
            insert into booking (id, reference, kind_id, session_id, resources, starts_at, ends_at, state, held_until, party,
              name, email, phone, about, zone, conversation_id, request_key, changes, made_at, updated_at, takes,
              request_print, holder)
            values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
            """;

    /**
     * What is kept of a booking for the house alone.
     *
     * @param session it takes places of
     * @param takes   how many places
     * @param key     of the request; null for none
     * @param print   by which a request with the same key is known to ask for the same
     * @param holder  who holds it; empty for one that is not held, or by nobody who is known
     */
    record Terms(
            String session,
            int takes,
            @Nullable String key,
            @Nullable String print,
            String holder) {}

    void insert(Booking booking, Terms terms) {
        sql.update(
                INSERT,
                booking.id(),
                booking.reference(),
                booking.kind(),
                terms.session(),
                Json.write(booking.resources()),
                booking.start(),
                booking.end(),
                booking.state().key(),
                booking.heldUntil(),
                booking.party(),
                booking.name(),
                booking.email(),
                booking.phone(),
                booking.about(),
                booking.zone(),
                booking.conversation(),
                terms.key(),
                booking.changes(),
                booking.madeAt(),
                booking.madeAt(),
                terms.takes(),
                terms.print(),
                terms.holder().isEmpty() ? null : terms.holder());
    }

    /** Makes a held one a booked one, for whoever has said meanwhile who they are. */
    void confirm(String id, Party party, Instant at) {
        db.update(BOOKING)
                .set(BOOKING.STATE, State.BOOKED.key())
                .setNull(BOOKING.HELD_UNTIL)
                .set(BOOKING.NAME, party.name())
                .set(BOOKING.EMAIL, party.email())
                .set(BOOKING.PHONE, party.phone())
                .set(BOOKING.ABOUT, party.about())
                .set(BOOKING.UPDATED_AT, at)
                .where(BOOKING.ID.eq(id))
                .execute();
    }

    /** Moves a booking to another session. */
    void move(String id, String session, int takes, List<String> resources, Instant start, Instant end, Instant at) {
        db.update(BOOKING)
                .set(BOOKING.SESSION_ID, session)
                .set(BOOKING.TAKES, takes)
                .set(BOOKING.RESOURCES, Json.write(resources))
                .set(BOOKING.STARTS_AT, start)
                .set(BOOKING.ENDS_AT, end)
                .set(BOOKING.CHANGES, BOOKING.CHANGES.plus(1))
                .setNull(BOOKING.REMINDED_AT)
                .set(BOOKING.UPDATED_AT, at)
                .where(BOOKING.ID.eq(id))
                .execute();
    }

    /** Makes a held one a booked one. */
    void confirm(String id, Instant at) {
        db.update(BOOKING)
                .set(BOOKING.STATE, State.BOOKED.key())
                .setNull(BOOKING.HELD_UNTIL)
                .set(BOOKING.UPDATED_AT, at)
                .where(BOOKING.ID.eq(id))
                .execute();
    }

    /** @param counts whether calendars must hear of it */
    void state(String id, State state, boolean counts, Instant at) {
        db.update(BOOKING)
                .set(BOOKING.STATE, state.key())
                .set(BOOKING.CHANGES, BOOKING.CHANGES.plus(counts ? 1 : 0))
                .set(BOOKING.UPDATED_AT, at)
                .where(BOOKING.ID.eq(id))
                .execute();
    }

    void leaves(String id) {
        db.update(BOOKING).setNull(BOOKING.SESSION_ID).where(BOOKING.ID.eq(id)).execute();
    }

    /** The session whose places a booking takes, and how many; empty where it takes none. */
    Optional<Taken> taken(String id) {
        return db.select(BOOKING.SESSION_ID, BOOKING.TAKES)
                .from(BOOKING)
                .where(BOOKING.ID.eq(id), BOOKING.SESSION_ID.isNotNull())
                .fetchOptional(row -> new Taken(row.value1(), row.value2()));
    }

    record Taken(String session, int places) {}

    Optional<Booking> booking(String id) {
        return db.selectFrom(BOOKING).where(BOOKING.ID.eq(id)).fetchOptional(BookingStore::booking);
    }

    /** Keeps others from changing it until the transaction is over. */
    Optional<Booking> locked(String id) {
        return db.selectFrom(BOOKING).where(BOOKING.ID.eq(id)).forUpdate().fetchOptional(BookingStore::booking);
    }

    Optional<Booking> byReference(String reference) {
        return db.selectFrom(BOOKING).where(BOOKING.REFERENCE.eq(reference)).fetchOptional(BookingStore::booking);
    }

    /** What a request has booked before, and what it asked for. */
    Optional<Requested> requested(String key) {
        return db.selectFrom(BOOKING)
                .where(BOOKING.REQUEST_KEY.eq(key))
                .fetchOptional(
                        row -> new Requested(booking(row), row.getRequestPrint() == null ? "" : row.getRequestPrint()));
    }

    record Requested(Booking booking, String print) {}

    /** What is held by one who is known by this, the oldest first. */
    List<Booking> heldBy(String holder) {
        return held(BOOKING.HOLDER.eq(holder));
    }

    /** What is held in a conversation or by its visitor, the oldest first. @param visitor may be empty */
    List<Booking> heldIn(String conversation, String visitor) {
        Condition theirs = BOOKING.CONVERSATION_ID.eq(conversation);
        return held(
                visitor.isEmpty()
                        ? theirs
                        : theirs.or(BOOKING.CONVERSATION_ID.in(db.select(CONVERSATION.ID)
                                .from(CONVERSATION)
                                .where(CONVERSATION.VISITOR.eq(visitor)))));
    }

    private List<Booking> held(Condition whose) {
        return db.selectFrom(BOOKING)
                .where(whose, BOOKING.STATE.eq(State.HELD.key()))
                .orderBy(BOOKING.MADE_AT, BOOKING.ID)
                .fetch(BookingStore::booking);
    }

    /** Those that are held no longer. */
    List<Booking> lapsed(Instant now) {
        return db.selectFrom(BOOKING)
                .where(BOOKING.STATE.eq(State.HELD.key()))
                .and(BOOKING.HELD_UNTIL.le(now))
                .fetch(BookingStore::booking);
    }

    /** Those whose time is taken or was, beginning within a period, in their order. */
    List<Booking> between(Instant from, Instant until) {
        return db.selectFrom(BOOKING)
                .where(BOOKING.STARTS_AT.ge(from))
                .and(BOOKING.STARTS_AT.lt(until))
                .and(BOOKING.STATE.notIn(State.CANCELLED.key(), State.EXPIRED.key()))
                .orderBy(BOOKING.STARTS_AT, BOOKING.MADE_AT)
                .fetch(BookingStore::booking);
    }

    /** Those of a person or room that begin within a period and stand, or stood. */
    List<Booking> with(String resource, Instant from, Instant until) {
        return between(from, until).stream()
                .filter(booking -> booking.state() != State.HELD)
                .filter(booking -> booking.resources().contains(resource))
                .toList();
    }

    /** Those that begin before a time, were made before another, and of which nobody was reminded. */
    List<Booking> unreminded(Instant now, Instant before, Instant made) {
        return db.selectFrom(BOOKING)
                .where(BOOKING.STATE.eq(State.BOOKED.key()))
                .and(BOOKING.STARTS_AT.gt(now))
                .and(BOOKING.STARTS_AT.le(before))
                .and(BOOKING.UPDATED_AT.le(made))
                .and(BOOKING.REMINDED_AT.isNull())
                .orderBy(BOOKING.STARTS_AT)
                .fetch(BookingStore::booking);
    }

    /** Whether nobody had noted that before. */
    boolean reminded(String id, Instant at) {
        return db.update(BOOKING)
                        .set(BOOKING.REMINDED_AT, at)
                        .where(BOOKING.ID.eq(id), BOOKING.REMINDED_AT.isNull())
                        .execute()
                == 1;
    }

    List<Booking> toCome(String conversation, String visitor, Instant now) {
        Condition theirs = BOOKING.CONVERSATION_ID.eq(conversation);
        if (!visitor.isEmpty()) {
            theirs = theirs.or(BOOKING.CONVERSATION_ID.in(
                    db.select(CONVERSATION.ID).from(CONVERSATION).where(CONVERSATION.VISITOR.eq(visitor))));
        }
        return db.selectFrom(BOOKING)
                .where(theirs, BOOKING.STATE.eq(State.BOOKED.key()), BOOKING.STARTS_AT.gt(now))
                .orderBy(BOOKING.STARTS_AT)
                .limit(MOST_OWN)
                .fetch(BookingStore::booking);
    }

    List<Booking> of(String conversation) {
        return db.selectFrom(BOOKING)
                .where(BOOKING.CONVERSATION_ID.eq(conversation))
                .orderBy(BOOKING.MADE_AT)
                .fetch(BookingStore::booking);
    }

    List<Booking> of(String conversation, String email) {
        return db.selectFrom(BOOKING)
                .where(BOOKING.CONVERSATION_ID
                        .eq(conversation)
                        .or(BOOKING.EMAIL.equalIgnoreCase(email).and(BOOKING.EMAIL.ne(""))))
                .orderBy(BOOKING.STARTS_AT.desc())
                .fetch(BookingStore::booking);
    }

    /** Filtered by kind and state, sorted by when they are or were made. */
    Page<Booking> bookings(Wanted wanted) {
        Condition which = noCondition();
        if (!wanted.search().isBlank()) {
            String like = Like.containing(wanted.search().strip());
            which = DSL.or(
                    DSL.lower(BOOKING.REFERENCE).like(like, Like.ESCAPE),
                    DSL.lower(BOOKING.NAME).like(like, Like.ESCAPE),
                    DSL.lower(BOOKING.EMAIL).like(like, Like.ESCAPE));
        }
        if (!wanted.filter("kind").isEmpty()) {
            which = which.and(BOOKING.KIND_ID.eq(wanted.filter("kind")));
        }
        if (!wanted.filter("state").isEmpty()) {
            which = which.and(BOOKING.STATE.eq(wanted.filter("state")));
        }
        Field<Instant> by = wanted.by("when").equals("made") ? BOOKING.MADE_AT : BOOKING.STARTS_AT;
        List<Booking> items = db.selectFrom(BOOKING)
                .where(which)
                .orderBy(wanted.turned() || wanted.sort().isEmpty() ? by.desc() : by.asc(), BOOKING.ID.asc())
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(BookingStore::booking);
        return Page.of(items, wanted.page(), db.fetchCount(BOOKING, which));
    }

    /** Leaves only that a time was booked, and nothing of by whom. */
    void anonymise(String conversation) {
        anonymise(BOOKING.CONVERSATION_ID.eq(conversation));
    }

    /** @param email in lower case; empty for nobody */
    void anonymiseOf(String email) {
        anonymise(DSL.lower(BOOKING.EMAIL).eq(email).and(BOOKING.EMAIL.ne("")));
    }

    private void anonymise(Condition which) {
        db.update(BOOKING)
                .set(BOOKING.NAME, "")
                .set(BOOKING.EMAIL, "")
                .set(BOOKING.PHONE, "")
                .set(BOOKING.ABOUT, "")
                .where(which)
                .execute();
    }

    // What happened

    private static final String NOTE = """
            insert into booking_past (booking_id, place, noted_at, what, account_id)
            values (?, (select count(*) + 1 from booking_past where booking_id = ?), ?, ?, ?)
            """;

    void note(String id, String what, @Nullable String account, Instant at) {
        sql.update(NOTE, id, id, at, Fit.within(what, LONGEST_PAST), account);
    }

    List<Past> past(String id) {
        return db.selectFrom(BOOKING_PAST)
                .where(BOOKING_PAST.BOOKING_ID.eq(id))
                .orderBy(BOOKING_PAST.PLACE)
                .fetch(row -> new Past(row.getNotedAt(), row.getWhat(), row.getAccountId()));
    }
}
