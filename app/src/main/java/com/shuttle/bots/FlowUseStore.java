package com.shuttle.bots;

import static com.shuttle.schema.Tables.BOT;
import static com.shuttle.schema.Tables.FLOW;
import static com.shuttle.schema.Tables.FLOW_EDIT;

import com.shuttle.core.flow.FlowJson;
import com.shuttle.tables.TableUse;
import com.shuttle.web.Like;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Tells which flows, as they are drafted, have steps that refer to something outside, such as a table. */
@Repository
class FlowUseStore implements TableUse {

    private final DSLContext db;

    FlowUseStore(DSLContext db) {
        this.db = db;
    }

    /** Ids are long enough to be found as text, which spares reading every flow. */
    @Override
    public List<Place> of(String id) {
        return db.select(BOT.ID, BOT.NAME, FLOW.FLOW_KEY, FLOW_EDIT.DOCUMENT)
                .from(FLOW)
                .join(BOT)
                .on(BOT.ID.eq(FLOW.BOT_ID))
                .join(FLOW_EDIT)
                .on(FLOW_EDIT.BOT_ID.eq(FLOW.BOT_ID))
                .and(FLOW_EDIT.FLOW_KEY.eq(FLOW.FLOW_KEY))
                .and(FLOW_EDIT.EDIT.eq(FLOW.EDIT))
                .where(FLOW.DELETED_AT.isNull())
                .and(BOT.DELETED_AT.isNull())
                .and(FLOW_EDIT.DOCUMENT.like(Like.containing("\"" + id + "\""), Like.ESCAPE))
                .orderBy(BOT.NAME, FLOW.ORDINAL)
                .fetch(row -> new Place(
                        row.value2() + " uses it in “"
                                + FlowJson.readTrusted(row.value4()).name() + "”",
                        "/bots/" + row.value1() + "/flows/" + row.value3()));
    }
}
