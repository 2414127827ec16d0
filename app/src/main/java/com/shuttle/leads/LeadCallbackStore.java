package com.shuttle.leads;

import static com.shuttle.schema.Tables.LEAD_CALLBACK;

import com.shuttle.leads.LeadCallbacks.Callback;
import java.util.Arrays;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Who is called back when something of a lead changes, in the database. */
@Repository
class LeadCallbackStore {

    private final DSLContext db;

    LeadCallbackStore(DSLContext db) {
        this.db = db;
    }

    List<Callback> all() {
        return db.selectFrom(LEAD_CALLBACK)
                .orderBy(LEAD_CALLBACK.ADDRESS, LEAD_CALLBACK.ID)
                .fetch(row -> new Callback(
                        row.getId(),
                        row.getAddress(),
                        Arrays.asList(row.getEvents().split(","))));
    }

    void insert(Callback callback) {
        db.insertInto(LEAD_CALLBACK)
                .set(LEAD_CALLBACK.ID, callback.id())
                .set(LEAD_CALLBACK.ADDRESS, callback.address())
                .set(LEAD_CALLBACK.EVENTS, String.join(",", callback.events()))
                .execute();
    }

    void delete(String id) {
        db.deleteFrom(LEAD_CALLBACK).where(LEAD_CALLBACK.ID.eq(id)).execute();
    }
}
