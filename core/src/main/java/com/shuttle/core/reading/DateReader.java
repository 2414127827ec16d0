package com.shuttle.core.reading;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * Finds days: written in figures in the order of the region, with names of months and weekdays, and relative to the
 * visitor's clock. A day without a year is the next such day, or with {@code past} the last one. Where two days are
 * meant equally often ("next Friday" on a Tuesday, "the 10th" on the 10th) both are kept.
 */
final class DateReader {

    private static final Set<String> ENDINGS = Set.of("st", "nd", "rd", "th");
    private static final Set<String> PAST =
            Set.of(("born dob birthdate ago happened bought purchased ordered since occurred was").split(" "));
    /** What an ordinal counts where it is no day: "the 3rd floor". */
    private static final Set<String> COUNTED =
            Set.of("floor time birthday anniversary street avenue century graders grade week half weekend one year"
                    .split(" "));

    private static final Set<String> RANGE = Set.of("to", "-", "–", "—", "till", "until", "or", "through");

    private final Tokens tokens;
    private final Context context;
    private final LocalDate today;
    private final boolean past;
    private final RelativeDays relative;
    private final FigureDays figures;
    private @Nullable YearMonth named;

    /** Days that a place in the message may mean, and the index of the token after it. */
    record Found(List<LocalDate> days, int next) {}

    DateReader(Tokens tokens, Context context, boolean past) {
        this.tokens = tokens;
        this.context = context;
        this.today = context.now().toLocalDate();
        this.past = past || anyPastWord(tokens);
        this.figures = new FigureDays(this, tokens, context);
        this.relative = new RelativeDays(this, tokens, context);
    }

    static Reading read(String text, Context context) {
        return Settling.reading(text, find(Tokens.of(text), context, false));
    }

    /** All days, in their order. */
    static List<Mention> find(Tokens tokens, Context context, boolean past) {
        return new DateReader(tokens, context, past).find();
    }

    private static boolean anyPastWord(Tokens tokens) {
        for (int i = 0; i < tokens.size(); i++) {
            if (tokens.is(i, PAST)) {
                return true;
            }
        }
        return false;
    }

    private List<Mention> find() {
        List<Mention> found = new ArrayList<>();
        int i = 0;
        while (i < tokens.size()) {
            Found one = at(i);
            Found two = one == null ? ofOneMonth(i) : null;
            if (two != null) {
                found.add(Mention.range(
                        new Value.Day(two.days().getFirst()),
                        new Value.Day(two.days().getLast()),
                        tokens.start(i),
                        tokens.endBefore(two.next())));
                i = two.next();
                continue;
            }
            if (one == null) {
                i++;
                continue;
            }
            Found other = tokens.is(one.next(), RANGE)
                    ? at(tokens.is(one.next() + 1, "the") ? one.next() + 2 : one.next() + 1)
                    : null;
            if (other != null && one.days().size() == 1 && other.days().size() == 1) {
                found.add(Mention.range(
                        new Value.Day(relative.withMonthOf(i, one, other)),
                        new Value.Day(other.days().getFirst()),
                        tokens.start(i),
                        tokens.endBefore(other.next())));
                i = other.next();
            } else {
                List<Value> values = one.days().stream()
                        .map(day -> (Value) new Value.Day(day))
                        .toList();
                found.add(new Mention(values, false, tokens.start(i), tokens.endBefore(one.next())));
                i = one.next();
            }
        }
        return found;
    }

    /** "14 or 15 of April": both days of the month that is named once. */
    private @Nullable Found ofOneMonth(int i) {
        Found last = tokens.isFigures(i, 1, 2) && tokens.is(i + 1, RANGE) ? named(i + 2) : null;
        if (last == null || last.days().size() != 1) {
            return null;
        }
        int day = Integer.parseInt(tokens.word(i));
        LocalDate end = last.days().getFirst();
        return day < 1 || day >= end.getDayOfMonth()
                ? null
                : new Found(List.of(end.withDayOfMonth(day), end), last.next());
    }

