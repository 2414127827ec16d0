package com.shuttle.core.reading;

import com.shuttle.core.reading.WishDays.Extent;
import com.shuttle.core.reading.WishDays.Found;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Weeks, weekends and months, and stretches of days from today, as people wish for them. A week begins on Monday. */
final class WishWeeks {

    private static final Set<String> THIS = Set.of("this", "current", "the");
    private static final Set<String> ANY = Set.of("a", "an", "any", "every", "each", "some", "all", "one");
    private static final Set<DayOfWeek> WEEKEND = EnumSet.of(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY);
    private static final Map<String, Integer> COUNTS = Map.of("couple", 2, "few", 4, "fortnight", 14);

    private final Tokens tokens;
    private final Context context;
    private final LocalDate today;
    private final WishDays days;

    WishWeeks(Tokens tokens, Context context, WishDays days) {
        this.tokens = tokens;
        this.context = context;
        this.today = context.now().toLocalDate();
        this.days = days;
    }

    /** "First week of April", "the last week in March". */
    @Nullable
    Found numberedWeek(int at) {
        boolean last = tokens.is(at, "last");
        boolean figure = tokens.isFigures(at, 1, 1) && tokens.is(at + 1, Set.of("st", "nd", "rd", "th"));
        int which = figure ? tokens.word(at).charAt(0) - '0' : CalendarWords.ordinal(tokens.word(at));
        int week = figure ? at + 2 : at + 1;
        if (!last && (which < 1 || which > 5)
                || !tokens.is(week, Set.of("week", "weekend"))
                || !tokens.is(week + 1, Set.of("of", "in"))) {
            return null;
        }
        Found month = month(tokens.is(week + 2, "the") ? week + 3 : week + 2);
        if (month == null) {
            return null;
        }
        LocalDate end = month.to();
        if (tokens.is(week, "weekend")) {
            LocalDate saturday =
                    month.from().with(TemporalAdjusters.dayOfWeekInMonth(last ? -1 : which, DayOfWeek.SATURDAY));
            return WishDays.span(saturday, saturday.plusDays(1), Extent.SPAN, month.next());
        }
        LocalDate from = last ? end.minusDays(6) : month.from().plusDays(7L * (which - 1));
        return WishDays.span(from, last ? end : from.plusDays(6), Extent.WEEK, month.next());
    }

    /** "The next two weeks", "in the next few days", "within a week". */
    @Nullable
    Found ahead(int i) {
        int at = tokens.skip(i, Set.of("in", "within", "over", "during"));
        boolean within = tokens.is(i, "within");
        int after = tokens.is(at, "the") ? at + 1 : at;
        boolean next = tokens.is(after, Set.of("next", "coming", "following"));
        if (!next && !within) {
            return null;
        }
        int count = next ? after + 1 : at;
        count = tokens.is(count, "a") ? count + 1 : count;
        Integer many = COUNTS.get(tokens.word(count));
        int unit = count + 1;
        if (many == null) {
            Numerals.Parsed number = Numerals.at(tokens, count, context);
            if (number != null && number.value().scale() <= 0 && number.value().intValue() <= 400) {
                many = number.value().intValue();
                unit = number.next();
            } else if (within) {
                many = 1;
                unit = tokens.is(count, "the") ? count + 1 : count;
            } else {
                return null;
            }
        } else if (tokens.is(count, "fortnight")) {
            return WishDays.span(today, today.plusDays(14), Extent.SPAN, unit);
        }
        unit = tokens.is(unit, "of") ? unit + 1 : unit;
        if (tokens.is(unit, Set.of("day", "days"))) {
            return WishDays.span(today, today.plusDays(many), Extent.SPAN, unit + 1);
        }
        if (tokens.is(unit, WishDays.WEEK)) {
            return WishDays.span(today, today.plusWeeks(many), Extent.SPAN, unit + 1);
        }
        return tokens.is(unit, Set.of("month", "months"))
                ? WishDays.span(today, today.plusMonths(many), Extent.SPAN, unit + 1)
                : null;
    }

    // Whole weeks and months

    @Nullable
    Found whole(int i) {
        Found week = weekAt(i);
        if (week != null) {
            return week;
        }
        Found weekend = weekend(i);
        return weekend != null ? weekend : month(i);
    }

    static Found week(LocalDate in, int next) {
        LocalDate monday = in.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        return WishDays.span(monday, monday.plusDays(6), Extent.WEEK, next);
    }

