package com.shuttle.core.reading;

import com.shuttle.core.reading.Wish.Hours;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Times of day as people wish for them: parts of the day, clocks, and what is before, after and between. */
final class WishTimes {

    static final LocalTime START = LocalTime.MIN;
    static final LocalTime END = LocalTime.of(23, 59);

    private static final LocalTime NOON = LocalTime.NOON;
    private static final LocalTime EVENING = LocalTime.of(17, 0);
    private static final LocalTime AFTERNOON_ENDS = LocalTime.of(17, 59);
    /** "Around two" is not further from it than this, in minutes. */
    private static final int AROUND = 60;

    private static final Map<String, Hours> PARTS = Map.ofEntries(
            Map.entry("morning", hours(START, LocalTime.of(11, 59))),
            Map.entry("forenoon", hours(START, LocalTime.of(11, 59))),
            Map.entry("am", hours(START, LocalTime.of(11, 59))),
            Map.entry("afternoon", hours(NOON, AFTERNOON_ENDS)),
            Map.entry("arvo", hours(NOON, AFTERNOON_ENDS)),
            Map.entry("pm", hours(NOON, END)),
            Map.entry("evening", hours(EVENING, END)),
            Map.entry("eve", hours(EVENING, END)),
            Map.entry("night", hours(EVENING, END)),
            Map.entry("tonight", hours(EVENING, END)),
            Map.entry("lunchtime", hours(LocalTime.of(11, 30), LocalTime.of(13, 59))),
            Map.entry("lunch", hours(LocalTime.of(11, 30), LocalTime.of(13, 59))),
            Map.entry("midday", hours(LocalTime.of(11, 0), LocalTime.of(13, 0))),
            Map.entry("noon", hours(LocalTime.of(11, 0), LocalTime.of(13, 0))),
            Map.entry("teatime", hours(LocalTime.of(15, 30), AFTERNOON_ENDS)),
            Map.entry("breakfast", hours(START, LocalTime.of(9, 59))));

    private static final Map<String, Hours> EARLY = Map.of(
            "morning", hours(START, LocalTime.of(9, 59)),
            "afternoon", hours(NOON, LocalTime.of(14, 59)),
            "evening", hours(EVENING, LocalTime.of(19, 29)));

    private static final Map<String, Hours> MID = Map.of(
            "morning", hours(LocalTime.of(9, 30), LocalTime.of(11, 30)),
            "afternoon", hours(LocalTime.of(13, 30), LocalTime.of(16, 0)),
            "evening", hours(LocalTime.of(18, 0), LocalTime.of(20, 30)));

    private static final Map<String, Hours> LATE = Map.of(
            "morning", hours(LocalTime.of(10, 30), LocalTime.of(11, 59)),
            "afternoon", hours(LocalTime.of(15, 30), AFTERNOON_ENDS),
            "evening", hours(LocalTime.of(19, 0), END));

    /** What an appointment comes after or before without a clock: when that begins and when it is over. */
    private static final Map<String, Hours> DONE = Map.of(
            "lunch", hours(NOON, LocalTime.of(13, 0)),
            "work", hours(LocalTime.of(9, 0), EVENING),
            "office", hours(LocalTime.of(9, 0), EVENING),
            "school", hours(LocalTime.of(9, 0), LocalTime.of(15, 30)),
            "breakfast", hours(LocalTime.of(8, 0), LocalTime.of(9, 0)),
            "tea", hours(LocalTime.of(16, 0), EVENING),
            "dinner", hours(LocalTime.of(18, 0), LocalTime.of(19, 0)),
            "noon", hours(NOON, NOON),
            "midday", hours(NOON, NOON));

    private static final Set<String> BOUNDS = Set.of("later", "after", "onwards", "earlier", "before");
    private static final Set<String> NEAR_DAYS = Set.of("today", "tomorrow");
    private static final Set<String> NO_HOURS = Set.of(
            "people",
            "guests",
            "adults",
            "children",
            "kids",
            "persons",
            "of",
            "us",
            "days",
            "weeks",
            "months",
            "day",
            "week",
            "month",
            "minutes",
            "hours",
            "st",
            "nd",
            "rd",
            "th",
            "years",
            "tickets",
            "seats",
            "places",
            "/",
            "-");

    private final Tokens tokens;
    private final Context context;

    WishTimes(Tokens tokens, Context context) {
        this.tokens = tokens;
        this.context = context;
    }

