package com.shuttle.notices;

import static com.shuttle.schema.Tables.MAIL_SERVER;
import static com.shuttle.schema.Tables.NOTICE;
import static com.shuttle.schema.Tables.NOTICE_FILE;
import static org.jooq.impl.DSL.noCondition;

import com.shuttle.notices.MailServerSettings.Protection;
import com.shuttle.schema.tables.records.NoticeRecord;
import com.shuttle.web.Fit;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Notices and the mail server's settings in the database. */
@Repository
class NoticeStore {

    private static final int ONLY = 1;

    private final DSLContext db;

    NoticeStore(DSLContext db) {
        this.db = db;
    }

    private static Notice notice(NoticeRecord row) {
        return new Notice(
                row.getId(),
                row.getConversationId(),
                Notice.Kind.valueOf(row.getKind().toUpperCase(Locale.ROOT)),
                row.getReceiver(),
                row.getSubject(),
                row.getText(),
                row.getAttached(),
                Notice.State.valueOf(row.getState().toUpperCase(Locale.ROOT)),
                row.getAttempts(),
                row.getWhy(),
                row.getMadeAt(),
                row.getUntilAt(),
                row.getSentAt(),
                row.getCalendar(),
                new Notice.Besides(row.getReplyTo(), row.getUnsubscribe(), row.getFileId(), row.getPersonId()));
    }

    void insert(Notice notice) {
        db.insertInto(NOTICE)
                .set(NOTICE.ID, notice.id())
                .set(NOTICE.CONVERSATION_ID, notice.conversation())
                .set(NOTICE.KIND, notice.kind().key())
                .set(NOTICE.RECEIVER, notice.receiver())
                .set(NOTICE.SUBJECT, Fit.within(notice.subject(), 300))
                .set(NOTICE.TEXT, notice.text())
                .set(NOTICE.CALENDAR, notice.calendar())
                .set(NOTICE.ATTACHED, notice.attached())
                .set(NOTICE.STATE, notice.state().key())
                .set(NOTICE.ATTEMPTS, notice.attempts())
                .set(NOTICE.WHY, Fit.within(notice.why(), 300))
                .set(NOTICE.MADE_AT, notice.madeAt())
                .set(NOTICE.UNTIL_AT, notice.until())
                .set(NOTICE.SENT_AT, notice.sentAt())
                .set(NOTICE.REPLY_TO, notice.besides().replyTo())
                .set(NOTICE.UNSUBSCRIBE, notice.besides().unsubscribe())
                .set(NOTICE.FILE_ID, notice.besides().file())
                .set(NOTICE.PERSON_ID, notice.besides().person())
                .execute();
    }

    void keepFile(String id, String name, String type, byte[] content) {
        db.insertInto(NOTICE_FILE)
                .set(NOTICE_FILE.ID, id)
                .set(NOTICE_FILE.NAME, Fit.within(name, 200))
                .set(NOTICE_FILE.TYPE, type)
                .set(NOTICE_FILE.CONTENT, content)
                .execute();
    }

    Optional<MailFile> file(String id) {
        return db.selectFrom(NOTICE_FILE)
                .where(NOTICE_FILE.ID.eq(id))
                .fetchOptional(row -> new MailFile(row.getName(), row.getType(), row.getContent()));
    }

    /** Ids of people whose mail came back: the mail server said no for good. */
    List<String> bounced(List<String> notices) {
        return db.select(NOTICE.PERSON_ID)
                .from(NOTICE)
                .where(NOTICE.ID.in(notices))
                .and(NOTICE.STATE.eq(Notice.State.FAILED.key()))
                .fetch(NOTICE.PERSON_ID);
    }

    /** Deletes all that went to an address or a person. */
    void deleteTo(String address, String person) {
        db.deleteFrom(NOTICE)
                .where(DSL.lower(NOTICE.RECEIVER)
                        .eq(address)
                        .and(DSL.val(address).ne("")))
                .or(NOTICE.PERSON_ID.eq(person))
                .execute();
    }

