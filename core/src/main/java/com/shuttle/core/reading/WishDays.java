package com.shuttle.core.reading;

import com.shuttle.core.reading.Wish.Days;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Days as people wish for them: weeks, months and parts of them, weekdays, and single days. A week begins on Monday; the first
 * third of a month is early, the last ten days are late.
 */
final class WishDays {

    static final Set<String> NEXT = Set.of("next", "following", "coming", "nxt");
    static final Set<String> WEEK = Set.of("week", "wk", "weeks");
    private static final Set<String> ANY = Set.of("a", "an", "any", "every", "each", "some", "all", "one");
    private static final Set<String> EARLY = Set.of("early", "beginning", "start");
    private static final Set<String> LATE = Set.of("late", "end");
    private static final Set<String> MIDDLE = Set.of("mid", "middle", "midweek");
    private static final Set<DayOfWeek> WORKING = EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY);
    private static final Set<DayOfWeek> MIDWEEK = EnumSet.range(DayOfWeek.TUESDAY, DayOfWeek.THURSDAY);
    private static final LocalDate LAST = LocalDate.of(9999, 12, 31);

    private final Tokens tokens;
    private final Context context;
    private final LocalDate today;
    private final WishWeeks weeks;

    WishDays(Tokens tokens, Context context) {
        this.tokens = tokens;
        this.context = context;
        this.today = context.now().toLocalDate();
        this.weeks = new WishWeeks(tokens, context, this);
    }

    /** How much one saying of days takes in. */
    enum Extent {
        /** A weekday alone: the next one, unless other words say within what. */
        WEEKDAY,
        WEEKDAYS,
        DAY,
        WEEK,
        MONTH,
        /** Anything else with a beginning and an end. */
        SPAN
    }

    /** @param weekdays empty for all @param days empty for all */
    record Found(List<Days> days, Set<DayOfWeek> weekdays, Extent extent, int next) {

        boolean within() {
            return extent == Extent.WEEK || extent == Extent.MONTH || extent == Extent.SPAN;
        }

        LocalDate from() {
            return days.getFirst().from();
        }

        LocalDate to() {
            return days.getLast().to();
        }
    }

    static Found span(LocalDate from, LocalDate to, Extent extent, int next) {
        return new Found(List.of(new Days(from, to)), Set.of(), extent, next);
    }

    /** The days that the words from token {@code i} on mean; null for none. @param before days said last; null for none */
    @Nullable
    Found at(int i, @Nullable Found before) {
        Found after = before == null ? null : following(i, before);
        if (after != null) {
            return after;
        }
        Found part = part(i);
        if (part != null) {
            return part;
        }
        Found ahead = weeks.ahead(i);
        if (ahead != null) {
            return ahead;
        }
        Found whole = weeks.whole(i);
        if (whole != null) {
            return whole;
        }
        Found weekday = weekday(i);
        if (weekday != null) {
            return weekday;
        }
        Found both = ofOneMonth(i);
        return both != null ? both : day(i);
    }

    // Counted from what was said before

    /** "The one after", "the week after that", "or the next". */
    private @Nullable Found following(int i, Found before) {
        int at = tokens.is(i, "the") ? i + 1 : i;
        boolean unit = tokens.is(at, Set.of("one", "week", "day", "month", "weekend"));
        int after = unit ? at + 1 : at;
        boolean behind = tokens.is(after, "after") && (unit || at > i);
        boolean ahead = tokens.is(at, Set.of("following", "next"))
                && (tokens.is(at + 1, Set.of("one", "ones"))
                        || !tokens.at(at + 1).letters());
        if (!behind && !ahead) {
            return null;
        }
        int next = behind ? after + 1 : tokens.is(at + 1, Set.of("one", "ones")) ? at + 2 : at + 1;
        boolean pointed = tokens.is(next, Set.of("that", "it", "this"));
        if (behind && !pointed && at(next, null) != null) {
            return null;
        }
        next = pointed ? next + 1 : next;
        next = pointed && tokens.is(next, Set.of("one", "week")) ? next + 1 : next;
        if (tokens.is(at, "day")) {
            return span(before.to().plusDays(1), before.to().plusDays(1), Extent.DAY, next);
        }
        if (before.extent() == Extent.MONTH) {
            YearMonth month = YearMonth.from(before.from()).plusMonths(1);
            return span(month.atDay(1), month.atEndOfMonth(), Extent.MONTH, next);
        }
        if (before.extent() == Extent.WEEKDAYS || before.days().isEmpty()) {
            return null;
        }
        return tokens.is(at, "week")
                ? WishWeeks.week(before.from().plusWeeks(1), next)
                : span(before.from().plusWeeks(1), before.to().plusWeeks(1), before.extent(), next);
    }

    // Parts of weeks and months

    private @Nullable Found part(int i) {
        int at = tokens.is(i, "the") ? i + 1 : i;
        Found numbered = weeks.numberedWeek(at);
        if (numbered != null) {
            return numbered;
        }
        boolean half = tokens.is(at, Set.of("first", "second")) && tokens.is(at + 1, Set.of("half", "part"));
        boolean rest = tokens.is(at, Set.of("rest", "remainder", "later"));
        boolean early = tokens.is(at, EARLY) || half && tokens.is(at, "first");
        boolean late = tokens.is(at, LATE) || half && tokens.is(at, "second");
        boolean middle = tokens.is(at, MIDDLE);
        if (!early && !late && !middle && !rest) {
            return null;
        }
        int of = tokens.skip(half ? at + 2 : at + 1, Set.of("of", "in", "-", "the"));
        Found base = weeks.whole(tokens.is(of - 1, "the") ? of - 1 : of);
        if (base == null && tokens.is(of, WEEK)) {
            base = WishWeeks.week(today, of + 1);
        }
        if (base == null || base.extent() != Extent.WEEK && base.extent() != Extent.MONTH) {
            return null;
        }
        LocalDate from = base.from();
        LocalDate to = base.to();
        int next = base.next();
        if (rest) {
            boolean later = tokens.is(at, "later") && !from.isAfter(today);
            LocalDate start = from.isAfter(today) ? from : later ? today.plusDays(1) : today;
            return span(start, to, Extent.SPAN, next);
        }
        if (base.extent() == Extent.WEEK) {
            LocalDate friday = from.plusDays(4);
            return early
                    ? span(from, half ? from.plusDays(2) : from.plusDays(1), Extent.SPAN, next)
                    : late
                            ? span(half ? from.plusDays(3) : friday.minusDays(1), from.plusDays(5), Extent.SPAN, next)
                            : span(from.plusDays(1), from.plusDays(3), Extent.SPAN, next);
        }
        return early
                ? span(from, from.plusDays(half ? 14 : 9), Extent.SPAN, next)
                : late
                        ? span(half ? from.plusDays(15) : to.minusDays(9), to, Extent.SPAN, next)
                        : span(from.withDayOfMonth(10), from.withDayOfMonth(20), Extent.SPAN, next);
    }

    // Weekdays and days

    private @Nullable Found weekday(int i) {
        int at = tokens.skip(i, ANY);
        if (tokens.is(at, Set.of("weekday", "weekdays")) || tokens.is(at, "working") && tokens.is(at + 1, DAYS)) {
            return new Found(List.of(), WORKING, Extent.WEEKDAYS, tokens.is(at, "working") ? at + 2 : at + 1);
        }
        if (tokens.is(at, "midweek") || tokens.follows(at, "mid", "week")) {
            return new Found(List.of(), MIDWEEK, Extent.WEEKDAYS, tokens.is(at, "mid") ? at + 2 : at + 1);
        }
        String word = tokens.word(at).replaceFirst("'s$", "");
        DayOfWeek day = tokens.at(at).letters() ? CalendarWords.weekday(word) : null;
        if (day == null || tokens.is(i, Set.of("this", "next", "last", "coming"))) {
            return null;
        }
        DateReader.Found exact = at == i ? new DateReader(tokens, context, false).at(i) : null;
        if (exact != null
                && exact.next() > at + 1
                && !tokens.is(at + 1, NEXT)
                && !exact.days().isEmpty()) {
            return null;
        }
        boolean every = at > i || word.endsWith("days") || tokens.is(at + 1, PARTS_IN_GENERAL);
        return new Found(List.of(), Set.of(day), every ? Extent.WEEKDAYS : Extent.WEEKDAY, at + 1);
    }

    private static final Set<String> PARTS_IN_GENERAL =
            Set.of("mornings", "afternoons", "evenings", "nights", "lunchtimes");
    private static final Set<String> DAYS = Set.of("day", "days");

    /** "18 or 19 March": both days of the month that is named once. */
    private @Nullable Found ofOneMonth(int i) {
        boolean or = tokens.is(i + 1, Set.of("or", "and", ",", "&"));
        if (!tokens.isFigures(i, 1, 2) || !or && !tokens.is(i + 1, Set.of("to", "-", "–", "until", "till"))) {
            return null;
        }
        Found last = day(i + 2);
        int number = Integer.parseInt(tokens.word(i));
        if (last == null
                || CalendarWords.month(tokens.word(last.next() - 1)) == null
                || number < 1
                || number >= last.from().getDayOfMonth()) {
            return null;
        }
        LocalDate first = last.from().withDayOfMonth(number);
        return or
                ? new Found(List.of(new Days(first, first), last.days().getFirst()), Set.of(), Extent.DAY, last.next())
                : span(first, last.to(), Extent.SPAN, last.next());
    }

    /** A day as the reader of days finds it; the later one of two that "next Friday" may mean. */
    @Nullable
    Found day(int i) {
        if (tokens.is(i, Set.of("over", "around")) && tokens.is(i + 1, "easter") || easterDays(i)) {
            LocalDate easter = CalendarWords.feast("easter", today);
            int next = tokens.is(i, "easter") ? i + 2 : i + 2;
            return easter == null ? null : span(easter.minusDays(2), easter.plusDays(1), Extent.SPAN, next);
        }
        DateReader.Found found =
                new DateReader(tokens, context, false).at(tokens.is(i, "the") && !ordinal(i + 1) ? i + 1 : i);
        if (found == null || found.days().isEmpty()) {
            return null;
        }
        boolean next = tokens.is(i, "next") && found.days().size() == 2;
        List<LocalDate> days = next ? List.of(found.days().getLast()) : found.days();
        int after = tokens.is(i, "this") && found.next() == i + 2 && CalendarWords.weekday(tokens.word(i + 1)) == null
                ? i + 1
                : found.next();
        return new Found(days.stream().map(day -> new Days(day, day)).toList(), Set.of(), Extent.DAY, after);
    }

    private boolean easterDays(int i) {
        return tokens.is(i, "easter") && tokens.is(i + 1, Set.of("weekend", "break", "time"));
    }

    private boolean ordinal(int i) {
        return tokens.at(i).figure() || CalendarWords.ordinal(tokens.word(i)) > 0;
    }

    // Bounds

    /** From a day on. */
    Found from(Found day, int next) {
        return span(first(day), LAST, Extent.SPAN, next);
    }

    /** From the day after. */
    Found after(Found day, int next) {
        return span(last(day).plusDays(1), LAST, Extent.SPAN, next);
    }

    /** Up to a day. */
    Found until(Found day, boolean with, int next) {
        LocalDate to = with ? last(day) : first(day).minusDays(1);
        return span(today, to.isBefore(today) ? today.minusDays(1) : to, Extent.SPAN, next);
    }

    /** From one day to another. */
    Found between(Found from, Found to, int next) {
        LocalDate end = last(to);
        LocalDate start = first(from);
        if (start.isAfter(end) && to.days().isEmpty()) {
            end = end.plusWeeks(1);
        }
        boolean ofOneMonth = start.isAfter(end) && start.minusMonths(1).getMonth() == end.getMonth();
        return span(ofOneMonth ? start.minusMonths(1) : start, end, Extent.SPAN, next);
    }

    private LocalDate first(Found found) {
        return found.days().isEmpty() ? upcoming(found) : found.from();
    }

    private LocalDate last(Found found) {
        return found.days().isEmpty() ? upcoming(found) : found.to();
    }

    /** The next of a weekday, after today. */
    private LocalDate upcoming(Found found) {
        return next(found.weekdays());
    }

    LocalDate next(Set<DayOfWeek> weekdays) {
        return weekdays.stream()
                .map(day -> today.with(TemporalAdjusters.next(day)))
                .min(LocalDate::compareTo)
                .orElse(today);
    }
}
