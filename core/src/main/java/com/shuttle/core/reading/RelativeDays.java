package com.shuttle.core.reading;

import com.shuttle.core.reading.DateReader.Found;
import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Days told by their distance from today, by a feast, or by the edge of a month. */
final class RelativeDays {

    private static final Set<String> TOMORROW = Set.of(
            "tomorrow",
            "tomorow",
            "tommorow",
            "tommorrow",
            "tomorro",
            "tmrw",
            "tmw",
            "tomoz",
            "2moro",
            "2morrow",
            "tmr",
            "tomorrrow",
            "tomorrows");
    /** "Our Christmas party" may be on any day. */
    private static final Set<String> CELEBRATED = Set.of(
            "party",
            "do",
            "lunch",
            "dinner",
            "meal",
            "event",
            "bash",
            "drinks",
            "present",
            "presents",
            "card",
            "show",
            "holidays");

    private static final Set<String> OURS = Set.of("our", "office", "work", "staff", "company", "annual");
    private static final Set<String> NUMBERED = Set.of("the", "st", "nd", "rd", "th");
    private static final Set<String> ANY = Set.of("a", "any", "every", "each");
    private static final Set<String> DAYS = Set.of("day", "days");
    private static final Set<String> WEEKS = Set.of("week", "weeks", "wk", "wks", "week's");
    private static final Set<String> FORTNIGHT = Set.of("fortnight", "fortnight's");
    private static final Set<String> MONTHS = Set.of("month", "months", "month's");
    private static final Set<String> YEARS = Set.of("year", "years");

    private final DateReader days;
    private final Tokens tokens;
    private final Context context;
    private final LocalDate today;

    RelativeDays(DateReader days, Tokens tokens, Context context) {
        this.days = days;
        this.tokens = tokens;
        this.context = context;
        this.today = context.now().toLocalDate();
    }

    /** The first of two days, of the second's month where only that one names it: "the 5th or the 6th of January". */
    LocalDate withMonthOf(int from, Found first, Found second) {
        LocalDate one = first.days().getFirst();
        LocalDate other = second.days().getFirst();
        for (int i = from; i < first.next(); i++) {
            if (!tokens.at(i).figure() && !tokens.is(i, NUMBERED)) {
                return one;
            }
        }
        boolean named = days.monthName(second.next() - 1) != null;
        return named && one.getDayOfMonth() < other.getDayOfMonth() ? other.withDayOfMonth(one.getDayOfMonth()) : one;
    }

    /** Whether a weekday after token {@code i} is no day yet: "on a Monday". */
    boolean anySuch(int i) {
        return tokens.is(i, ANY);
    }

    /** "The Friday before Christmas" is one day, "a Saturday in June" any of them. */
    @Nullable
    Found weekdayIn(DayOfWeek day, int at) {
        if (tokens.is(at, Set.of("before", "after")) && !tokens.is(at + 1, "next")) {
            Found base = days.at(tokens.is(at + 1, "the") ? at + 2 : at + 1);
            if (base != null && base.days().size() == 1) {
                LocalDate beside = base.days().getFirst();
                return new Found(
                        List.of(beside.with(
                                tokens.is(at, "before")
                                        ? TemporalAdjusters.previous(day)
                                        : TemporalAdjusters.next(day))),
                        base.next());
            }
        }
        Month month = tokens.is(at, "in") ? days.monthName(at + 1) : null;
        if (month == null || tokens.at(at + 2).figure()) {
            return null;
        }
        LocalDate first = days.nearest(month.getValue(), month.minLength());
        YearMonth of = first == null ? YearMonth.of(today.getYear(), month) : YearMonth.from(first);
        List<LocalDate> all = new ArrayList<>();
        for (LocalDate date = of.atDay(1).with(TemporalAdjusters.nextOrSame(day));
                YearMonth.from(date).equals(of);
                date = date.plusWeeks(1)) {
            if (date.isAfter(today)) {
                all.add(date);
            }
        }
        return new Found(all, at + 2);
    }

