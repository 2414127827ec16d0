package com.shuttle.leads;

import static com.shuttle.schema.Tables.BOOKING;
import static com.shuttle.schema.Tables.LEAD_TASK;
import static com.shuttle.schema.Tables.MILESTONE;
import static com.shuttle.schema.Tables.PERSON;
import static com.shuttle.schema.Tables.PERSON_CONVERSATION;
import static com.shuttle.schema.Tables.PERSON_FIELD;

import com.shuttle.leads.Segment.How;
import com.shuttle.leads.Segment.Term;
import com.shuttle.web.Like;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.util.Locale;
import java.util.function.BiFunction;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The conditions of segments as conditions over the rows of people. A term that cannot be read holds for nobody. Thread-safe. */
@Component
class SegmentTermsStore {

    private static final int MOST_DAYS = 36_500;

    Condition in(Segment segment, Instant now) {
        Condition all = null;
        for (Term term : segment.terms()) {
            Condition one = one(term, now);
            all = all == null ? one : segment.anyOf() ? all.or(one) : all.and(one);
        }
        return all == null ? DSL.noCondition() : all;
    }

    private static Condition one(Term term, Instant now) {
        return switch (term.field()) {
            case "state" -> text(PERSON.STATE, term);
            case "band" -> text(PERSON.BAND, term);
            case "owner" -> text(PERSON.OWNER_ID, term);
            case "bot" -> text(PERSON.BOT_ID, term);
            case "name" -> text(PERSON.NAME, term);
            case "email" -> text(PERSON.EMAIL, term);
            case "phone" -> text(PERSON.PHONE, term);
            case "company" -> text(PERSON.COMPANY, term);
            case "channel" -> text(PERSON.CHANNEL, term);
            case "page" -> text(PERSON.PAGE, term);
            case "campaign" -> text(PERSON.CAMPAIGN, term);
            case "tags" -> tag(term);
            case "points" -> number(PERSON.POINTS.cast(BigDecimal.class), term);
            case "worth" -> number(PERSON.WORTH, term);
            case "conversations" -> number(PERSON.CONVERSATIONS.cast(BigDecimal.class), term);
            case "made" -> date(PERSON.LEAD_AT, term, now);
            case "last" -> date(PERSON.LAST_AT, term, now);
            case "consent" -> flag(term, PERSON.AGREED_AT.isNotNull().and(PERSON.STOPPED_AT.isNull()));
            case "task" ->
                flag(
                        term,
                        DSL.exists(DSL.selectOne()
                                .from(LEAD_TASK)
                                .where(LEAD_TASK.PERSON_ID.eq(PERSON.ID))
                                .and(LEAD_TASK.DONE_AT.isNull())));
            case "booked" -> flag(term, booked(now));
            case "milestone" -> milestone(term);
            default -> term.field().startsWith("field:") ? own(term, now) : DSL.falseCondition();
        };
    }

    private static Condition flag(Term term, Condition holds) {
        return term.how() == How.EMPTY ? DSL.not(holds) : holds;
    }

    private static Condition booked(Instant now) {
        return DSL.exists(DSL.selectOne()
                .from(BOOKING)
                .where(DSL.lower(BOOKING.EMAIL).eq(PERSON.EMAIL))
                .and(BOOKING.STARTS_AT.gt(now))
                .and(BOOKING.STATE.eq("booked")));
    }

    private static Condition milestone(Term term) {
        Condition which = term.how().compares() ? MILESTONE.NAME.eq(term.value()) : DSL.noCondition();
        Condition reached = DSL.exists(DSL.selectOne()
                .from(PERSON_CONVERSATION)
                .join(MILESTONE)
                .on(MILESTONE.CONVERSATION_ID.eq(PERSON_CONVERSATION.CONVERSATION_ID))
                .where(PERSON_CONVERSATION.PERSON_ID.eq(PERSON.ID))
                .and(which));
        return term.how() == How.IS_NOT || term.how() == How.EMPTY ? DSL.not(reached) : reached;
    }

    private static Condition tag(Term term) {
        Condition has = term.how().compares()
                ? DSL.lower(PERSON.TAGS)
                        .like(Like.containing("," + term.value().strip().toLowerCase(Locale.ROOT) + ","), Like.ESCAPE)
                : PERSON.TAGS.ne("");
        return term.how() == How.IS_NOT || term.how() == How.EMPTY ? DSL.not(has) : has;
    }

