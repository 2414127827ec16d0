package com.shuttle.bots;

import static com.shuttle.schema.Tables.BOT;
import static com.shuttle.schema.Tables.FLOW;
import static com.shuttle.schema.Tables.FLOW_EDIT;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.flow.Variable;
import com.shuttle.schema.tables.records.BotRecord;
import com.shuttle.web.Fit;
import com.shuttle.web.Json;
import com.shuttle.web.Page;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Bots and the edits of their flows in the database. */
@Repository
class BotStore {

    private final DSLContext db;

    BotStore(DSLContext db) {
        this.db = db;
    }

    List<Bot> bots() {
        return db.selectFrom(BOT)
                .where(BOT.DELETED_AT.isNull())
                .orderBy(BOT.NAME, BOT.ID)
                .fetch(BotStore::bot);
    }

    /** Those that were deleted, last first, with when. */
    Map<Bot, Instant> deleted() {
        Map<Bot, Instant> deleted = new LinkedHashMap<>();
        db.selectFrom(BOT)
                .where(BOT.DELETED_AT.isNotNull())
                .orderBy(BOT.DELETED_AT.desc())
                .limit(50)
                .forEach(row -> deleted.put(bot(row), row.getDeletedAt()));
        return deleted;
    }

    List<String> deletedBefore(Instant moment) {
        return db.select(BOT.ID).from(BOT).where(BOT.DELETED_AT.lt(moment)).fetch(BOT.ID);
    }

    boolean isDeleted(String id) {
        return db.fetchExists(BOT, BOT.ID.eq(id).and(BOT.DELETED_AT.isNotNull()));
    }

    void purge(String id) {
        db.deleteFrom(BOT).where(BOT.ID.eq(id)).execute();
    }

    void archive(String id, @Nullable Instant at) {
        db.update(BOT).set(BOT.ARCHIVED_AT, at).where(BOT.ID.eq(id)).execute();
    }

    /** Takes a bot away and frees its address. */
    void delete(Bot bot, Instant at) {
        db.update(BOT)
                .set(BOT.DELETED_AT, at)
                .set(BOT.FORMER_SLUG, bot.slug())
                .set(BOT.SLUG, "deleted-" + bot.id())
                .where(BOT.ID.eq(bot.id()))
                .execute();
    }

    /** The address that a deleted bot had; empty if there is no such bot. */
    Optional<String> formerSlug(String id) {
        return db.select(BOT.FORMER_SLUG)
                .from(BOT)
                .where(BOT.ID.eq(id))
                .and(BOT.DELETED_AT.isNotNull())
                .fetchOptional(BOT.FORMER_SLUG);
    }

    void restore(String id, String slug) {
        db.update(BOT)
                .setNull(BOT.DELETED_AT)
                .set(BOT.SLUG, slug)
                .where(BOT.ID.eq(id))
                .execute();
    }

    Optional<Bot> bot(String id) {
        return db.selectFrom(BOT)
                .where(BOT.ID.eq(id))
                .and(BOT.DELETED_AT.isNull())
                .fetchOptional(BotStore::bot);
    }

    Optional<Bot> bySlug(String slug) {
        return db.selectFrom(BOT).where(BOT.SLUG.eq(slug)).fetchOptional(BotStore::bot);
    }

    void insert(Bot bot, Instant at) {
        db.insertInto(BOT)
                .columns(
                        BOT.ID,
                        BOT.SLUG,
                        BOT.NAME,
                        BOT.DESCRIPTION,
                        BOT.REGION,
                        BOT.ZONE,
                        BOT.MAIN_FLOW,
                        BOT.VARIABLES,
                        BOT.STANDING,
                        BOT.MANNER,
                        BOT.CREATED_AT)
                .values(
                        bot.id(),
                        bot.slug(),
                        bot.name(),
                        bot.description(),
                        bot.region(),
                        bot.zone(),
                        bot.mainFlow(),
                        Json.write(bot.variables()),
                        Json.write(bot.standing()),
                        Json.write(bot.manner()),
                        at)
                .execute();
    }