    /**
     * Times of day.
     *
     * @param later the other reading of an hour without a half of the day ("after eight"); null for none
     */
    record Found(List<Hours> hours, @Nullable Hours later, int next) {}

    private static Hours hours(LocalTime from, LocalTime to) {
        return new Hours(from, to);
    }

    private static Found found(LocalTime from, LocalTime to, int next) {
        return new Found(List.of(hours(from, to)), null, next);
    }

    /** A part of the day, or a time at which something is to begin; null for none. */
    @Nullable
    Found at(int i) {
        Found part = part(tokens.is(i, "one") ? i + 1 : i);
        if (part != null) {
            return part;
        }
        boolean around = tokens.is(i, Set.of("around", "about", "roughly", "circa", "approximately", "near"))
                && !tokens.is(i - 1, Set.of("how", "what"));
        boolean led = around || tokens.is(i, Set.of("at", "@", "about"));
        int from = led ? i + 1 : i;
        TimeReader.Found clock = TimeReader.at(tokens, context, from);
        TimeReader.Found alone = clock == null ? bare(from) : null;
        if (alone != null && !tokens.is(i - 1, "for") && (led || !tokens.is(from, "one") && listed(alone.next()))) {
            clock = alone;
            led = true;
        }
        if (clock == null || clock.times().isEmpty() || !led && lone(from, clock.next())) {
            return null;
        }
        boolean ish = around || tokens.is(clock.next() - 1, "ish");
        int next = tokens.is(clock.next(), Set.of("sharp", "ish")) ? clock.next() + 1 : clock.next();
        return new Found(
                clock.times().stream()
                        .map(time -> ish ? hours(minus(time, AROUND), plus(time, AROUND)) : hours(time, time))
                        .toList(),
                null,
                next);
    }

    /** Whether what follows makes a number a time of day: "9 or 11:30", "11 or later", "10 on Monday". */
    private boolean listed(int joint) {
        boolean or = tokens.is(joint, Set.of("or", "and", ",", "/"));
        int day = tokens.is(joint, "on") ? joint + 1 : joint;
        return or && (TimeReader.at(tokens, context, joint + 1) != null || tokens.is(joint + 1, BOUNDS))
                || (tokens.is(day, NEAR_DAYS) || CalendarWords.weekday(tokens.word(day)) != null);
    }

    /** A number that only other words make a time of day. */
    private boolean lone(int from, int next) {
        return next == from + 1 && tokens.isFigures(from, 1, 2);
    }

    private @Nullable Found part(int i) {
        if (tokens.is(i, Set.of("end", "late")) && tokens.follows(i + 2, "the", "day")) {
            return found(LocalTime.of(16, 0), END, i + 4);
        }
        if (tokens.is(i, Set.of("office", "business", "working")) && tokens.is(i + 1, "hours")
                || tokens.is(i, "daytime")) {
            return found(LocalTime.of(9, 0), LocalTime.of(16, 59), tokens.is(i, "daytime") ? i + 1 : i + 2);
        }
        Map<String, Hours> which = tokens.is(i, Set.of("early", "earlier"))
                ? EARLY
                : tokens.is(i, "late") ? LATE : tokens.is(i, Set.of("mid", "middle")) ? MID : PARTS;
        int at =
                which == PARTS ? i : tokens.is(i + 1, "-") ? i + 2 : tokens.follows(i + 1, "of", "the") ? i + 3 : i + 1;
        String word = known(tokens.word(at));
        Hours part = which.get(word);
        return part == null ? null : new Found(List.of(part), null, at + 1);
    }

    /** A part of the day as it is listed, for one in the plural or with a slip. */
    private String known(String word) {
        String one = word.endsWith("s") ? word.substring(0, word.length() - 1) : word;
        if (PARTS.containsKey(one) || one.length() < 6 || Words.everyday(word)) {
            return one;
        }
        return Stream.of("morning", "afternoon", "evening", "tonight", "lunchtime")
                .filter(part -> Words.distance(one, part, part.length() > 7 ? 2 : 1) <= (part.length() > 7 ? 2 : 1))
                .findFirst()
                .orElse(one);
    }

    // Bounds

    /** What is too early, and too late, without a clock. */
    Found early(int next) {
        return found(START, LocalTime.of(9, 59), next);
    }

    Found late(int next) {
        return found(EVENING, END, next);
    }

    /** From times that were found on, and up to them. */
    Found from(Found time, int next) {
        return found(usual(time).from(), END, next);
    }

