package com.shuttle.panel;

import static com.shuttle.schema.Tables.BOT;
import static com.shuttle.schema.Tables.BOT_PRESENCE;
import static com.shuttle.schema.Tables.SITE;

import com.shuttle.schema.tables.records.SiteRecord;
import com.shuttle.web.Fit;
import com.shuttle.web.Json;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Websites and how bots show on them, in the database. */
@Repository
class SiteStore {

    private static final int LONGEST_PAGE = 300;

    private final DSLContext db;

    SiteStore(DSLContext db) {
        this.db = db;
    }

    private static Site site(SiteRecord row) {
        return new Site(
                row.getId(),
                row.getName(),
                Json.strings(row.getAddresses()),
                Json.strings(row.getBots()),
                row.getSeenAt(),
                row.getSeenOn());
    }

    /** All that are not deleted, by name. */
    List<Site> sites() {
        return db.selectFrom(SITE)
                .where(SITE.DELETED_AT.isNull())
                .orderBy(DSL.lower(SITE.NAME), SITE.ID)
                .fetch(SiteStore::site);
    }

    /** Keeps others from changing a website until the transaction is over. */
    void lock(String id) {
        db.select(SITE.ID).from(SITE).where(SITE.ID.eq(id)).forUpdate().fetch();
    }

    /** Keeps others from changing how a bot shows until the transaction is over; there may be no row of that yet. */
    void lockBot(String bot) {
        db.select(BOT.ID).from(BOT).where(BOT.ID.eq(bot)).forUpdate().fetch();
    }

    Optional<Site> site(String id) {
        return db.selectFrom(SITE)
                .where(SITE.ID.eq(id), SITE.DELETED_AT.isNull())
                .fetchOptional(SiteStore::site);
    }

    void keep(Site site, Instant at) {
        db.insertInto(SITE)
                .set(SITE.ID, site.id())
                .set(SITE.NAME, site.name())
                .set(SITE.ADDRESSES, Json.write(site.addresses()))
                .set(SITE.BOTS, Json.write(site.bots()))
                .set(SITE.MADE_AT, at)
                .onDuplicateKeyUpdate()
                .set(SITE.NAME, site.name())
                .set(SITE.ADDRESSES, Json.write(site.addresses()))
                .set(SITE.BOTS, Json.write(site.bots()))
                .execute();
    }

    void seen(String id, String page, Instant at) {
        db.update(SITE)
                .set(SITE.SEEN_AT, at)
                .set(SITE.SEEN_ON, Fit.within(page, LONGEST_PAGE))
                .where(SITE.ID.eq(id))
                .execute();
    }

    void delete(String id, @Nullable Instant at) {
        db.update(SITE).set(SITE.DELETED_AT, at).where(SITE.ID.eq(id)).execute();
    }

    Optional<Presence> presence(String bot) {
        return db.select(BOT_PRESENCE.DOCUMENT)
                .from(BOT_PRESENCE)
                .where(BOT_PRESENCE.BOT_ID.eq(bot))
                .fetchOptional(row -> Json.read(row.value1(), Presence.class));
    }

    void keep(String bot, Presence presence, Instant at) {
        String document = Json.write(presence);
        db.insertInto(BOT_PRESENCE)
                .set(BOT_PRESENCE.BOT_ID, bot)
                .set(BOT_PRESENCE.DOCUMENT, document)
                .set(BOT_PRESENCE.UPDATED_AT, at)
                .onDuplicateKeyUpdate()
                .set(BOT_PRESENCE.DOCUMENT, document)
                .set(BOT_PRESENCE.UPDATED_AT, at)
                .execute();
    }
}
