package com.shuttle.leads;

import static com.shuttle.schema.Tables.LEAD_FIELD;
import static com.shuttle.schema.Tables.LEAD_STATE;
import static com.shuttle.schema.Tables.PERSON;

import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The states that leads go through and the fields that they have, in the database. */
@Repository
class LeadStateStore {

    private final DSLContext db;

    LeadStateStore(DSLContext db) {
        this.db = db;
    }

    List<LeadState> states() {
        return db.selectFrom(LEAD_STATE)
                .orderBy(LEAD_STATE.ORDINAL, LEAD_STATE.ID)
                .fetch(row -> new LeadState(row.getId(), row.getName(), LeadState.Outcome.of(row.getOutcome())));
    }

    void keepStates(List<LeadState> states) {
        db.deleteFrom(LEAD_STATE).execute();
        int ordinal = 0;
        for (LeadState state : states) {
            db.insertInto(LEAD_STATE)
                    .set(LEAD_STATE.ID, state.id())
                    .set(LEAD_STATE.NAME, state.name())
                    .set(LEAD_STATE.OUTCOME, state.outcome().key())
                    .set(LEAD_STATE.ORDINAL, ++ordinal)
                    .execute();
        }
    }

    boolean used(String state) {
        return db.fetchExists(PERSON, PERSON.STATE.eq(state));
    }

    List<LeadField> fields() {
        return db.selectFrom(LEAD_FIELD)
                .orderBy(LEAD_FIELD.ORDINAL, LEAD_FIELD.ID)
                .fetch(row -> new LeadField(row.getId(), row.getName(), LeadField.Kind.of(row.getKind())));
    }

    void keepFields(List<LeadField> fields) {
        db.deleteFrom(LEAD_FIELD).execute();
        int ordinal = 0;
        for (LeadField field : fields) {
            db.insertInto(LEAD_FIELD)
                    .set(LEAD_FIELD.ID, field.id())
                    .set(LEAD_FIELD.NAME, field.name())
                    .set(LEAD_FIELD.KIND, field.kind().key())
                    .set(LEAD_FIELD.ORDINAL, ++ordinal)
                    .execute();
        }
    }
}
