package com.shuttle.leads;

import static com.shuttle.schema.Tables.SEGMENT;

import com.shuttle.schema.tables.records.SegmentRecord;
import com.shuttle.web.Json;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Kept segments in the database. */
@Repository
class SegmentStore {

    private final DSLContext db;

    SegmentStore(DSLContext db) {
        this.db = db;
    }

    List<Segment> all() {
        return db.selectFrom(SEGMENT).orderBy(SEGMENT.NAME).fetch(SegmentStore::segment);
    }

    Optional<Segment> find(String id) {
        return db.selectFrom(SEGMENT).where(SEGMENT.ID.eq(id)).fetchOptional(SegmentStore::segment);
    }

    void keep(Segment segment, Instant at) {
        boolean there = db.update(SEGMENT)
                        .set(SEGMENT.NAME, segment.name())
                        .set(SEGMENT.ANY_OF, segment.anyOf())
                        .set(SEGMENT.CONDITIONS, Json.write(segment.terms()))
                        .where(SEGMENT.ID.eq(segment.id()))
                        .execute()
                == 1;
        if (!there) {
            db.insertInto(SEGMENT)
                    .set(SEGMENT.ID, segment.id())
                    .set(SEGMENT.NAME, segment.name())
                    .set(SEGMENT.ANY_OF, segment.anyOf())
                    .set(SEGMENT.CONDITIONS, Json.write(segment.terms()))
                    .set(SEGMENT.MADE_AT, at)
                    .execute();
        }
    }

    void delete(String id) {
        db.deleteFrom(SEGMENT).where(SEGMENT.ID.eq(id)).execute();
    }

    private static Segment segment(SegmentRecord row) {
        return new Segment(
                row.getId(), row.getName(), row.getAnyOf(), Json.readAll(row.getConditions(), Segment.Term.class));
    }
}