    Found until(Found time, int next) {
        return found(START, usual(time).to(), next);
    }

    private static Hours usual(Found time) {
        Hours first = time.hours().getFirst();
        return first.from().getHour() < 8 && time.hours().size() > 1
                ? time.hours().getLast()
                : first;
    }

    /** From the time at {@code i} on. */
    @Nullable
    Found after(int i) {
        Hours done = DONE.get(tokens.word(i));
        if (done != null) {
            return found(done.to(), END, i + 1);
        }
        TimeReader.Found clock = bound(i);
        if (clock == null) {
            return null;
        }
        LocalTime usual = usual(clock, false);
        LocalTime last = clock.times().getLast();
        return new Found(List.of(hours(usual, END)), last.equals(usual) ? null : hours(last, END), clock.next());
    }

    /** Up to the time at {@code i}. @param with whether that is included */
    @Nullable
    Found before(int i, boolean with) {
        Hours done = DONE.get(tokens.word(i));
        if (done != null) {
            return found(START, done.from().minusMinutes(1), i + 1);
        }
        TimeReader.Found clock = bound(i);
        if (clock == null) {
            return null;
        }
        LocalTime usual = usual(clock, true);
        LocalTime last = clock.times().getLast();
        int less = with ? 0 : 1;
        return new Found(
                List.of(hours(START, minus(usual, less))),
                last.equals(usual) ? null : hours(START, minus(last, less)),
                clock.next());
    }

    /** From the time at {@code i} to another. @param joints words between the two */
    @Nullable
    Found span(int i, Set<String> joints) {
        TimeReader.Found from = bound(i);
        TimeReader.Found to = from != null && tokens.is(from.next(), joints) ? bound(from.next() + 1) : null;
        if (from == null || to == null) {
            return null;
        }
        boolean endsAfternoon = to.times().size() == 1 && to.times().getFirst().isAfter(NOON);
        LocalTime start = from.times().stream()
                .filter(time -> endsAfternoon && from.times().size() > 1
                        ? time.isBefore(to.times().getFirst())
                        : !time.isBefore(usual(from, false)))
                .reduce((a, b) -> endsAfternoon ? b : a)
                .orElse(usual(from, false));
        LocalTime end = to.times().stream()
                .filter(time -> time.isAfter(start))
                .findFirst()
                .orElse(to.times().getLast());
        return found(start, end, to.next());
    }

    private TimeReader.@Nullable Found bound(int i) {
        TimeReader.Found clock = TimeReader.at(tokens, context, i);
        TimeReader.Found bare = bare(i);
        // A number alone keeps both its readings, whatever part of the day other words name.
        boolean alone = clock == null || bare != null && bare.next() == clock.next();
        TimeReader.Found there = alone ? bare : clock;
        return there == null || there.times().isEmpty() ? null : there;
    }

    /** An hour alone, with nothing behind it that it counts. */
    private TimeReader.@Nullable Found bare(int i) {
        Numerals.Parsed number = Numerals.at(tokens, i, context);
        if (number == null
                || number.value().scale() > 0
                || number.value().intValue() < 1
                || number.value().intValue() > 23
                || tokens.is(number.next(), NO_HOURS)
                || CalendarWords.month(tokens.word(number.next())) != null
                || tokens.is(number.next(), "of")) {
            return null;
        }
        int hour = number.value().intValue();
        int next = tokens.is(number.next(), Set.of("ish", "sharp")) ? number.next() + 1 : number.next();
        return new TimeReader.Found(
                hour > 12
                        ? List.of(LocalTime.of(hour, 0))
                        : List.of(LocalTime.of(hour % 12, 0), LocalTime.of(hour % 12 + 12, 0)),
                next);
    }

    /** The reading that lies in the hours where people arrange something. */
    private static LocalTime usual(TimeReader.Found clock, boolean ends) {
        LocalTime first = clock.times().getFirst();
        if (clock.times().size() == 1) {
            return first;
        }
        int morning = ends ? 8 : 7;
        return first.getHour() >= morning ? first : clock.times().getLast();
    }

    private static LocalTime minus(LocalTime time, int minutes) {
        return time.toSecondOfDay() < minutes * 60 ? START : time.minusMinutes(minutes);
    }

    private static LocalTime plus(LocalTime time, int minutes) {
        return END.toSecondOfDay() - time.toSecondOfDay() < minutes * 60 ? END : time.plusMinutes(minutes);
    }
}