    @Nullable
    Found weekAt(int i) {
        int at = tokens.is(i, "the") ? i + 1 : i;
        if (tokens.is(at, WishDays.WEEK) && tokens.follows(at + 1, "after", "next")) {
            return week(today.plusWeeks(2), at + 3);
        }
        boolean begins = tokens.is(at, "w") && tokens.is(at + 1, Set.of("/", "c"));
        if (tokens.is(at, WishDays.WEEK) || begins) {
            int of = begins
                    ? tokens.skip(at, Set.of("w", "/", "c"))
                    : tokens.is(at + 1, Set.of("of", "commencing", "beginning", "starting", "from", "with"))
                            ? at + 2
                            : at;
            Found day = of > at ? days.day(tokens.is(of, "on") ? of + 1 : of) : null;
            return day == null ? null : week(day.from(), day.next());
        }
        if (tokens.is(i, Set.of("this", "current")) && tokens.is(i + 1, WishDays.WEEK)) {
            LocalDate sunday = today.with(TemporalAdjusters.nextOrSame(DayOfWeek.SUNDAY));
            return WishDays.span(today, sunday, Extent.WEEK, i + 2);
        }
        if (tokens.is(i, "this")
                && tokens.is(i + 1, "or")
                && tokens.is(i + 2, WishDays.NEXT)
                && tokens.is(i + 3, WishDays.WEEK)) {
            return WishDays.span(today, today.with(TemporalAdjusters.nextOrSame(DayOfWeek.SUNDAY)), Extent.WEEK, i + 1);
        }
        if (tokens.is(at, WishDays.NEXT) && tokens.is(at + 1, WishDays.WEEK)) {
            return week(today.plusWeeks(1), at + 2);
        }
        if (tokens.is(i, "in") && tokens.is(i + 1, "a") && tokens.is(i + 2, WishDays.WEEK) && tokens.is(i + 3, "or")) {
            return WishDays.span(today.plusWeeks(1), today.plusWeeks(2), Extent.SPAN, i + 5);
        }
        if (tokens.follows(i, "in", "a", "few", "days") || tokens.follows(i, "in", "a", "couple", "of", "days")) {
            return WishDays.span(
                    today.plusDays(2), today.plusDays(5), Extent.SPAN, tokens.is(i + 2, "few") ? i + 4 : i + 5);
        }
        if (tokens.follows(i, "in", "a", "couple", "of") && tokens.is(i + 4, WishDays.WEEK)) {
            return week(today.plusWeeks(2), i + 5);
        }
        Numerals.Parsed in = tokens.is(i, "in") ? Numerals.at(tokens, i + 1, context) : null;
        boolean weeks =
                in != null && tokens.is(in.next(), WishDays.WEEK) && in.value().intValue() <= 60;
        boolean fortnight = tokens.is(i, "in") && tokens.is(tokens.is(i + 1, "a") ? i + 2 : i + 1, "fortnight");
        if (weeks && in != null && tokens.follows(in.next() + 1, "time")) {
            return week(today.plusWeeks(in.value().intValue()), in.next() + 2);
        }
        return fortnight ? WishDays.span(today.plusWeeks(2), today.plusWeeks(2), Extent.DAY, i + 3) : null;
    }

    @Nullable
    Found weekend(int i) {
        int at = tokens.is(i, THIS) || tokens.is(i, WishDays.NEXT) || tokens.is(i, ANY) ? i + 1 : i;
        if (!tokens.is(at, Set.of("weekend", "weekends"))) {
            return null;
        }
        LocalDate saturday = today.with(TemporalAdjusters.nextOrSame(DayOfWeek.SATURDAY));
        if (tokens.is(i, WishDays.NEXT)) {
            LocalDate following = today.getDayOfWeek().getValue() < 6 ? saturday.plusWeeks(1) : saturday;
            return WishDays.span(following, following.plusDays(1), Extent.SPAN, at + 1);
        }
        return tokens.is(i, THIS) && !tokens.is(i - 1, "at")
                ? WishDays.span(saturday, saturday.plusDays(1), Extent.SPAN, at + 1)
                : new Found(List.of(), WEEKEND, Extent.WEEKDAYS, at + 1);
    }

    @Nullable
    Found month(int i) {
        YearMonth now = YearMonth.from(today);
        if (tokens.is(i, Set.of("this", "the")) && tokens.is(i + 1, "month")) {
            return WishDays.span(today, now.atEndOfMonth(), Extent.MONTH, i + 2);
        }
        if (tokens.is(i, WishDays.NEXT) && tokens.is(i + 1, "month")) {
            YearMonth next = now.plusMonths(1);
            return WishDays.span(next.atDay(1), next.atEndOfMonth(), Extent.MONTH, i + 2);
        }
        if (tokens.is(i, "the") && tokens.follows(i + 1, "month", "after", "next")) {
            YearMonth next = now.plusMonths(2);
            return WishDays.span(next.atDay(1), next.atEndOfMonth(), Extent.MONTH, i + 4);
        }
        Month month = tokens.at(i).letters() ? CalendarWords.month(tokens.word(i)) : null;
        boolean verb = tokens.is(i - 1, Set.of("i", "we", "you", "they", "that"));
        if (month == null
                || verb
                || tokens.is(i, "may") && tokens.at(i + 1).letters() && !tokens.is(i - 1, MONTH_LEADS)
                || tokens.at(i + 1).figure() && days.day(i) != null) {
            return null;
        }
        YearMonth named = YearMonth.of(today.getYear(), month);
        YearMonth next = named.isBefore(now) ? named.plusYears(1) : named;
        return WishDays.span(next.equals(now) ? today : next.atDay(1), next.atEndOfMonth(), Extent.MONTH, i + 1);
    }

    private static final Set<String> MONTH_LEADS =
            Set.of("in", "of", "during", "early", "mid", "late", "from", "until", "till", "before", "after", "by", "-");
}
