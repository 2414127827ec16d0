package com.shuttle.appointments;

import static com.shuttle.schema.Tables.SESSION;
import static com.shuttle.schema.Tables.SESSION_RESOURCE;
import static com.shuttle.schema.Tables.SESSION_SLICE;

import com.shuttle.appointments.Seating.Placed;
import com.shuttle.core.booking.Chooser.Load;
import com.shuttle.core.booking.FreeSlots.Session;
import com.shuttle.core.booking.Resource.Busy;
import com.shuttle.core.booking.Rules;
import com.shuttle.web.Ids;
import com.shuttle.web.Sql;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.BatchBindStep;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Times at which people and rooms are taken, in the database. */
@Repository
class SessionStore {

    private static final Duration LATELY = Duration.ofDays(90);
    private static final long SLICE_SECONDS = Rules.GRAIN * 60L;

    private final DSLContext db;
    private final Sql sql;

    SessionStore(DSLContext db, Sql sql) {
        this.db = db;
        this.sql = sql;
    }

    /** What each of these is taken for within a period, by their ids. */
    Map<String, List<Busy>> busy(Collection<String> resources, Instant from, Instant until) {
        Map<String, List<Busy>> busy = new HashMap<>();
        db.select(SESSION_RESOURCE.RESOURCE_ID, SESSION.BUSY_FROM, SESSION.BUSY_UNTIL)
                .from(SESSION)
                .join(SESSION_RESOURCE)
                .on(SESSION_RESOURCE.SESSION_ID.eq(SESSION.ID))
                .where(SESSION_RESOURCE.RESOURCE_ID.in(resources))
                .and(SESSION.BUSY_FROM.lt(until))
                .and(SESSION.BUSY_UNTIL.gt(from))
                .forEach(row -> busy.computeIfAbsent(row.value1(), id -> new ArrayList<>())
                        .add(new Busy(row.value2(), row.value3())));
        return busy;
    }

    /** The sessions of a kind that begin within a period. */
    List<Session> of(String kind, Instant from, Instant until) {
        return db
                .select(SESSION.STARTS_AT, SESSION.TAKEN, SESSION_RESOURCE.SESSION_ID, SESSION_RESOURCE.RESOURCE_ID)
                .from(SESSION)
                .join(SESSION_RESOURCE)
                .on(SESSION_RESOURCE.SESSION_ID.eq(SESSION.ID))
                .where(SESSION.KIND_ID.eq(kind))
                .and(SESSION.STARTS_AT.ge(from))
                .and(SESSION.STARTS_AT.lt(until))
                .fetchGroups(SESSION_RESOURCE.SESSION_ID)
                .values()
                .stream()
                .map(rows -> new Session(
                        rows.getFirst().value1(),
                        rows.getValues(SESSION_RESOURCE.RESOURCE_ID),
                        rows.getFirst().value2()))
                .toList();
    }

    /** Who of these has how many on a day, and when their last was made of those from {@link #LATELY} before it on. */
    Map<String, Load> loads(Collection<String> resources, Instant day, Instant dayAfter) {
        var today = DSL.count(DSL.when(SESSION.STARTS_AT.ge(day).and(SESSION.STARTS_AT.lt(dayAfter)), 1));
        return db.select(SESSION_RESOURCE.RESOURCE_ID, DSL.max(SESSION.MADE_AT), today)
                .from(SESSION_RESOURCE)
                .join(SESSION)
                .on(SESSION.ID.eq(SESSION_RESOURCE.SESSION_ID))
                .where(SESSION_RESOURCE.RESOURCE_ID.in(resources))
                .and(SESSION.STARTS_AT.ge(day.minus(LATELY)))
                .groupBy(SESSION_RESOURCE.RESOURCE_ID)
                .fetchMap(SESSION_RESOURCE.RESOURCE_ID, row -> new Load(row.value2(), row.value3()));
    }

    private static final String SHARED = """
            select s.id, r.resource_id from session s join session_resource r on r.session_id = s.id
            where s.id = (select id from session where kind_id = ? and starts_at = ? and taken + ? <= places limit 1)
            order by r.resource_id
            """;

    /** The session of a kind at a time that still has places; empty where there is none. */
    Optional<Placed> shared(String kind, Instant start, int places) {
        List<String[]> rows =
                sql.all(SHARED, row -> new String[] {row.getString(1), row.getString(2)}, kind, start, places);
        return rows.isEmpty()
                ? Optional.empty()
                : Optional.of(new Placed(
                        rows.getFirst()[0], rows.stream().map(row -> row[1]).toList()));
    }

    /** Takes places of a session. Whether there were any left. */
    boolean take(String session, int places) {
        return sql.update(
                        "update session set taken = taken + ? where id = ? and taken + ? <= places",
                        places,
                        session,
                        places)
                == 1;
    }

    /** Gives places back; a session for nobody ends. */
    void giveBack(String session, int places) {
        db.update(SESSION)
                .set(SESSION.TAKEN, DSL.greatest(SESSION.TAKEN.minus(places), DSL.inline(0)))
                .where(SESSION.ID.eq(session))
                .execute();
        db.deleteFrom(SESSION)
                .where(SESSION.ID.eq(session), SESSION.TAKEN.eq(0))
                .execute();
    }

    /**
     * Begins a session. @return its id
     *
     * @throws org.springframework.dao.DuplicateKeyException if one of the resources is taken at the time
     */
    String begin(Kind kind, List<String> resources, Instant start, int places, Instant now) {
        Rules rules = kind.rules();
        String id = Ids.next();
        Instant end = start.plusSeconds(rules.minutes() * 60L);
        Instant busyFrom = start.minusSeconds(rules.before() * 60L);
        Instant busyUntil = end.plusSeconds(rules.after() * 60L);
        db.insertInto(SESSION)
                .set(SESSION.ID, id)
                .set(SESSION.KIND_ID, kind.id())
                .set(SESSION.STARTS_AT, start)
                .set(SESSION.ENDS_AT, end)
                .set(SESSION.BUSY_FROM, busyFrom)
                .set(SESSION.BUSY_UNTIL, busyUntil)
                .set(SESSION.PLACES, rules.places())
                .set(SESSION.TAKEN, places)
                .set(SESSION.MADE_AT, now)
                .execute();
        BatchBindStep slices = db.batch(db.insertInto(SESSION_SLICE)
                .set(SESSION_SLICE.RESOURCE_ID, "")
                .set(SESSION_SLICE.SLICE, 0)
                .set(SESSION_SLICE.SESSION_ID, ""));
        for (String resource : resources) {
            db.insertInto(SESSION_RESOURCE)
                    .set(SESSION_RESOURCE.SESSION_ID, id)
                    .set(SESSION_RESOURCE.RESOURCE_ID, resource)
                    .execute();
            long last = Math.ceilDiv(busyUntil.getEpochSecond(), SLICE_SECONDS);
            for (long slice = Math.floorDiv(busyFrom.getEpochSecond(), SLICE_SECONDS); slice < last; slice++) {
                slices.bind(resource, Math.toIntExact(slice), id);
            }
        }
        slices.execute();
        return id;
    }
}
