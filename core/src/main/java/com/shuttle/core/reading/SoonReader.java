package com.shuttle.core.reading;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Finds moments counted from now. */
final class SoonReader {

    private SoonReader() {}

    /** "in 20 minutes", "in half an hour", "now"; null for none of these. */
    static @Nullable LocalDateTime find(Tokens tokens, Context context) {
        for (int i = 0; i < tokens.size(); i++) {
            if (tokens.follows(i, "right", "now") || tokens.is(i, "now") && tokens.size() <= 2) {
                return context.now();
            }
            if (!tokens.is(i, "in")) {
                continue;
            }
            if (tokens.follows(i + 1, "half", "an", "hour")) {
                return context.now().plusMinutes(30);
            }
            if (tokens.follows(i + 1, "an", "hour")) {
                return context.now().plusHours(1);
            }
            Numerals.Parsed number = Numerals.at(tokens, i + 1, context);
            if (number == null || number.value().intValue() > 10_000) {
                continue;
            }
            int unit = number.next();
            if (tokens.is(unit, Set.of("minutes", "minute", "mins", "min"))) {
                return context.now().plusMinutes(number.value().longValue());
            }
            if (tokens.is(unit, Set.of("hours", "hour", "hrs", "hr"))) {
                return context.now()
                        .plus(Duration.ofMinutes(Math.round(number.value().doubleValue() * 60)));
            }
        }
        return null;
    }
}
