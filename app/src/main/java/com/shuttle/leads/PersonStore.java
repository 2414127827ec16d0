package com.shuttle.leads;

import static com.shuttle.schema.Tables.MILESTONE;
import static com.shuttle.schema.Tables.PERSON;
import static com.shuttle.schema.Tables.PERSON_CONVERSATION;
import static com.shuttle.schema.Tables.PERSON_LOCK;

import com.shuttle.schema.tables.records.PersonRecord;
import com.shuttle.web.Fit;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.jooq.TableField;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** People in the database, and whose conversations were whose. */
@Repository
class PersonStore {

    private static final int STRIPES = 16;

    private final DSLContext db;

    PersonStore(DSLContext db) {
        this.db = db;
    }

    /** Keeps others from looking for somebody with one of these addresses and making them, until the transaction is over. */
    void lock(Collection<String> addresses) {
        int[] stripes = addresses.stream()
                .filter(address -> !address.isEmpty())
                .flatMapToInt(address -> IntStream.of(Math.floorMod(address.hashCode(), STRIPES)))
                .distinct()
                .sorted()
                .toArray();
        for (int stripe : stripes) {
            db.select(PERSON_LOCK.STRIPE)
                    .from(PERSON_LOCK)
                    .where(PERSON_LOCK.STRIPE.eq(stripe))
                    .forUpdate()
                    .fetch();
        }
    }

    Optional<Person> find(String id) {
        return db.selectFrom(PERSON).where(PERSON.ID.eq(id)).fetchOptional(PersonStore::person);
    }

    List<Person> all(Collection<String> ids) {
        return db.selectFrom(PERSON).where(PERSON.ID.in(ids)).fetch(PersonStore::person);
    }

    /** Those who have one of these addresses, longest known first; an empty one is nobody's. */
    List<Person> at(String email, String phone) {
        return db.selectFrom(PERSON)
                .where(email.isEmpty() ? DSL.falseCondition() : PERSON.EMAIL.eq(email))
                .or(phone.isEmpty() ? DSL.falseCondition() : PERSON.PHONE.eq(phone))
                .orderBy(PERSON.MADE_AT, PERSON.ID)
                .fetch(PersonStore::person);
    }

    /** Whose conversation it was. */
    Optional<Person> ofConversation(String conversation) {
        return db.select(PERSON.fields())
                .from(PERSON)
                .join(PERSON_CONVERSATION)
                .on(PERSON_CONVERSATION.PERSON_ID.eq(PERSON.ID))
                .where(PERSON_CONVERSATION.CONVERSATION_ID.eq(conversation))
                .fetchOptional(row -> person(row.into(PERSON)));
    }

    void insert(Person person) {
        PersonRecord row = db.newRecord(PERSON);
        fill(row, person);
        row.setId(person.id());
        row.insert();
    }

    /** @return whether nobody else changed it meanwhile */
    boolean update(Person person) {
        PersonRecord row = db.newRecord(PERSON);
        fill(row, person);
        row.setVersion(person.version() + 1);
        return db.update(PERSON)
                        .set(row)
                        .where(PERSON.ID.eq(person.id()))
                        .and(PERSON.VERSION.eq(person.version()))
                        .execute()
                == 1;
    }

    void delete(String id) {
        db.deleteFrom(PERSON).where(PERSON.ID.eq(id)).execute();
    }

    /** Notes whose conversation it was, in place of whose it was thought to be. @return whether that is new */
    boolean link(String conversation, String person, String bot, Instant at) {
        boolean known = db.fetchExists(
                PERSON_CONVERSATION,
                PERSON_CONVERSATION.CONVERSATION_ID.eq(conversation).and(PERSON_CONVERSATION.PERSON_ID.eq(person)));
        if (known) {
            return false;
        }
        db.deleteFrom(PERSON_CONVERSATION)
                .where(PERSON_CONVERSATION.CONVERSATION_ID.eq(conversation))
                .execute();
        db.insertInto(PERSON_CONVERSATION)
                .set(PERSON_CONVERSATION.CONVERSATION_ID, conversation)
                .set(PERSON_CONVERSATION.PERSON_ID, person)
                .set(PERSON_CONVERSATION.BOT_ID, bot)
                .set(PERSON_CONVERSATION.AT, at)
                .execute();
        return true;
    }

    void unlink(String conversation) {
        db.deleteFrom(PERSON_CONVERSATION)
                .where(PERSON_CONVERSATION.CONVERSATION_ID.eq(conversation))
                .execute();
    }

