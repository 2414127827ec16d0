package com.shuttle.channels;

import static com.shuttle.schema.Tables.CHANNEL;
import static com.shuttle.schema.Tables.CHANNEL_CONTACT;
import static com.shuttle.schema.Tables.CHANNEL_ERRAND;
import static com.shuttle.schema.Tables.CHANNEL_HEARD;

import com.shuttle.core.channel.PhoneKind;
import com.shuttle.schema.tables.records.ChannelContactRecord;
import com.shuttle.schema.tables.records.ChannelRecord;
import com.shuttle.web.Json;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Channels, and who is reached by them, in the database. */
@Repository
class ChannelStore {

    private final DSLContext db;

    ChannelStore(DSLContext db) {
        this.db = db;
    }

    private static Channel channel(ChannelRecord row) {
        return new Channel(
                row.getId(),
                row.getName(),
                PhoneKind.of(row.getKind()),
                row.getNumber(),
                Json.strings(row.getBots()),
                row.getAddress(),
                row.getSealedKey(),
                row.getTemplate());
    }

    /** All that are not deleted, by name. */
    List<Channel> channels() {
        return db.selectFrom(CHANNEL)
                .where(CHANNEL.DELETED_AT.isNull())
                .orderBy(DSL.lower(CHANNEL.NAME), CHANNEL.ID)
                .fetch(ChannelStore::channel);
    }

    Optional<Channel> channel(String id) {
        return db.selectFrom(CHANNEL)
                .where(CHANNEL.ID.eq(id), CHANNEL.DELETED_AT.isNull())
                .fetchOptional(ChannelStore::channel);
    }

    void keep(Channel channel, Instant at) {
        ChannelRecord row = db.newRecord(CHANNEL);
        row.setName(channel.name());
        row.setKind(channel.kind().key());
        row.setNumber(channel.number());
        row.setBots(Json.write(channel.bots()));
        row.setAddress(channel.address());
        row.setSealedKey(channel.sealedKey());
        row.setTemplate(channel.template());
        int changed =
                db.update(CHANNEL).set(row).where(CHANNEL.ID.eq(channel.id())).execute();
        if (changed == 0) {
            row.setId(channel.id());
            row.setMadeAt(at);
            row.store();
        }
    }

    void delete(String id, @Nullable Instant at) {
        db.update(CHANNEL).set(CHANNEL.DELETED_AT, at).where(CHANNEL.ID.eq(id)).execute();
    }

    // Who is reached

    Optional<Contact> contact(String channel, String number) {
        return db.selectFrom(CHANNEL_CONTACT)
                .where(CHANNEL_CONTACT.CHANNEL_ID.eq(channel), CHANNEL_CONTACT.NUMBER.eq(number))
                .fetchOptional(ChannelStore::contact);
    }

    private static Contact contact(ChannelContactRecord row) {
        return new Contact(
                row.getChannelId(),
                row.getNumber(),
                row.getConversationId(),
                row.getPage(),
                row.getHeardAt(),
                row.getStoppedAt());
    }

    void keep(Contact contact) {
        db.insertInto(CHANNEL_CONTACT)
                .set(CHANNEL_CONTACT.CHANNEL_ID, contact.channel())
                .set(CHANNEL_CONTACT.NUMBER, contact.number())
                .set(CHANNEL_CONTACT.CONVERSATION_ID, contact.conversation())
                .set(CHANNEL_CONTACT.PAGE, contact.page())
                .set(CHANNEL_CONTACT.HEARD_AT, contact.heardAt())
                .set(CHANNEL_CONTACT.STOPPED_AT, contact.stoppedAt())
                .onDuplicateKeyUpdate()
                .set(CHANNEL_CONTACT.CONVERSATION_ID, contact.conversation())
                .set(CHANNEL_CONTACT.PAGE, contact.page())
                .set(CHANNEL_CONTACT.HEARD_AT, contact.heardAt())
                .set(CHANNEL_CONTACT.STOPPED_AT, contact.stoppedAt())
                .execute();
    }

    void page(Contact.Reached reached, int page) {
        db.update(CHANNEL_CONTACT)
                .set(CHANNEL_CONTACT.PAGE, page)
                .where(CHANNEL_CONTACT.CHANNEL_ID.eq(reached.channel()))
                .and(CHANNEL_CONTACT.NUMBER.eq(reached.number()))
                .execute();
    }

    /** Deletes what is known of somebody, and what was sent to them outside of conversations. */
    void forget(Contact.Reached reached) {
        db.deleteFrom(CHANNEL_ERRAND)
                .where(CHANNEL_ERRAND.CHANNEL_ID.eq(reached.channel()))
                .and(CHANNEL_ERRAND.NUMBER.eq(reached.number()))
                .and(CHANNEL_ERRAND.CONVERSATION_ID.isNull())
                .execute();
        db.deleteFrom(CHANNEL_CONTACT)
                .where(CHANNEL_CONTACT.CHANNEL_ID.eq(reached.channel()))
                .and(CHANNEL_CONTACT.NUMBER.eq(reached.number()))
                // Whoever wants no messages is known as long as the channel is.
                .and(CHANNEL_CONTACT.STOPPED_AT.isNull())
                .execute();
    }

    // What was heard

    boolean heard(String channel, String message) {
        return db.fetchExists(
                CHANNEL_HEARD, CHANNEL_HEARD.CHANNEL_ID.eq(channel).and(CHANNEL_HEARD.MESSAGE_ID.eq(message)));
    }

    /** @throws org.springframework.dao.DuplicateKeyException if it was heard before */
    void hear(String channel, String message, Instant at) {
        db.insertInto(CHANNEL_HEARD)
                .set(CHANNEL_HEARD.CHANNEL_ID, channel)
                .set(CHANNEL_HEARD.MESSAGE_ID, message)
                .set(CHANNEL_HEARD.AT, at)
                .execute();
    }
}