    /** Keeps others from changing a bot until the transaction is over. Whether there is such a bot. */
    boolean lock(String id) {
        return db.select(BOT.ID)
                .from(BOT)
                .where(BOT.ID.eq(id))
                .forUpdate()
                .fetchOptional()
                .isPresent();
    }

    void update(Bot bot) {
        db.update(BOT)
                .set(BOT.SLUG, bot.slug())
                .set(BOT.NAME, bot.name())
                .set(BOT.DESCRIPTION, bot.description())
                .set(BOT.REGION, bot.region())
                .set(BOT.ZONE, bot.zone())
                .set(BOT.VARIABLES, Json.write(bot.variables()))
                .set(BOT.STANDING, Json.write(bot.standing()))
                .set(BOT.MANNER, Json.write(bot.manner()))
                .where(BOT.ID.eq(bot.id()))
                .execute();
    }

    void insertFlow(String bot, Flow flow, int ordinal, String words, @Nullable String account, Instant at) {
        db.insertInto(FLOW)
                .columns(FLOW.BOT_ID, FLOW.FLOW_KEY, FLOW.ORDINAL, FLOW.EDIT)
                .values(bot, flow.id(), ordinal, 0)
                .execute();
        insertEdit(bot, flow, 0, words, null, account, at);
    }

    void deleteFlow(String bot, String flow, @Nullable Instant at) {
        db.update(FLOW)
                .set(FLOW.DELETED_AT, at)
                .where(FLOW.BOT_ID.eq(bot))
                .and(FLOW.FLOW_KEY.eq(flow))
                .execute();
    }

    List<Draft> drafts(String bot) {
        return db
                .select(FLOW.FLOW_KEY)
                .from(FLOW)
                .where(FLOW.BOT_ID.eq(bot))
                .and(FLOW.DELETED_AT.isNull())
                .orderBy(FLOW.ORDINAL, FLOW.FLOW_KEY)
                .fetch(FLOW.FLOW_KEY)
                .stream()
                .map(key -> draft(bot, key).orElseThrow())
                .toList();
    }

    /** An id that no flow of a bot has or had. */
    String freeFlow(String bot) {
        int n = drafts(bot).size() + 1;
        while (draft(bot, "flow-" + n).isPresent()) {
            n++;
        }
        return "flow-" + n;
    }

    Optional<Draft> draft(String bot, String flow) {
        var last = DSL.select(DSL.max(FLOW_EDIT.EDIT))
                .from(FLOW_EDIT)
                .where(FLOW_EDIT.BOT_ID.eq(bot))
                .and(FLOW_EDIT.FLOW_KEY.eq(flow))
                .asField();
        return db.select(FLOW_EDIT.DOCUMENT, FLOW.EDIT, FLOW_EDIT.WORDS, last)
                .from(FLOW)
                .join(FLOW_EDIT)
                .on(FLOW_EDIT.BOT_ID.eq(FLOW.BOT_ID))
                .and(FLOW_EDIT.FLOW_KEY.eq(FLOW.FLOW_KEY))
                .and(FLOW_EDIT.EDIT.eq(FLOW.EDIT))
                .where(FLOW.BOT_ID.eq(bot))
                .and(FLOW.FLOW_KEY.eq(flow))
                .fetchOptional(row -> new Draft(
                        FlowJson.readTrusted(row.value1()),
                        row.value2(),
                        row.value2() > 0,
                        row.get(last, Integer.class) > row.value2(),
                        row.value3()));
    }

    /** Locks a flow's row for this transaction and returns the number of its present edit. */
    Optional<Integer> lock(String bot, String flow) {
        return db.select(FLOW.EDIT)
                .from(FLOW)
                .where(FLOW.BOT_ID.eq(bot))
                .and(FLOW.FLOW_KEY.eq(flow))
                .forUpdate()
                .fetchOptional(FLOW.EDIT);
    }

    /** The merge key of an edit and when it was made, if it has one. */
    Optional<Merge> mergeOf(String bot, String flow, int edit) {
        return db.select(FLOW_EDIT.MERGE_KEY, FLOW_EDIT.AT)
                .from(FLOW_EDIT)
                .where(isEdit(bot, flow, edit))
                .and(FLOW_EDIT.MERGE_KEY.isNotNull())
                .fetchOptional(row -> new Merge(row.value1(), row.value2()));
    }