    /** Ids of somebody's conversations, latest first. */
    List<String> conversations(String person) {
        return db.select(PERSON_CONVERSATION.CONVERSATION_ID)
                .from(PERSON_CONVERSATION)
                .where(PERSON_CONVERSATION.PERSON_ID.eq(person))
                .orderBy(PERSON_CONVERSATION.AT.desc(), PERSON_CONVERSATION.CONVERSATION_ID)
                .fetch(PERSON_CONVERSATION.CONVERSATION_ID);
    }

    /** What the milestones of somebody's conversations are worth together. */
    BigDecimal worth(String person) {
        BigDecimal worth = db.select(DSL.sum(MILESTONE.WORTH))
                .from(MILESTONE)
                .join(PERSON_CONVERSATION)
                .on(PERSON_CONVERSATION.CONVERSATION_ID.eq(MILESTONE.CONVERSATION_ID))
                .where(PERSON_CONVERSATION.PERSON_ID.eq(person))
                .fetchSingle()
                .value1();
        return worth == null ? BigDecimal.ZERO : worth;
    }

    /** Of these accounts, the one who was given a lead longest ago, or never. */
    Optional<String> nextInTurn(List<String> accounts) {
        var last = db.select(PERSON.OWNER_ID, DSL.max(PERSON.LEAD_AT))
                .from(PERSON)
                .where(PERSON.OWNER_ID.in(accounts))
                .groupBy(PERSON.OWNER_ID)
                .fetchMap(PERSON.OWNER_ID, DSL.max(PERSON.LEAD_AT));
        return accounts.stream()
                .min((a, b) -> last.getOrDefault(a, Instant.MIN).compareTo(last.getOrDefault(b, Instant.MIN)));
    }

    /** Leads made or met again since. */
    int since(String bot, Instant since) {
        return db.fetchCount(
                PERSON, PERSON.BOT_ID.eq(bot).and(PERSON.LEAD_AT.isNotNull()).and(PERSON.LAST_AT.ge(since)));
    }

    private static void fill(PersonRecord row, Person person) {
        row.setName(fit(person.name(), PERSON.NAME));
        row.setNameKey(fit(person.called(), PERSON.NAME_KEY).toLowerCase(Locale.ROOT));
        row.setEmail(person.email().isEmpty() ? null : fit(person.email(), PERSON.EMAIL));
        row.setPhone(fit(person.phone(), PERSON.PHONE));
        row.setCompany(fit(person.company(), PERSON.COMPANY));
        row.setMadeAt(person.madeAt());
        row.setLastAt(person.lastAt());
        row.setLeadAt(person.leadAt());
        row.setState(person.state());
        row.setOwnerId(person.owner());
        row.setPoints(person.points());
        row.setBand(fit(person.band(), PERSON.BAND));
        row.setCardId(person.card());
        row.setWorth(person.worth());
        row.setBotId(person.bot());
        row.setConversationId(person.conversation());
        row.setConversations(person.conversations());
        row.setChannel(fit(person.channel(), PERSON.CHANNEL));
        row.setPage(fit(person.page(), PERSON.PAGE));
        row.setCampaign(fit(person.campaign(), PERSON.CAMPAIGN));
        row.setTags(tags(person.tags()));
        row.setAgreedAt(person.agreedAt());
        row.setStoppedAt(person.stoppedAt());
        row.setStoppedWhy(person.stoppedWhy());
        row.setVersion(person.version());
    }

    private static String fit(String text, TableField<PersonRecord, String> field) {
        return Fit.within(text, field.getDataType().length());
    }

    /** Between commas, and with one at either end, so that one of them can be looked for. */
    static String tags(List<String> tags) {
        return tags.isEmpty() ? "" : "," + String.join(",", tags) + ",";
    }

    static Person person(PersonRecord row) {
        return new Person(
                row.getId(),
                row.getName(),
                row.getEmail() == null ? "" : row.getEmail(),
                row.getPhone(),
                row.getCompany(),
                row.getMadeAt(),
                row.getLastAt(),
                row.getLeadAt(),
                row.getState(),
                row.getOwnerId(),
                row.getPoints(),
                row.getBand(),
                row.getCardId(),
                row.getWorth(),
                row.getBotId(),
                row.getConversationId(),
                row.getConversations(),
                row.getChannel(),
                row.getPage(),
                row.getCampaign(),
                Arrays.stream(row.getTags().split(","))
                        .filter(tag -> !tag.isEmpty())
                        .toList(),
                row.getAgreedAt(),
                row.getStoppedAt(),
                row.getStoppedWhy(),
                row.getVersion());
    }
}