    /** "tomorrow", "the day after", "this evening", and spans of time. */
    @Nullable
    Found relative(int i) {
        if (tokens.is(i, TOMORROW)) {
            return tokens.is(i + 1, "week")
                    ? day(8, i + 2)
                    : tokens.is(i + 1, "fortnight") ? day(15, i + 2) : day(1, i + 1);
        }
        if (tokens.follows(i, "day", "after") && tokens.is(i + 2, TOMORROW) || tokens.is(i, "overmorrow")) {
            return day(2, tokens.is(i, "overmorrow") ? i + 1 : i + 3);
        }
        if (tokens.follows(i, "day", "after") || tokens.follows(i, "day", "before")) {
            Found base = days.at(tokens.is(i + 2, "the") ? i + 3 : i + 2);
            boolean clear = base != null && base.days().size() == 1;
            return clear && base != null
                    ? new Found(
                            List.of(base.days().getFirst().plusDays(tokens.is(i + 1, "after") ? 1 : -1)), base.next())
                    : null;
        }
        if (tokens.is(i, Set.of("today", "tonight", "2day", "todays", "tonite"))
                || tokens.follows(i, "this", "morning")
                || tokens.follows(i, "this", "afternoon")
                || tokens.follows(i, "this", "evening")) {
            return day(0, tokens.is(i, "this") ? i + 2 : i + 1);
        }
        if (tokens.is(i, Set.of("yesterday", "yesterdays")) || tokens.follows(i, "last", "night")) {
            return day(-1, tokens.is(i, "last") ? i + 2 : i + 1);
        }
        return spans(i);
    }

    private Found day(int offset, int next) {
        return new Found(List.of(today.plusDays(offset)), next);
    }

    /** "in 3 weeks", "two days from now", "a week tomorrow", "ten days ago", "a fortnight on Friday". */
    private @Nullable Found spans(int i) {
        boolean in = tokens.is(i, Set.of("in", "within"));
        int at = in ? i + 1 : i;
        if (in && !tokens.is(i, "in")) {
            return null;
        }
        at = tokens.is(at, Set.of("about", "exactly", "another")) ? at + 1 : at;
        long count;
        Numerals.Parsed number = Numerals.at(tokens, at, context);
        if (number != null) {
            if (number.value().scale() > 0 || number.value().compareTo(BigDecimal.valueOf(5000)) > 0) {
                return null;
            }
            count = number.value().longValue();
            at = number.next();
            at = tokens.is(at, "of") ? at + 1 : at;
        } else if (tokens.is(at, "a") || tokens.is(at, "one")) {
            count = 1;
            at++;
        } else if (tokens.is(at, FORTNIGHT)) {
            count = 1;
        } else {
            return null;
        }
        int unit = at;
        LocalDate there;
        int back;
        if (tokens.is(unit, DAYS)) {
            there = today.plusDays(count);
            back = (int) -count;
        } else if (tokens.is(unit, WEEKS)) {
            there = today.plusWeeks(count);
            back = (int) (-7 * count);
        } else if (tokens.is(unit, FORTNIGHT)) {
            there = today.plusWeeks(2 * count);
            back = (int) (-14 * count);
        } else if (tokens.is(unit, MONTHS)) {
            there = today.plusMonths(count);
            back = 0;
        } else if (tokens.is(unit, YEARS)) {
            there = today.plusYears(count);
            back = 0;
        } else {
            return null;
        }
        int next = tokens.is(unit + 1, "'") ? unit + 2 : unit + 1;
        next = tokens.is(next, "time") || tokens.is(next, "s") ? next + 1 : next;
        if (tokens.is(next, "ago")) {
            LocalDate ago = back != 0
                    ? today.plusDays(back)
                    : tokens.is(unit, MONTHS) ? today.minusMonths(count) : today.minusYears(count);
            return new Found(List.of(ago), next + 1);
        }
        if (tokens.follows(next, "from", "now") || tokens.follows(next, "from", "today")) {
            return new Found(List.of(there), next + 2);
        }
        if (back != 0 && tokens.is(next, "before")) {
            Found base = days.at(tokens.is(next + 1, "the") ? next + 2 : next + 1);
            return base != null && base.days().size() == 1
                    ? new Found(List.of(base.days().getFirst().plusDays(back)), base.next())
                    : null;
        }
        if (back != 0) {
            int from = tokens.skip(next, Set.of("on", "from", "after"));
            Found base = from > next
                            || tokens.is(next, "today")
                            || tokens.is(next, TOMORROW)
                            || days.weekdayName(next) != null
                    ? days.at(from)
                    : null;
            if (base != null && base.days().size() == 1) {
                return new Found(List.of(base.days().getFirst().minusDays(back)), base.next());
            }
        }
        return in ? new Found(List.of(there), next) : null;
    }

