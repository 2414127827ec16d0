package com.shuttle.leads;

import static com.shuttle.schema.Tables.MILESTONE;
import static com.shuttle.schema.Tables.PERSON;
import static com.shuttle.schema.Tables.PERSON_FIELD;

import com.shuttle.web.Like;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.InstantSource;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.SortField;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Finding leads in the database: the list, the board, and how many there are. */
@Repository
class LeadSearchStore {

    private final DSLContext db;
    private final SegmentTermsStore terms;
    private final InstantSource clock;

    LeadSearchStore(DSLContext db, SegmentTermsStore terms, InstantSource clock) {
        this.db = db;
        this.terms = terms;
        this.clock = clock;
    }

    /** @param wanted filtered by {@code state}, {@code owner}, {@code bot} and {@code band}; sorted by a column's name */
    Page<Person> list(Wanted wanted, Segment segment) {
        Condition condition = condition(wanted, segment);
        List<Person> found = db.selectFrom(PERSON)
                .where(condition)
                .orderBy(order(wanted))
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(PersonStore::person);
        return Page.of(found, wanted.page(), db.fetchCount(PERSON, condition));
    }

    /** Ids of all that {@link #list} has, in no order. */
    List<String> ids(Wanted wanted, Segment segment) {
        return db.select(PERSON.ID)
                .from(PERSON)
                .where(condition(wanted, segment))
                .fetch(PERSON.ID);
    }

    private Condition condition(Wanted wanted, Segment segment) {
        Condition condition = PERSON.LEAD_AT.isNotNull().and(in(segment));
        if (!wanted.search().isEmpty()) {
            String like = Like.containing(wanted.search());
            condition = condition.and(PERSON.NAME_KEY
                    .like(like, Like.ESCAPE)
                    .or(PERSON.EMAIL.like(like, Like.ESCAPE))
                    .or(PERSON.PHONE.like(like, Like.ESCAPE))
                    .or(DSL.lower(PERSON.COMPANY).like(like, Like.ESCAPE)));
        }
        condition = condition
                .and(equal(PERSON.STATE, wanted.filter("state")))
                .and(equal(PERSON.OWNER_ID, wanted.filter("owner")))
                .and(equal(PERSON.BOT_ID, wanted.filter("bot")))
                .and(equal(PERSON.BAND, wanted.filter("band")));
        return condition;
    }

    private static Condition equal(Field<String> field, String value) {
        return value.isEmpty() ? DSL.noCondition() : field.eq(value.equals("-") ? "" : value);
    }

    Condition in(Segment segment) {
        return terms.in(segment, clock.instant());
    }

    private static List<SortField<?>> order(Wanted wanted) {
        Field<?> by = by(wanted.by("last"));
        boolean falling = wanted.by("").isEmpty() || wanted.turned();
        SortField<?> first = falling ? by.desc() : by.asc();
        boolean nullable = by == PERSON.POINTS || by == PERSON.AGREED_AT;
        return List.of(nullable ? first.nullsLast() : first, falling ? PERSON.ID.desc() : PERSON.ID.asc());
    }

    private static Field<?> by(String column) {
        return switch (column) {
            case "name" -> PERSON.NAME_KEY;
            case "points" -> PERSON.POINTS;
            case "state" -> PERSON.STATE;
            case "owner" -> PERSON.OWNER_ID;
            case "worth" -> PERSON.WORTH;
            case "made" -> PERSON.LEAD_AT;
            case "conversations" -> PERSON.CONVERSATIONS;
            case "company" -> PERSON.COMPANY;
            case "email" -> PERSON.EMAIL;
            case "band" -> PERSON.BAND;
            default ->
                column.startsWith("field:")
                        ? DSL.field(
                                DSL.select(DSL.coalesce(PERSON_FIELD.FIGURE.cast(String.class), PERSON_FIELD.CONTENT))
                                        .from(PERSON_FIELD)
                                        .where(PERSON_FIELD.PERSON_ID.eq(PERSON.ID))
                                        .and(PERSON_FIELD.FIELD.eq(column.substring(6))))
                        : PERSON.LAST_AT;
        };
    }

    int count(Segment segment) {
        return db.fetchCount(PERSON, PERSON.LEAD_AT.isNotNull().and(in(segment)));
    }

    /** Whether somebody is in a segment. */
    boolean isIn(String person, Segment segment) {
        return db.fetchExists(PERSON, PERSON.ID.eq(person).and(in(segment)));
    }

    /** How many leads are in each state. */
    Map<String, Integer> inStates(Segment segment) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        db.select(PERSON.STATE, DSL.count())
                .from(PERSON)
                .where(PERSON.LEAD_AT.isNotNull().and(in(segment)))
                .groupBy(PERSON.STATE)
                .forEach(row -> counts.put(row.value1(), row.value2()));
        return counts;
    }

    /** Some leads in a state, last heard first. */
    List<Person> inState(String state, Segment segment, int most) {
        return db.selectFrom(PERSON)
                .where(PERSON.STATE.eq(state).and(PERSON.LEAD_AT.isNotNull()).and(in(segment)))
                .orderBy(PERSON.LAST_AT.desc(), PERSON.ID.desc())
                .limit(most)
                .fetch(PersonStore::person);
    }

    /** Names of the bands that there are leads in. */
    List<String> bands() {
        return db.selectDistinct(PERSON.BAND)
                .from(PERSON)
                .where(PERSON.BAND.ne(""))
                .orderBy(PERSON.BAND)
                .limit(50)
                .fetch(PERSON.BAND);
    }

    /** Names of the milestones that were reached. */
    List<String> milestones() {
        return db.selectDistinct(MILESTONE.NAME)
                .from(MILESTONE)
                .orderBy(MILESTONE.NAME)
                .limit(100)
                .fetch(MILESTONE.NAME);
    }

    boolean any() {
        return db.fetchExists(PERSON, PERSON.LEAD_AT.isNotNull());
    }
}
