package com.shuttle.appointments;

import static com.shuttle.schema.Tables.BUSY_FEED;
import static com.shuttle.schema.Tables.BUSY_TIME;
import static com.shuttle.schema.Tables.RESOURCE;

import com.shuttle.core.booking.Resource.Busy;
import com.shuttle.web.Fit;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jooq.BatchBindStep;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Calendars elsewhere, and what they said, in the database. */
@Repository
class BusyStore {

    private static final int LONGEST_WHY = 300;

    private final DSLContext db;

    BusyStore(DSLContext db) {
        this.db = db;
    }

    /** Of one person or room, or of all. @param resource its id; null for all */
    List<BusyCalendar> calendars(@Nullable String resource) {
        var times = DSL.selectCount()
                .from(BUSY_TIME)
                .where(BUSY_TIME.FEED_ID.eq(BUSY_FEED.ID))
                .<Integer>asField("times");
        return db.select(BUSY_FEED, times)
                .from(BUSY_FEED)
                .where(resource == null ? DSL.noCondition() : BUSY_FEED.RESOURCE_ID.eq(resource))
                .orderBy(BUSY_FEED.ADDRESS)
                .fetch(row -> new BusyCalendar(
                        row.value1().getId(),
                        row.value1().getResourceId(),
                        row.value1().getAddress(),
                        row.value1().getTriedAt(),
                        row.value1().getReadAt(),
                        row.value1().getWhy(),
                        row.value1().getEtag(),
                        row.value1().getWholeAt(),
                        row.value2()));
    }

    /** Adds one where there are not that many of its person yet; whether it was. */
    boolean insertUpTo(int most, String id, String resource, String address) {
        db.selectFrom(RESOURCE).where(RESOURCE.ID.eq(resource)).forUpdate().fetch();
        if (db.fetchCount(BUSY_FEED, BUSY_FEED.RESOURCE_ID.eq(resource)) >= most) {
            return false;
        }
        db.insertInto(BUSY_FEED)
                .set(BUSY_FEED.ID, id)
                .set(BUSY_FEED.RESOURCE_ID, resource)
                .set(BUSY_FEED.ADDRESS, address)
                .set(BUSY_FEED.WHY, "")
                .execute();
        return true;
    }

    void delete(String resource, String id) {
        db.deleteFrom(BUSY_FEED)
                .where(BUSY_FEED.ID.eq(id), BUSY_FEED.RESOURCE_ID.eq(resource))
                .execute();
    }

    /** It could not be read; what was known stays. */
    void failed(String id, String why, Instant at) {
        db.update(BUSY_FEED)
                .set(BUSY_FEED.TRIED_AT, at)
                .set(BUSY_FEED.WHY, Fit.within(why, LONGEST_WHY))
                .where(BUSY_FEED.ID.eq(id))
                .execute();
    }

    /** It has not changed. */
    void same(String id, Instant at) {
        db.update(BUSY_FEED)
                .set(BUSY_FEED.TRIED_AT, at)
                .set(BUSY_FEED.READ_AT, at)
                .set(BUSY_FEED.WHY, "")
                .where(BUSY_FEED.ID.eq(id))
                .execute();
    }

    /** Keeps what it says now in the place of what it said. */
    void read(String id, List<Busy> busy, String etag, Instant at) {
        boolean there = db.update(BUSY_FEED)
                        .set(BUSY_FEED.TRIED_AT, at)
                        .set(BUSY_FEED.READ_AT, at)
                        .set(BUSY_FEED.WHY, "")
                        .set(BUSY_FEED.ETAG, etag)
                        .set(BUSY_FEED.WHOLE_AT, at)
                        .where(BUSY_FEED.ID.eq(id))
                        .execute()
                == 1;
        db.deleteFrom(BUSY_TIME).where(BUSY_TIME.FEED_ID.eq(id)).execute();
        if (!there || busy.isEmpty()) {
            return;
        }
        BatchBindStep times = db.batch(db.insertInto(BUSY_TIME)
                .set(BUSY_TIME.FEED_ID, "")
                .set(BUSY_TIME.PLACE, 0)
                .set(BUSY_TIME.FROM_AT, Instant.EPOCH)
                .set(BUSY_TIME.UNTIL_AT, Instant.EPOCH));
        for (int i = 0; i < busy.size(); i++) {
            times.bind(id, i, busy.get(i).from(), busy.get(i).until());
        }
        times.execute();
    }

    /** What calendars elsewhere say of these within a period, by their ids. */
    Map<String, List<Busy>> busy(Collection<String> resources, Instant from, Instant until) {
        Map<String, List<Busy>> busy = new HashMap<>();
        db.select(BUSY_FEED.RESOURCE_ID, BUSY_TIME.FROM_AT, BUSY_TIME.UNTIL_AT)
                .from(BUSY_TIME)
                .join(BUSY_FEED)
                .on(BUSY_FEED.ID.eq(BUSY_TIME.FEED_ID))
                .where(BUSY_FEED.RESOURCE_ID.in(resources))
                .and(BUSY_TIME.FROM_AT.lt(until))
                .and(BUSY_TIME.UNTIL_AT.gt(from))
                .forEach(row -> busy.computeIfAbsent(row.value1(), id -> new ArrayList<>())
                        .add(new Busy(row.value2(), row.value3())));
        return busy;
    }
}
