package com.shuttle.services;

import static com.shuttle.schema.Tables.SERVICE_CALL;

import com.shuttle.services.History.PastCall;
import com.shuttle.web.Fit;
import com.shuttle.web.Ids;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** What calls came to, in the database. */
@Repository
class CallStore {

    private static final int LATEST = 12;

    private final DSLContext db;

    CallStore(DSLContext db) {
        this.db = db;
    }

    void note(String service, PastCall call) {
        db.insertInto(SERVICE_CALL)
                .set(SERVICE_CALL.ID, Ids.next())
                .set(SERVICE_CALL.SERVICE_ID, service)
                .set(SERVICE_CALL.CONVERSATION_ID, call.conversation())
                .set(SERVICE_CALL.CALLED_AT, call.at())
                .set(SERVICE_CALL.MILLIS, call.millis())
                .set(SERVICE_CALL.STATUS, call.status())
                .set(SERVICE_CALL.RESULT, Fit.within(call.result(), 100))
                .set(SERVICE_CALL.WHY, Fit.within(call.why(), 300))
                .execute();
    }

    List<PastCall> calls(String service) {
        return db.selectFrom(SERVICE_CALL)
                .where(SERVICE_CALL.SERVICE_ID.eq(service))
                .orderBy(SERVICE_CALL.CALLED_AT.desc(), SERVICE_CALL.ID.desc())
                .limit(LATEST)
                .fetch(row -> new PastCall(
                        row.getConversationId(),
                        row.getCalledAt(),
                        row.getMillis(),
                        row.getStatus(),
                        row.getResult(),
                        row.getWhy()));
    }
}