    /** The days that the words from token {@code i} on mean; null for none. */
    @Nullable
    Found at(int i) {
        List<IntFunction<@Nullable Found>> rules = List.of(
                figures::iso,
                figures::figures,
                relative::edge,
                this::named,
                this::weekday,
                this::dayOfMonth,
                relative::relative,
                relative::feast);
        for (IntFunction<@Nullable Found> rule : rules) {
            Found found = rule.apply(i);
            if (found != null) {
                return found;
            }
        }
        return null;
    }

    @Nullable
    Found exact(int year, int month, int day, int next) {
        try {
            return new Found(List.of(LocalDate.of(year, month, day)), next);
        } catch (DateTimeException e) {
            return new Found(List.of(), next);
        }
    }

    // Names

    /** "3 of april 2027", "april the 3rd", with or without a weekday before. */
    private @Nullable Found named(int i) {
        DayOfWeek weekday = weekdayName(i);
        int at = weekday == null ? i : tokens.skip(i + 1, Set.of(",", "the", "."));
        at = weekday == null && tokens.is(at, "the") ? at + 1 : at;
        int[] day = day(at);
        if (day != null) {
            int next = tokens.skip(day[1], Set.of("of", ".", "-"));
            Month month = monthName(next);
            if (month != null && !(tokens.is(next, "may") && day[1] == next && notMonth(next))) {
                return withYear(weekday, month, day[0], next + 1);
            }
            if (weekday != null && (day[2] == 1 || tokens.is(at - 1, "the"))) {
                return weekdayThe(weekday, day[0], day[1]);
            }
            return null;
        }
        Month month = monthName(at);
        if (month != null) {
            int[] after = day(tokens.skip(at + 1, Set.of("the", ".")));
            if (after != null && !tokens.is(after[1], Set.of("am", "pm", ":", "people", "of", "guests", "adults"))) {
                return withYear(weekday, month, after[0], after[1]);
            }
        }
        return null;
    }

    /** "I may 3 …" is no month. */
    private boolean notMonth(int at) {
        return tokens.is(at - 1, Set.of("i", "we", "you", "they"));
    }

    @Nullable
    Month monthName(int i) {
        String word = tokens.word(i);
        boolean shortVerb = word.equals("mar") || word.equals("dec") || word.equals("may") || word.equals("march");
        return shortVerb && tokens.is(i - 1, Set.of("i", "we", "you", "they")) ? null : CalendarWords.month(word);
    }

    @Nullable
    DayOfWeek weekdayName(int i) {
        return tokens.at(i).letters() ? CalendarWords.weekday(tokens.word(i)) : null;
    }

    private @Nullable Found withYear(@Nullable DayOfWeek weekday, Month month, int day, int next) {
        int yearAt = tokens.skip(next, Set.of(",", "of", "."));
        if (Regex.matches(tokens.word(yearAt), "(19|20)\\d\\d")) {
            Found found = exact(number(yearAt), month.getValue(), day, yearAt + 1);
            return checked(weekday, found);
        }
        if (tokens.is(next, "'") && tokens.isFigures(next + 1, 2, 2)) {
            return checked(weekday, exact(figures.full(tokens.word(next + 1)), month.getValue(), day, next + 2));
        }
        boolean nextYear = tokens.follows(next, "next", "year");
        if (nextYear) {
            return exact(today.getYear() + 1, month.getValue(), day, next + 2);
        }
        LocalDate date = nearest(month.getValue(), day);
        if (date == null) {
            return new Found(List.of(), next);
        }
        named = YearMonth.from(date);
        return checked(weekday, new Found(List.of(date), next));
    }

    /** A weekday that is not the date's makes both readings possible. */
    private Found checked(@Nullable DayOfWeek weekday, @Nullable Found found) {
        if (weekday == null || found == null || found.days().isEmpty()) {
            return found == null ? new Found(List.of(), 0) : found;
        }
        LocalDate date = found.days().getFirst();
        return date.getDayOfWeek() == weekday
                ? found
                : new Found(List.of(date, date.with(TemporalAdjusters.nextOrSame(weekday))), found.next());
    }