    /** A feast by its name. */
    @Nullable
    Found feast(int i) {
        if (!tokens.at(i).letters()) {
            return null;
        }
        for (int length = CalendarWords.LONGEST_FEAST; length >= 1; length--) {
            StringBuilder name = new StringBuilder();
            for (int k = 0; k < length; k++) {
                name.append(k == 0 ? "" : " ").append(tokens.word(i + k));
            }
            LocalDate date = CalendarWords.feast(name.toString(), today);
            if (date != null && !tokens.is(i + length, CELEBRATED) && !tokens.is(i - 1, OURS)) {
                return new Found(List.of(date), i + length);
            }
        }
        return null;
    }

    /** "the end of april", "the last day of the month", "the first Monday in May". */
    @Nullable
    Found edge(int i) {
        int at = tokens.is(i, "the") ? i + 1 : i;
        boolean figure = Regex.matches(tokens.word(at), "[1-5]") && tokens.is(at + 1, Set.of("st", "nd", "rd", "th"));
        int which = tokens.is(at, "last")
                ? -1
                : figure ? Integer.parseInt(tokens.word(at)) : CalendarWords.ordinal(tokens.word(at));
        int named = figure ? at + 2 : at + 1;
        DayOfWeek weekday = days.weekdayName(named);
        boolean within = tokens.is(named + 1, Set.of("in", "of"));
        if (which != 0 && which <= 5 && weekday != null && (within || tokens.follows(named + 1, "next", "month"))) {
            int[] next = new int[1];
            YearMonth month = month(within ? named + 2 : named + 1, next);
            if (month == null) {
                return null;
            }
            LocalDate day = month.atDay(1).with(TemporalAdjusters.dayOfWeekInMonth(which, weekday));
            if (day.isBefore(today) && CalendarWords.month(tokens.word(next[0] - 1)) != null) {
                day = month.plusYears(1).atDay(1).with(TemporalAdjusters.dayOfWeekInMonth(which, weekday));
            }
            return new Found(List.of(day), next[0]);
        }
        boolean end = tokens.follows(at, "end", "of")
                || tokens.follows(at, "last", "day", "of")
                || tokens.follows(at, "last", "of");
        if (!end) {
            return null;
        }
        int[] next = new int[1];
        int from = tokens.is(at, "end") || tokens.follows(at, "last", "of") ? at + 2 : at + 3;
        if (tokens.follows(from, "the", "year") || tokens.follows(from, "this", "year")) {
            return days.exact(today.getYear(), 12, 31, from + 2);
        }
        YearMonth month = month(from, next);
        return month == null ? null : new Found(List.of(month.atEndOfMonth()), next[0]);
    }

    private @Nullable YearMonth month(int i, int[] next) {
        YearMonth now = YearMonth.from(today);
        if (tokens.follows(i, "the", "month") || tokens.follows(i, "this", "month")) {
            next[0] = i + 2;
            return now;
        }
        if (tokens.follows(i, "next", "month")) {
            next[0] = i + 2;
            return now.plusMonths(1);
        }
        Month month = days.monthName(i);
        if (month == null) {
            return null;
        }
        next[0] = i + 1;
        if (Regex.matches(tokens.word(i + 1), "20\\d\\d")) {
            next[0] = i + 2;
            return YearMonth.of(days.number(i + 1), month);
        }
        YearMonth named = YearMonth.of(today.getYear(), month);
        return named.isBefore(now) ? named.plusYears(1) : named;
    }
}
