package com.shuttle.leads;

import static com.shuttle.schema.Tables.LEAD;
import static org.jooq.impl.DSL.noCondition;

import com.shuttle.schema.tables.records.LeadRecord;
import com.shuttle.web.Fit;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.SortField;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Leads in the database. */
@Repository
class LeadStore {

    private final DSLContext db;

    LeadStore(DSLContext db) {
        this.db = db;
    }

    Optional<Lead> find(String id) {
        return db.selectFrom(LEAD).where(LEAD.ID.eq(id)).fetchOptional(LeadStore::lead);
    }

    Optional<Lead> byEmail(String bot, String email) {
        return db.selectFrom(LEAD)
                .where(LEAD.BOT_ID.eq(bot))
                .and(LEAD.EMAIL.eq(email))
                .forUpdate()
                .fetchOptional(LeadStore::lead);
    }

    void insert(Lead lead) {
        db.insertInto(LEAD)
                .columns(
                        LEAD.ID,
                        LEAD.BOT_ID,
                        LEAD.NAME,
                        LEAD.EMAIL,
                        LEAD.PHONE,
                        LEAD.CONVERSATION_ID,
                        LEAD.CONVERSATIONS,
                        LEAD.FIRST_AT,
                        LEAD.LAST_AT)
                .values(
                        lead.id(),
                        lead.bot(),
                        Fit.within(lead.name(), LEAD.NAME.getDataType().length()),
                        lead.email(),
                        Fit.within(lead.phone(), LEAD.PHONE.getDataType().length()),
                        lead.conversation(),
                        lead.conversations(),
                        lead.firstAt(),
                        lead.lastAt())
                .execute();
    }

    boolean isOf(String conversation) {
        return db.fetchExists(LEAD, LEAD.CONVERSATION_ID.eq(conversation));
    }

    void update(Lead lead) {
        db.update(LEAD)
                .set(LEAD.NAME, Fit.within(lead.name(), LEAD.NAME.getDataType().length()))
                .set(
                        LEAD.PHONE,
                        Fit.within(lead.phone(), LEAD.PHONE.getDataType().length()))
                .set(LEAD.CONVERSATION_ID, lead.conversation())
                .set(LEAD.CONVERSATIONS, lead.conversations())
                .set(LEAD.LAST_AT, lead.lastAt())
                .where(LEAD.ID.eq(lead.id()))
                .execute();
    }

    /** @param wanted filtered by {@code bot}; sorted by {@code name}, {@code conversations} or {@code last} */
    Page<Lead> list(Wanted wanted) {
        String like = Like.containing(wanted.search());
        String bot = wanted.filter("bot");
        Condition condition = (wanted.search().isEmpty()
                        ? noCondition()
                        : DSL.lower(LEAD.NAME)
                                .like(like, Like.ESCAPE)
                                .or(DSL.lower(LEAD.EMAIL).like(like, Like.ESCAPE))
                                .or(LEAD.PHONE.like(like, Like.ESCAPE)))
                .and(bot.isEmpty() ? noCondition() : LEAD.BOT_ID.eq(bot));
        Field<?> by = switch (wanted.by("")) {
            case "name" -> DSL.lower(LEAD.NAME);
            case "conversations" -> LEAD.CONVERSATIONS;
            default -> LEAD.LAST_AT;
        };
        boolean latest = wanted.by("").isEmpty();
        SortField<?> order = latest || wanted.turned() ? by.desc() : by.asc();
        List<Lead> leads = db.selectFrom(LEAD)
                .where(condition)
                .orderBy(order, LEAD.ID.asc())
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(LeadStore::lead);
        return Page.of(leads, wanted.page(), db.fetchCount(LEAD, condition));
    }

    void deleteOf(String conversation) {
        db.deleteFrom(LEAD).where(LEAD.CONVERSATION_ID.eq(conversation)).execute();
    }

    int since(String bot, Instant since) {
        return db.fetchCount(LEAD, LEAD.BOT_ID.eq(bot).and(LEAD.LAST_AT.ge(since)));
    }

    private static Lead lead(LeadRecord row) {
        return new Lead(
                row.getId(),
                row.getBotId(),
                row.getName(),
                row.getEmail(),
                row.getPhone(),
                row.getConversationId(),
                row.getConversations(),
                row.getFirstAt(),
                row.getLastAt());
    }
}
