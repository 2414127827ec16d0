package com.shuttle.services;

import static com.shuttle.schema.Tables.ALLOWED_HOST;

import java.time.Instant;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Hosts of the own network that may be called, in the database. */
@Repository
class HostStore {

    private final DSLContext db;

    HostStore(DSLContext db) {
        this.db = db;
    }

    List<String> hosts() {
        return db.select(ALLOWED_HOST.HOST)
                .from(ALLOWED_HOST)
                .orderBy(ALLOWED_HOST.HOST)
                .fetch(ALLOWED_HOST.HOST);
    }

    void insert(String host, String account, Instant at) {
        db.insertInto(ALLOWED_HOST)
                .set(ALLOWED_HOST.HOST, host)
                .set(ALLOWED_HOST.ACCOUNT_ID, account)
                .set(ALLOWED_HOST.ALLOWED_AT, at)
                .execute();
    }

    void delete(String host) {
        db.deleteFrom(ALLOWED_HOST).where(ALLOWED_HOST.HOST.eq(host)).execute();
    }
}