    record Merge(String key, Instant at) {}

    void dropAfter(String bot, String flow, int edit) {
        db.deleteFrom(FLOW_EDIT)
                .where(FLOW_EDIT.BOT_ID.eq(bot))
                .and(FLOW_EDIT.FLOW_KEY.eq(flow))
                .and(FLOW_EDIT.EDIT.gt(edit))
                .execute();
    }

    void insertEdit(
            String bot,
            Flow flow,
            int edit,
            String words,
            @Nullable String mergeKey,
            @Nullable String account,
            Instant at) {
        db.insertInto(FLOW_EDIT)
                .columns(
                        FLOW_EDIT.BOT_ID,
                        FLOW_EDIT.FLOW_KEY,
                        FLOW_EDIT.EDIT,
                        FLOW_EDIT.DOCUMENT,
                        FLOW_EDIT.WORDS,
                        FLOW_EDIT.MERGE_KEY,
                        FLOW_EDIT.ACCOUNT_ID,
                        FLOW_EDIT.AT)
                .values(
                        bot,
                        flow.id(),
                        edit,
                        FlowJson.write(flow),
                        Fit.within(words, FLOW_EDIT.WORDS.getDataType().length()),
                        mergeKey,
                        account,
                        at)
                .execute();
    }

    void rewriteEdit(String bot, Flow flow, int edit, Instant at) {
        db.update(FLOW_EDIT)
                .set(FLOW_EDIT.DOCUMENT, FlowJson.write(flow))
                .set(FLOW_EDIT.AT, at)
                .where(isEdit(bot, flow.id(), edit))
                .execute();
    }

    void present(String bot, String flow, int edit) {
        db.update(FLOW)
                .set(FLOW.EDIT, edit)
                .where(FLOW.BOT_ID.eq(bot))
                .and(FLOW.FLOW_KEY.eq(flow))
                .execute();
    }

    boolean editExists(String bot, String flow, int edit) {
        return db.fetchExists(FLOW_EDIT, isEdit(bot, flow, edit));
    }

    /** One page of the edits of a flow, the last first. */
    Page<Past> edits(String bot, String flow, int page) {
        var those = FLOW_EDIT.BOT_ID.eq(bot).and(FLOW_EDIT.FLOW_KEY.eq(flow));
        int total = db.fetchCount(FLOW_EDIT, those);
        List<Past> edits = db.select(FLOW_EDIT.EDIT, FLOW_EDIT.WORDS, FLOW_EDIT.ACCOUNT_ID, FLOW_EDIT.AT)
                .from(FLOW_EDIT)
                .where(those)
                .orderBy(FLOW_EDIT.EDIT.desc())
                .limit(Page.SIZE)
                .offset(Page.offset(page))
                .fetch(row -> new Past(row.value1(), row.value2(), row.value3(), row.value4()));
        return Page.of(edits, page, total);
    }

    /** The flow as it was after an edit. */
    Optional<Flow> documentAt(String bot, String flow, int edit) {
        return db.select(FLOW_EDIT.DOCUMENT)
                .from(FLOW_EDIT)
                .where(isEdit(bot, flow, edit))
                .fetchOptional(row -> FlowJson.readTrusted(row.value1()));
    }

    private static org.jooq.Condition isEdit(String bot, String flow, int edit) {
        return FLOW_EDIT.BOT_ID.eq(bot).and(FLOW_EDIT.FLOW_KEY.eq(flow)).and(FLOW_EDIT.EDIT.eq(edit));
    }

    private static Bot bot(BotRecord row) {
        return new Bot(
                row.getId(),
                row.getSlug(),
                row.getName(),
                row.getDescription(),
                row.getRegion(),
                row.getZone(),
                row.getMainFlow(),
                Json.readAll(row.getVariables(), Variable.class),
                Json.readAll(row.getStanding(), StandingWords.class),
                Json.read(row.getManner(), Manner.class),
                row.getArchivedAt() != null);
    }
}
