package com.shuttle.tables;

import static com.shuttle.schema.Tables.DATA_ROW;
import static com.shuttle.schema.Tables.DATA_ROW_PAST;

import com.shuttle.settings.SignedIn;
import com.shuttle.web.Json;
import java.time.Instant;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.Query;
import org.jooq.impl.DSL;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Repository;

/** What rows were before they were changed, in the database. */
@Repository
class PastRowStore {

    private static final int LATEST = 50;

    private final DSLContext db;

    PastRowStore(DSLContext db) {
        this.db = db;
    }

    /** Newest first. */
    List<PastRow> of(String table, String row) {
        return db.selectFrom(DATA_ROW_PAST)
                .where(DATA_ROW_PAST.TABLE_ID.eq(table))
                .and(DATA_ROW_PAST.ROW_ID.eq(row))
                .orderBy(DATA_ROW_PAST.VERSION.desc())
                .limit(LATEST)
                .fetch(one -> new PastRow(
                        one.getVersion(), Json.texts(one.getCells()), one.getChangedBy(), one.getChangedAt()));
    }

    /** The statement that keeps what a row is, before it is changed by whoever is signed in, or by a bot. */
    Query keep(String table, String row, Instant at) {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        String name = who != null && who.getPrincipal() instanceof SignedIn person
                ? person.account().name()
                : "a bot";
        return db.insertInto(
                        DATA_ROW_PAST,
                        DATA_ROW_PAST.TABLE_ID,
                        DATA_ROW_PAST.ROW_ID,
                        DATA_ROW_PAST.VERSION,
                        DATA_ROW_PAST.CELLS,
                        DATA_ROW_PAST.CHANGED_BY,
                        DATA_ROW_PAST.CHANGED_AT)
                .select(DSL.select(
                                DATA_ROW.TABLE_ID,
                                DATA_ROW.ID,
                                DATA_ROW.VERSION,
                                DATA_ROW.CELLS,
                                DSL.val(name),
                                DSL.val(at))
                        .from(DATA_ROW)
                        .where(DATA_ROW.TABLE_ID.eq(table))
                        .and(DATA_ROW.ID.eq(row)));
    }
}
