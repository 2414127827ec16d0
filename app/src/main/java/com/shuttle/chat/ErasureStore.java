package com.shuttle.chat;

import static com.shuttle.schema.Tables.CONVERSATION;
import static com.shuttle.schema.Tables.CONVERSATION_EVENT;
import static com.shuttle.schema.Tables.ERASURE;
import static com.shuttle.schema.Tables.KEEPING;
import static com.shuttle.schema.Tables.MESSAGE;
import static com.shuttle.schema.Tables.PERSON;
import static com.shuttle.schema.Tables.PERSON_CONVERSATION;

import com.shuttle.web.Ids;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Finding conversations to erase, and erasing them, in the database. */
@Repository
class ErasureStore {

    private static final int ONLY = 1;
    private static final int SHOWN = 50;

    private final DSLContext db;

    ErasureStore(DSLContext db) {
        this.db = db;
    }

    /** Deletes a conversation with all that hangs on it, and notes that it was done. @param account empty where its time had come */
    void erase(Conversation conversation, String account, Instant at) {
        String id = conversation.id();
        db.deleteFrom(MESSAGE).where(MESSAGE.CONVERSATION_ID.eq(id)).execute();
        db.deleteFrom(CONVERSATION_EVENT)
                .where(CONVERSATION_EVENT.CONVERSATION_ID.eq(id))
                .execute();
        db.deleteFrom(CONVERSATION).where(CONVERSATION.ID.eq(id)).execute();
        noted(id, conversation.bot(), account, at);
    }

    /** Notes that something was erased. */
    void noted(String id, String bot, String account, Instant at) {
        db.insertInto(ERASURE)
                .set(ERASURE.ID, Ids.next())
                .set(ERASURE.CONVERSATION_ID, id)
                .set(ERASURE.BOT_ID, bot)
                .set(ERASURE.ACCOUNT_ID, account)
                .set(ERASURE.AT, at)
                .execute();
    }

    /** Whether a conversation of this id was erased. */
    boolean wasErased(String id) {
        return db.fetchExists(ERASURE, ERASURE.CONVERSATION_ID.eq(id));
    }

    /** What was erased last, newest first. */
    List<ErasureService.Erased> erased() {
        return db.selectFrom(ERASURE)
                .orderBy(ERASURE.AT.desc(), ERASURE.ID)
                .limit(SHOWN)
                .fetch(row -> new ErasureService.Erased(
                        row.getConversationId(), row.getBotId(), row.getAccountId(), row.getAt()));
    }

    /** Conversations with words in them, said by anybody or known of their visitor; all where nothing is looked for. */
    Page<Conversation> search(Wanted wanted) {
        Condition condition = wanted.search().isEmpty() ? DSL.noCondition() : says(Like.containing(wanted.search()));
        List<Conversation> found = db.selectFrom(CONVERSATION)
                .where(condition)
                .orderBy(CONVERSATION.LAST_AT.desc(), CONVERSATION.ID)
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(ConversationStore::conversation);
        return Page.of(found, wanted.page(), db.fetchCount(CONVERSATION, condition));
    }

    private static Condition says(String like) {
        Condition said = DSL.exists(DSL.selectOne()
                .from(MESSAGE)
                .where(MESSAGE.CONVERSATION_ID.eq(CONVERSATION.ID))
                .and(DSL.lower(MESSAGE.TEXT).like(like, Like.ESCAPE)));
        Condition person = DSL.exists(DSL.selectOne()
                .from(PERSON)
                .join(PERSON_CONVERSATION)
                .on(PERSON_CONVERSATION.PERSON_ID.eq(PERSON.ID))
                .where(PERSON_CONVERSATION.CONVERSATION_ID.eq(CONVERSATION.ID))
                .and(PERSON.EMAIL.like(like, Like.ESCAPE).or(PERSON.PHONE.like(like, Like.ESCAPE))));
        return DSL.lower(CONVERSATION.VISITOR_NAME)
                .like(like, Like.ESCAPE)
                .or(said)
                .or(person);
    }

    /** Some of the conversations whose last word was before a moment. */
    List<String> lastBefore(Instant moment, int most) {
        return some(CONVERSATION.LAST_AT.lt(moment), most);
    }

    /** Some of the conversations of a bot. */
    List<String> ofBot(String bot, int most) {
        return some(CONVERSATION.BOT_ID.eq(bot), most);
    }

    private List<String> some(Condition condition, int most) {
        return db.select(CONVERSATION.ID)
                .from(CONVERSATION)
                .where(condition)
                .orderBy(CONVERSATION.LAST_AT, CONVERSATION.ID)
                .limit(most)
                .fetch(CONVERSATION.ID);
    }

    /** For how many days conversations are kept after their last word; 0 for as long as nobody erases them. */
    int days() {
        return db.select(KEEPING.DAYS).from(KEEPING).fetchOptional(KEEPING.DAYS).orElse(0);
    }

    void keepFor(int days) {
        db.deleteFrom(KEEPING).execute();
        db.insertInto(KEEPING).set(KEEPING.ID, ONLY).set(KEEPING.DAYS, days).execute();
    }
}
