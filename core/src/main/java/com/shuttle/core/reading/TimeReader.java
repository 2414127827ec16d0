package com.shuttle.core.reading;

import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Finds times of day. An hour up to twelve keeps both readings, unless the message names the part of the day ("tonight at
 * 8"), it is written with a leading zero, or the region writes the clock through.
 */
final class TimeReader {

    private static final Set<String> LEADS = Set.of(
            "at",
            "around",
            "about",
            "by",
            "@",
            "circa",
            "approx",
            "approximately",
            "from",
            "until",
            "till",
            "before",
            "after",
            "past",
            "say",
            "starting");
    private static final Set<String> LIMITS = Set.of("after", "before", "until", "till", "by");
    private static final Set<String> UP_TO = Set.of("to", "-", "–", "till", "until");
    private static final Set<String> AFTER_HOURS =
            Set.of("on", "please", "if", "or", "and", "at", "would", "in", "with", "for");
    private static final Set<String> RANGE = Set.of("to", "-", "–", "—", "till", "until", "or", "and");
    private static final Set<String> WHOLE_DAY_CLOCK =
            Set.of("DE", "AT", "FR", "CH", "IT", "ES", "NL", "BE", "PL", "SE", "NO", "DK", "FI", "PT", "CZ");

    private final Tokens tokens;
    private final Context context;
    private final boolean bare;
    private final DayParts parts;

    /** Times that a place in the message may mean, and the index of the token after it. */
    record Found(List<LocalTime> times, int next) {}

    private TimeReader(Tokens tokens, Context context, boolean bare) {
        this.tokens = tokens;
        this.context = context;
        this.bare = bare;
        this.parts = new DayParts(tokens);
    }

    static Reading read(String text, Context context) {
        Tokens tokens = Tokens.of(text);
        LocalDateTime soon = SoonReader.find(tokens, context);
        if (soon != null) {
            return new Reading.Given(
                    new Value.Clock(soon.toLocalTime().truncatedTo(ChronoUnit.MINUTES)), 0, text.length());
        }
        return Settling.reading(text, find(tokens, context, true));
    }

    /**
     * All times of day, in their order.
     *
     * @param bare whether an hour alone counts ("8"), as in the reply to a question for a time
     */
    static List<Mention> find(Tokens tokens, Context context, boolean bare) {
        return new TimeReader(tokens, context, bare).find();
    }

    /** The time that the words from token {@code i} on mean; null for none. */
    static @Nullable Found at(Tokens tokens, Context context, int i) {
        return new TimeReader(tokens, context, false).at(i, false);
    }

    private List<Mention> find() {
        List<Mention> found = new ArrayList<>();
        int i = 0;
        while (i < tokens.size()) {
            Found one = at(i, bare || spans(i));
            if (one == null) {
                i++;
                continue;
            }
            int next = one.next();
            Found other = tokens.is(next, RANGE) ? at(next + 1, true) : null;
            boolean both =
                    other != null && !one.times().isEmpty() && !other.times().isEmpty();
            boolean joined = both && (!tokens.is(next, "and") || tokens.is(i - 1, "between"));
            int start = tokens.start(i);
            if (joined && other != null) {
                LocalTime from = matching(one.times(), other.times());
                found.add(Mention.range(
                        new Value.Clock(from),
                        new Value.Clock(other.times().getLast()),
                        start,
                        tokens.endBefore(other.next())));
                i = other.next();
            } else {
                List<Value> times = one.times().stream()
                        .map(time -> (Value) new Value.Clock(time))
                        .toList();
                boolean limit = tokens.is(i - 1, LIMITS) && !(tokens.is(i - 1, "by") && !bare);
                found.add(new Mention(times, limit, start, tokens.endBefore(next)));
                i = next;
            }
        }
        return found;
    }

    /** Whether hours alone from here on are a stretch of time: "from ten to twelve", with nothing counted behind it. */
    private boolean spans(int i) {
        Found from = tokens.is(i - 1, "from") ? at(i, true) : null;
        Found to = from != null && tokens.is(from.next(), UP_TO) ? at(from.next() + 1, true) : null;
        return to != null
                && (to.next() >= tokens.size() || !tokens.at(to.next()).letters() || tokens.is(to.next(), AFTER_HOURS));
    }

    /** The reading of a range's start that fits its end: "2-4pm" is from 14:00. */
    private static LocalTime matching(List<LocalTime> from, List<LocalTime> to) {
        LocalTime end = to.getLast();
        return from.stream()
                .filter(time -> time.isBefore(end))
                .reduce((a, b) -> b)
                .orElse(from.getFirst());
    }

    private @Nullable Found at(int i, boolean bareHour) {
        if (tokens.is(i, Set.of("noon", "midday", "noontime"))
                || tokens.follows(i, "12", "noon")
                || tokens.follows(i, "mid", "day")) {
            return new Found(List.of(LocalTime.NOON), tokens.is(i, Set.of("12", "mid")) ? i + 2 : i + 1);
        }
        if (tokens.is(i, "midnight") || tokens.follows(i, "12", "midnight")) {
            return new Found(List.of(LocalTime.MIDNIGHT), tokens.is(i, "12") ? i + 2 : i + 1);
        }
        Found relative = quarters(i);
        return relative != null ? relative : hour(i, bareHour);
    }

    /** "half past eight", "quarter to seven", "ten past 3", "half eight". */
    private @Nullable Found quarters(int i) {
        int at = tokens.is(i, "a") ? i + 1 : i;
        int minutes;
        int next;
        if (tokens.is(at, "half")) {
            minutes = 30;
            next = at + 1;
        } else if (tokens.is(at, "quarter")) {
            minutes = 15;
            next = at + 1;
        } else {
            Numerals.Parsed number = Numerals.at(tokens, at, context);
            if (number == null
                    || number.value().scale() > 0
                    || number.value().intValue() < 1
                    || number.value().intValue() > 29) {
                return null;
            }
            minutes = number.value().intValue();
            next = tokens.is(number.next(), Set.of("minutes", "mins")) ? number.next() + 1 : number.next();
        }
        boolean to = tokens.is(next, Set.of("to", "of", "before"));
        boolean past = tokens.is(next, Set.of("past", "after"));
        boolean britishHalf =
                minutes == 30 && tokens.is(at, "half") && !to && !past && !tokens.is(next, Set.of("a", "an"));
        boolean range = tokens.is(i - 1, "from") || !tokens.at(at).letters();
        if (!to && !past && !britishHalf || to && !tokens.is(at, "quarter") && (minutes % 5 != 0 || range)) {
            return null;
        }
        int hourAt = britishHalf ? next : next + 1;
        Numerals.Parsed hour = Numerals.at(tokens, hourAt, context);
        if (hour == null
                || hour.value().scale() > 0
                || hour.value().signum() <= 0
                || hour.value().intValue() > 12) {
            boolean noon = tokens.is(hourAt, Set.of("noon", "midday"));
            return noon ? new Found(List.of(LocalTime.NOON.plusMinutes(to ? -minutes : minutes)), hourAt + 1) : null;
        }
        if (britishHalf && (tokens.is(hour.next(), SCALES_OF_THINGS) || WHOLE_DAY_CLOCK.contains(context.region()))) {
            return null;
        }
        int h = to ? (hour.value().intValue() + 11) % 12 : hour.value().intValue() % 12;
        int m = to ? 60 - minutes : minutes;
        return halves(h == 0 ? 12 : h, m, i, hour.next(), false);
    }

    private static final Set<String> SCALES_OF_THINGS =
            Set.of("dozen", "hundred", "thousand", "million", "people", "of");

    private @Nullable Found hour(int i, boolean bareHour) {
        String word = tokens.word(i);
        if (!tokens.at(i).figure()) {
            return spelled(i, bareHour);
        }
        boolean glued = tokens.touches(i - 1)
                && (tokens.at(i - 1).letters() && !tokens.is(i - 1, "t")
                        || tokens.is(i - 1, Set.of("/", "-", "£", "$", "€", ".")));
        if (glued) {
            return null;
        }
        int hour;
        int minute = 0;
        int next = i + 1;
        boolean clocked = false;
        if (Regex.matches(word, "\\d{1,2}[:.]\\d{2}(?::\\d{2})?")) {
            hour = Integer.parseInt(Regex.split(word, "[:.]")[0]);
            minute = Integer.parseInt(Regex.split(word, "[:.]")[1]);
            clocked = word.indexOf(':') > 0;
        } else if (Regex.matches(word, "\\d{1,2}")
                && tokens.is(next, "h")
                && tokens.touches(i)
                // "For 2h" is how long.
                && !(tokens.is(i - 1, "for") && Integer.parseInt(word) <= 12)) {
            hour = Integer.parseInt(word);
            next++;
            if (tokens.isFigures(next, 2, 2) && tokens.touches(next - 1)) {
                minute = Integer.parseInt(tokens.word(next));
                next++;
            }
            clocked = true;
        } else if (Regex.matches(word, "\\d{4}")
                && (word.startsWith("0")
                        || tokens.is(next, Set.of("hrs", "hours", "h", "am", "pm"))
                        || tokens.is(i - 1, "at")
                        || bareHour && tokens.size() == 1)) {
            hour = Integer.parseInt(word.substring(0, 2));
            minute = Integer.parseInt(word.substring(2));
            next = tokens.is(next, Set.of("hrs", "hours", "h")) ? next + 1 : next;
            clocked = true;
        } else if (Regex.matches(word, "\\d{1,2}")) {
            hour = Integer.parseInt(word);
        } else {
            return null;
        }
        if (hour > 24 || minute > 59 || hour == 24 && minute > 0) {
            return null;
        }
        boolean dotted = word.indexOf('.') > 0;
        boolean marked = parts.half(next) != null
                || tokens.is(next, Set.of("o'clock", "oclock", "uhr", "ish"))
                || tokens.is(next, "'");
        boolean part = parts.partAt(next) != null;
        boolean led = tokens.is(i - 1, LEADS) && !tokens.at(next).letters()
                || tokens.is(i - 1, Set.of("at", "@"))
                || tokens.is(i - 1, LEADS) && tokens.is(next, STOPS);
        if (!clocked
                && !marked
                && !part
                && !led
                && !(bareHour && alone(i, next))
                && !(parts.partBefore(i) && !dotted)) {
            return null;
        }
        if (dotted && !marked && !part && !led && !bareHour) {
            return null;
        }
        boolean through = word.startsWith("0") || clocked && WHOLE_DAY_CLOCK.contains(context.region());
        return halves(hour, minute, i, next, through);
    }

    private static final Set<String> STOPS = Set.of(
            "please",
            "if",
            "on",
            "tomorrow",
            "today",
            "tonight",
            "would",
            "is",
            "and",
            "or",
            "pls",
            "thanks",
            "will",
            "works",
            "to");

    /** "eight thirty", "seven o'clock", "at six". */
    private @Nullable Found spelled(int i, boolean bareHour) {
        Numerals.Parsed parsed = tokens.at(i).letters() && !tokens.is(i, "a") && !tokens.is(i, "half")
                ? Numerals.at(tokens, i, context)
                : null;
        if (parsed == null || parsed.value().scale() > 0 || parsed.value().signum() <= 0) {
            return null;
        }
        int value = parsed.value().intValue();
        int next = parsed.next();
        int minute = 0;
        if (value > 12) {
            return null;
        }
        Numerals.Parsed minutes = Numerals.at(tokens, next, context);
        if (minutes != null
                && tokens.at(next).letters()
                && minutes.value().intValue() >= 10
                && minutes.value().intValue() < 60) {
            minute = minutes.value().intValue();
            next = minutes.next();
        }
        boolean marked = parts.half(next) != null
                || tokens.is(next, Set.of("o'clock", "oclock", "ish"))
                || parts.partAt(next) != null;
        boolean led = tokens.is(i - 1, Set.of("at", "around", "about", "by", "after", "before"))
                        && (!tokens.at(next).letters() || tokens.is(next, STOPS))
                || tokens.is(i - 1, "at");
        return marked || led || minute > 0 && bareHour || bareHour && alone(i, next) || parts.partBefore(i)
                ? halves(value, minute, i, next, false)
                : null;
    }

    /** Whether the words around make a lone number a time in the reply to a question for one. */
    private boolean alone(int i, int next) {
        int from = tokens.skip(
                0,
                Set.of(
                        "at", "around", "about", "say", "maybe", "let's", "make", "it", "for", "roughly", "please", ",",
                        "the", "between", "from", "no", "i", "mean", "on"));
        boolean opens = i <= from || tokens.is(i - 1, RANGE) || tokens.is(i - 1, Set.of(",", "it", "between", "from"));
        return opens
                && (!tokens.at(next).letters()
                        || tokens.is(
                                next,
                                Set.of(
                                        "please", "pls", "ish", "or", "to", "and", "till", "until", "sharp", "would",
                                        "is", "no", "works")));
    }

    private Found halves(int hour, int minute, int i, int next, boolean through) {
        DayParts.Half half = parts.half(next);
        int after = half == null ? next : parts.afterHalf(next);
        boolean ish = tokens.is(after, Set.of("o'clock", "oclock", "uhr", "ish", "sharp"));
        after = ish ? after + 1 : after;
        if (half == null) {
            half = parts.half(after);
            after = half == null ? after : parts.afterHalf(after);
        }
        DayParts.Half part = half != null ? half : parts.part(after, i);
        if (parts.partAt(after) != null && half == null && tokens.is(after, Set.of("in", "at"))) {
            after += tokens.follows(after, "in", "the") ? 3 : 2;
        }
        if (hour < 0 || hour > 24 || minute > 59) {
            return new Found(List.of(), after);
        }
        if (hour > 12 || hour == 0 || through && part == null) {
            return new Found(List.of(LocalTime.of(hour % 24, minute)), after);
        }
        LocalTime morning = LocalTime.of(hour % 12, minute);
        LocalTime afternoon = LocalTime.of(hour % 12 + 12, minute);
        if (part == DayParts.Half.MORNING) {
            return new Found(List.of(morning), after);
        }
        if (part == DayParts.Half.AFTERNOON) {
            return new Found(List.of(afternoon), after);
        }
        if (part == DayParts.Half.NIGHT) {
            return new Found(List.of(hour == 12 || hour < 5 ? morning : afternoon), after);
        }
        return new Found(List.of(morning, afternoon), after);
    }
}
