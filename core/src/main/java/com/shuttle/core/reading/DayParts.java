package com.shuttle.core.reading;

import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Which half of the day the words of a message speak of. */
final class DayParts {

    enum Half {
        MORNING,
        AFTERNOON,
        NIGHT
    }

    private final Tokens tokens;

    DayParts(Tokens tokens) {
        this.tokens = tokens;
    }

    @Nullable
    Half half(int i) {
        if (tokens.is(i, "am") || tokens.follows(i, "a", ".", "m") || tokens.follows(i, "a", "m")) {
            return Half.MORNING;
        }
        return tokens.is(i, "pm") || tokens.follows(i, "p", ".", "m") || tokens.follows(i, "p", "m")
                ? Half.AFTERNOON
                : null;
    }

    int afterHalf(int i) {
        if (tokens.is(i, "am") || tokens.is(i, "pm")) {
            return i + 1;
        }
        int next = tokens.is(i + 1, ".") ? i + 3 : i + 2;
        return tokens.is(next, ".") && tokens.touches(next - 1) ? next + 1 : next;
    }

    @Nullable
    Half partAt(int i) {
        int at = tokens.follows(i, "in", "the") ? i + 2 : tokens.is(i, Set.of("at", "this", "in")) ? i + 1 : i;
        return switch (tokens.word(at)) {
            case "morning", "mornings", "breakfast" -> Half.MORNING;
            case "afternoon", "evening", "eve", "teatime" -> Half.AFTERNOON;
            case "night", "tonight", "tonite" -> Half.NIGHT;
            default -> null;
        };
    }

    /** The part of the day named right after, otherwise anywhere in the message. */
    @Nullable
    Half part(int after, int i) {
        Half here = partAt(after);
        if (here != null) {
            return here;
        }
        for (int k = i - 1; k >= Math.max(0, i - 6); k--) {
            Half before = named(k);
            if (before != null) {
                return before;
            }
        }
        for (int k = after; k < Math.min(tokens.size(), after + 5); k++) {
            Half later = named(k);
            if (later != null) {
                return later;
            }
        }
        return null;
    }

    private @Nullable Half named(int k) {
        boolean greeting = tokens.is(k - 1, "good");
        return tokens.at(k).letters() && !greeting && !tokens.is(k, Set.of("at", "in", "this")) ? partAt(k) : null;
    }

    boolean partBefore(int i) {
        return tokens.is(i - 1, Set.of("morning", "afternoon", "evening", "tonight", "night"));
    }
}
