package com.shuttle.core.reading;

import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Stretches that are told by an end or both: from, until, before, after, between. */
final class WishBounds {

    private static final Set<String> JOINTS = Set.of("to", "-", "–", "—", "and", "until", "till", "through");
    private static final Set<String> RANGE = Set.of("to", "-", "–", "—", "until", "till", "through");

    private final Tokens tokens;
    private final WishDays days;
    private final WishTimes times;

    WishBounds(Tokens tokens, WishDays days, WishTimes times) {
        this.tokens = tokens;
        this.days = days;
        this.times = times;
    }

    /** Whether a bound begins here that a not before it turns round. */
    boolean begins(int i) {
        return tokens.is(i, Set.of("before", "after", "until", "till"))
                || tokens.is(i, Set.of("earlier", "later", "sooner")) && tokens.is(i + 1, "than");
    }

    /** Where a bound's words end, and what they say. */
    private record Bound(Kind kind, int next) {
        enum Kind {
            AFTER,
            FROM,
            BEFORE,
            UNTIL,
            BETWEEN
        }
    }

    private @Nullable Bound boundAt(int i) {
        boolean not = tokens.is(i, Set.of("not", "no", "nothing"));
        int at = not ? i + 1 : i;
        boolean than = tokens.is(at + 1, "than");
        int next = than ? at + 2 : at + 1;
        if (tokens.is(at, "after") || tokens.is(at, "later") && than) {
            return new Bound(not ? Bound.Kind.UNTIL : Bound.Kind.AFTER, next);
        }
        if (tokens.is(at, "before") || tokens.is(at, Set.of("earlier", "sooner")) && than) {
            return new Bound(not ? Bound.Kind.FROM : Bound.Kind.BEFORE, next);
        }
        if (not && tokens.is(at, Set.of("until", "till"))) {
            return new Bound(Bound.Kind.FROM, next);
        }
        if (not) {
            return null;
        }
        if (tokens.is(at, Set.of("from", "since", "starting"))) {
            return new Bound(Bound.Kind.FROM, next);
        }
        if (tokens.is(at, Set.of("until", "till", "by", "til")) || tokens.follows(at, "up", "to")) {
            return new Bound(Bound.Kind.UNTIL, tokens.is(at, "up") ? at + 2 : next);
        }
        return tokens.is(at, "between") ? new Bound(Bound.Kind.BETWEEN, next) : null;
    }

    /** A range of days; null for none. */
    WishDays.@Nullable Found days(int i) {
        Bound bound = boundAt(i);
        int from = bound == null ? i : bound.next();
        boolean spans = bound == null || bound.kind() == Bound.Kind.FROM || bound.kind() == Bound.Kind.BETWEEN;
        WishDays.Found one = days.at(from, null);
        if (one == null) {
            return null;
        }
        Set<String> joints = bound != null && bound.kind() == Bound.Kind.BETWEEN ? JOINTS : RANGE;
        if (spans && tokens.is(one.next(), joints)) {
            WishDays.Found other = days.at(one.next() + 1, null);
            if (other != null) {
                return days.between(one, other, other.next());
            }
        }
        if (bound == null) {
            return null;
        }
        return switch (bound.kind()) {
            case AFTER -> days.after(one, one.next());
            case FROM -> days.from(one, one.next());
            case BEFORE -> days.until(one, false, one.next());
            case UNTIL -> days.until(one, true, one.next());
            case BETWEEN -> null;
        };
    }

    /** A range of times of day; null for none. */
    WishTimes.@Nullable Found times(int i) {
        Bound bound = boundAt(i);
        if (bound == null) {
            return times.span(i, RANGE);
        }
        return switch (bound.kind()) {
            case BETWEEN -> times.span(bound.next(), JOINTS);
            case FROM -> {
                WishTimes.Found span = times.span(bound.next(), RANGE);
                yield span != null ? span : times.after(bound.next());
            }
            case AFTER -> times.after(bound.next());
            case BEFORE -> times.before(bound.next(), false);
            case UNTIL -> times.before(bound.next(), true);
        };
    }

    private int onwardsAt(int i) {
        if (tokens.is(i, Set.of("onwards", "onward", "on")) && !tokens.at(i + 1).figure()) {
            return tokens.is(i, "on") && tokens.at(i + 1).letters() && !tokens.is(i + 1, "please") ? i : i + 1;
        }
        return tokens.is(i, Set.of("or", "and")) && tokens.is(i + 1, Set.of("later", "after", "onwards")) ? i + 2 : i;
    }

    /** "The 14th onwards": a day that begins something. */
    WishDays.Found onwards(WishDays.Found day) {
        int next = onwardsAt(day.next());
        if (next > day.next()) {
            return days.from(day, next);
        }
        if (tokens.is(day.next(), "or") && tokens.is(day.next() + 1, Set.of("earlier", "before", "sooner"))) {
            return days.until(day, true, day.next() + 2);
        }
        return tokens.follows(day.next(), "at", "the", "latest") ? days.until(day, true, day.next() + 3) : day;
    }

    /** "Four or later". */
    WishTimes.Found later(WishTimes.Found time) {
        int next = onwardsAt(time.next());
        if (next > time.next()) {
            return times.from(time, next);
        }
        boolean earlier = tokens.is(time.next(), "or") && tokens.is(time.next() + 1, Set.of("earlier", "before"));
        return earlier ? times.until(time, time.next() + 2) : time;
    }
}