    /** "Friday the 13th": the next 13th, where that is a Friday, or the first that is one within a year. */
    private Found weekdayThe(DayOfWeek weekday, int day, int next) {
        LocalDate date =
                first(day, one -> (past ? !one.isAfter(today) : !one.isBefore(today)) && one.getDayOfWeek() == weekday);
        return new Found(date == null ? List.of() : List.of(date), next);
    }

    /** The first such day of a month that fits, of this month and the eleven after it, or before it; null for none. */
    private @Nullable LocalDate first(int day, Predicate<LocalDate> fits) {
        YearMonth month = YearMonth.from(today);
        for (int m = 0; m < 12; m++) {
            YearMonth candidate = month.plusMonths(past ? -m : m);
            if (candidate.isValidDay(day) && fits.test(candidate.atDay(day))) {
                return candidate.atDay(day);
            }
        }
        return null;
    }

    /** The next such day from today on, or the last one; looks eight years on for a 29 February; null if there is none. */
    @Nullable
    LocalDate nearest(int month, int day) {
        for (int years = 0; years <= 8; years++) {
            YearMonth candidate = YearMonth.of(today.getYear() + (past ? -years : years), month);
            if (candidate.isValidDay(day)) {
                LocalDate date = candidate.atDay(day);
                if (past ? !date.isAfter(today) : !date.isBefore(today)) {
                    return date;
                }
            }
        }
        return null;
    }

    /** A day of the month at {@code i}: {day, next, 1 if it has an ending}; null for none. */
    private int @Nullable [] day(int i) {
        if (tokens.isFigures(i, 1, 2)) {
            int day = number(i);
            boolean ending = tokens.is(i + 1, ENDINGS);
            return day >= 1 && day <= 31 ? new int[] {day, ending ? i + 2 : i + 1, ending ? 1 : 0} : null;
        }
        int ordinal = CalendarWords.ordinal(tokens.word(i));
        if (ordinal > 0) {
            return new int[] {ordinal, i + 1, 1};
        }
        int tens = tokens.is(i, "twenty") ? 20 : tokens.is(i, "thirty") ? 30 : 0;
        int unit = tens == 0 ? i : tokens.is(i + 1, "-") ? i + 2 : i + 1;
        int ones = tens == 0 ? 0 : CalendarWords.ordinal(tokens.word(unit));
        if (ones > 0 && ones < 10 && tens + ones <= 31) {
            return new int[] {tens + ones, unit + 1, 1};
        }
        Numerals.Parsed words = tokens.at(i).letters() ? Numerals.at(tokens, i, context) : null;
        boolean small = words != null
                && words.value().scale() <= 0
                && words.value().compareTo(BigDecimal.valueOf(31)) <= 0
                && words.value().signum() > 0;
        return small && words != null ? new int[] {words.value().intValue(), words.next(), 0} : null;
    }