    private static Condition own(Term term, Instant now) {
        Condition of = PERSON_FIELD
                .PERSON_ID
                .eq(PERSON.ID)
                .and(PERSON_FIELD.FIELD.eq(term.field().substring(6)));
        boolean not = term.how() == How.IS_NOT || term.how() == How.EMPTY;
        Condition holds = switch (term.how()) {
            case FILLED, EMPTY -> DSL.noCondition();
            case AT_LEAST, AT_MOST -> figure(term);
            case WITHIN, BEFORE -> day(term, now);
            case IS, IS_NOT ->
                DSL.lower(PERSON_FIELD.CONTENT).eq(term.value().strip().toLowerCase(Locale.ROOT));
            case HAS -> DSL.lower(PERSON_FIELD.CONTENT).like(Like.containing(term.value()), Like.ESCAPE);
        };
        Condition exists =
                DSL.exists(DSL.selectOne().from(PERSON_FIELD).where(of).and(holds));
        return not ? DSL.not(exists) : exists;
    }

    private static Condition figure(Term term) {
        LocalDate day = day(term.value());
        BigDecimal number = day == null ? number(term.value()) : BigDecimal.valueOf(day.toEpochDay());
        return compared(PERSON_FIELD.FIGURE, term.how(), number);
    }

    private static Condition day(Term term, Instant now) {
        BigDecimal days = number(term.value());
        if (days == null) {
            return DSL.falseCondition();
        }
        BigDecimal from = BigDecimal.valueOf(
                        LocalDate.ofInstant(now, ZoneOffset.UTC).toEpochDay())
                .subtract(days);
        return term.how() == How.WITHIN ? PERSON_FIELD.FIGURE.ge(from) : PERSON_FIELD.FIGURE.lt(from);
    }

    private static Condition text(Field<String> field, Term term) {
        String value = term.value().strip().toLowerCase(Locale.ROOT);
        return switch (term.how()) {
            case FILLED -> field.isNotNull().and(field.ne(""));
            case EMPTY -> field.isNull().or(field.eq(""));
            case IS -> DSL.lower(field).eq(value);
            case IS_NOT -> field.isNull().or(DSL.lower(field).ne(value));
            case HAS -> DSL.lower(field).like(Like.containing(value), Like.ESCAPE);
            case AT_LEAST, AT_MOST, WITHIN, BEFORE -> DSL.falseCondition();
        };
    }

    private static Condition number(Field<BigDecimal> field, Term term) {
        return switch (term.how()) {
            case FILLED -> field.isNotNull();
            case EMPTY -> field.isNull();
            case IS, AT_LEAST, AT_MOST -> compared(field, term.how(), number(term.value()));
            case IS_NOT, HAS, WITHIN, BEFORE -> DSL.falseCondition();
        };
    }

    private static <T> Condition compared(Field<T> field, How how, @Nullable T value) {
        return value == null
                ? DSL.falseCondition()
                : how == How.AT_LEAST ? field.ge(value) : how == How.AT_MOST ? field.le(value) : field.eq(value);
    }

    private static Condition date(Field<Instant> field, Term term, Instant now) {
        BiFunction<How, @Nullable Instant, Condition> compare = (how, at) -> compared(field, how, at);
        return switch (term.how()) {
            case FILLED -> field.isNotNull();
            case EMPTY -> field.isNull();
            case WITHIN -> compare.apply(How.AT_LEAST, ago(term, now));
            case BEFORE -> compare.apply(How.AT_MOST, ago(term, now));
            case AT_LEAST -> compare.apply(How.AT_LEAST, start(term.value(), 0));
            case AT_MOST -> compare.apply(How.AT_MOST, start(term.value(), 1));
            case IS, IS_NOT, HAS -> DSL.falseCondition();
        };
    }

    private static @Nullable Instant ago(Term term, Instant now) {
        BigDecimal days = number(term.value());
        return days == null ? null : now.minus(Duration.ofDays(Math.clamp(days.longValue(), 0, MOST_DAYS)));
    }

    private static @Nullable Instant start(String written, int daysOn) {
        LocalDate day = day(written);
        return day == null
                ? null
                : day.plusDays(daysOn).atStartOfDay(ZoneOffset.UTC).toInstant();
    }

    private static @Nullable LocalDate day(String written) {
        try {
            return LocalDate.parse(written.strip());
        } catch (DateTimeParseException none) {
            return null;
        }
    }

    static @Nullable BigDecimal number(String written) {
        String bare = written.strip().replace(",", "");
        return bare.matches("-?\\d{1,12}(\\.\\d{1,6})?") ? new BigDecimal(bare) : null;
    }
}