    Optional<Notice> notice(String id) {
        return db.selectFrom(NOTICE).where(NOTICE.ID.eq(id)).fetchOptional(NoticeStore::notice);
    }

    /** Changes how far a notice has come, where it still stands at {@code from}. */
    boolean move(String id, Notice.State from, Notice.State to, int attempts, String why, @Nullable Instant sentAt) {
        return db.update(NOTICE)
                        .set(NOTICE.STATE, to.key())
                        .set(NOTICE.ATTEMPTS, attempts)
                        .set(NOTICE.WHY, Fit.within(why, 300))
                        .set(NOTICE.SENT_AT, sentAt)
                        .where(NOTICE.ID.eq(id))
                        .and(NOTICE.STATE.eq(from.key()))
                        .execute()
                == 1;
    }

    /** Lets it be tried until then. */
    void until(String id, Instant until) {
        db.update(NOTICE).set(NOTICE.UNTIL_AT, until).where(NOTICE.ID.eq(id)).execute();
    }

    /** Addresses of the callbacks made last. */
    List<String> calledBack(int most) {
        Field<Instant> last = DSL.max(NOTICE.MADE_AT);
        return db.select(NOTICE.RECEIVER)
                .from(NOTICE)
                .where(NOTICE.KIND.eq(Notice.Kind.CALLBACK.key()))
                .groupBy(NOTICE.RECEIVER)
                .orderBy(last.desc())
                .limit(most)
                .fetch(NOTICE.RECEIVER);
    }

    /** Newest first, or by receiver. */
    Page<Notice> notices(Wanted wanted) {
        Condition condition = wanted.search().isBlank()
                ? noCondition()
                : DSL.lower(NOTICE.RECEIVER)
                        .like(Like.containing(wanted.search()), Like.ESCAPE)
                        .or(DSL.lower(NOTICE.SUBJECT).like(Like.containing(wanted.search()), Like.ESCAPE));
        condition =
                wanted.filter("state").isEmpty() ? condition : condition.and(NOTICE.STATE.eq(wanted.filter("state")));
        condition = wanted.filter("kind").isEmpty() ? condition : condition.and(NOTICE.KIND.eq(wanted.filter("kind")));
        boolean byReceiver = wanted.by("made").equals("receiver");
        Field<?> by = byReceiver ? DSL.lower(NOTICE.RECEIVER) : NOTICE.MADE_AT;
        List<Notice> items = db.selectFrom(NOTICE)
                .where(condition)
                .orderBy(wanted.turned() == byReceiver ? by.desc() : by.asc(), NOTICE.ID.desc())
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(NoticeStore::notice);
        return Page.of(items, wanted.page(), db.fetchCount(NOTICE, condition));
    }

    // The mail server

    Optional<MailServerSettings> mailServer() {
        return db.selectFrom(MAIL_SERVER)
                .where(MAIL_SERVER.ID.eq(ONLY))
                .fetchOptional(row -> new MailServerSettings(
                        row.getHost(),
                        row.getPort(),
                        Protection.of(row.getProtection()),
                        row.getUserName(),
                        row.getSealedPassword(),
                        row.getSender(),
                        row.getSenderName()));
    }

    void keep(MailServerSettings settings) {
        db.deleteFrom(MAIL_SERVER).execute();
        db.insertInto(MAIL_SERVER)
                .set(MAIL_SERVER.ID, ONLY)
                .set(MAIL_SERVER.HOST, settings.host())
                .set(MAIL_SERVER.PORT, settings.port())
                .set(MAIL_SERVER.PROTECTION, settings.protection().key())
                .set(MAIL_SERVER.USER_NAME, settings.user())
                .set(MAIL_SERVER.SEALED_PASSWORD, settings.password())
                .set(MAIL_SERVER.SENDER, settings.sender())
                .set(MAIL_SERVER.SENDER_NAME, settings.senderName())
                .execute();
    }
}