    /** "the 27th", "the 5th of next month"; a day with its ending and no month. */
    private @Nullable Found dayOfMonth(int i) {
        boolean nextMonthFirst = tokens.follows(i, "next", "month");
        int at = nextMonthFirst ? tokens.skip(i + 2, Set.of("on", ",", "the")) : i;
        boolean the = tokens.is(at, "the") || nextMonthFirst;
        at = tokens.is(at, "the") ? at + 1 : at;
        int[] day = day(at);
        if (day == null
                || day[2] == 0
                || day[1] == at + 1 && !the && tokens.at(at).letters()) {
            return null;
        }
        if (CalendarWords.ordinal(tokens.word(at)) > 0
                && !(tokens.follows(day[1], "of", "next", "month") || nextMonthFirst || ordinalDay(i, day[1]))) {
            return null;
        }
        int of = tokens.is(day[1], "of") ? day[1] + 1 : day[1];
        if (nextMonthFirst || tokens.follows(of, "next", "month")) {
            YearMonth month = YearMonth.from(today).plusMonths(1);
            return exact(month.getYear(), month.getMonthValue(), day[0], nextMonthFirst ? day[1] : of + 2);
        }
        if (tokens.follows(of, "this", "month") || tokens.follows(of, "the", "month")) {
            return exact(today.getYear(), today.getMonthValue(), day[0], of + 2);
        }
        if (tokens.is(of, COUNTED) || tokens.is(day[1], "-") || CalendarWords.isNameAfter(tokens, day[1])) {
            return null;
        }
        if (named != null && named.isValidDay(day[0])) {
            // "The 3rd of March, no, the 4th".
            return new Found(List.of(named.atDay(day[0])), day[1]);
        }
        if (day[0] == today.getDayOfMonth()) {
            LocalDate later = today.plusMonths(1);
            return new Found(past ? List.of(today) : List.of(today, later), day[1]);
        }
        LocalDate date = first(day[0], one -> past ? one.isBefore(today) : one.isAfter(today));
        return date == null ? null : new Found(List.of(date), day[1]);
    }

    /** "on the third", "the twelfth" at the end: a day, where "the second option" is none. */
    private boolean ordinalDay(int i, int next) {
        return tokens.is(i - 1, Set.of("on", "for"))
                || !tokens.at(next).letters() && tokens.word(next - 1).length() > 5 && !tokens.is(next - 1, "second");
    }

    private @Nullable Found weekday(int i) {
        int at = i;
        boolean nextWord = tokens.is(i, "next");
        boolean last = tokens.is(i, Set.of("last", "past"));
        boolean thisWord = tokens.is(i, Set.of("this", "coming"));
        if (nextWord || last || thisWord) {
            at++;
            at = tokens.is(at, "coming") ? at + 1 : at;
        }
        DayOfWeek day = weekdayName(at);
        if (day == null || CalendarWords.isNoDay(tokens, at)) {
            return null;
        }
        Found ofMonth = relative.weekdayIn(day, at + 1);
        if (ofMonth != null || relative.anySuch(i - 1)) {
            return ofMonth;
        }
        boolean coming = tokens.is(i - 1, "coming") || tokens.is(at - 1, "coming");
        LocalDate upcoming = today.with(TemporalAdjusters.next(day));
        if (tokens.is(at + 1, "week") && !tokens.is(at + 2, Set.of("of", "after"))) {
            return new Found(List.of(upcoming.plusWeeks(1)), at + 2);
        }
        if (tokens.is(at + 1, "fortnight")) {
            return new Found(List.of(upcoming.plusWeeks(2)), at + 2);
        }
        if (tokens.follows(at + 1, "next", "week")) {
            return new Found(List.of(inNextWeek(day)), at + 3);
        }
        if (tokens.follows(at + 1, "after", "next")) {
            return new Found(List.of(upcoming.plusWeeks(1)), at + 3);
        }
        if (last || tokens.follows(at + 1, "last") && past) {
            return new Found(List.of(today.with(TemporalAdjusters.previous(day))), at + 1);
        }
        if (past && !thisWord && !nextWord) {
            return new Found(List.of(today.with(TemporalAdjusters.previousOrSame(day))), at + 1);
        }
        if (nextWord) {
            LocalDate following = inNextWeek(day);
            return new Found(following.equals(upcoming) ? List.of(upcoming) : List.of(upcoming, following), at + 1);
        }
        if (day == today.getDayOfWeek() && !coming) {
            return new Found(thisWord ? List.of(today) : List.of(today, upcoming), at + 1);
        }
        return new Found(List.of(upcoming), at + 1);
    }

    private LocalDate inNextWeek(DayOfWeek day) {
        return today.with(TemporalAdjusters.next(DayOfWeek.MONDAY)).with(TemporalAdjusters.nextOrSame(day));
    }

    /** Whether days without a year are meant that have been. */
    boolean past() {
        return past;
    }

    int number(int i) {
        return Integer.parseInt(tokens.word(i));
    }
}
