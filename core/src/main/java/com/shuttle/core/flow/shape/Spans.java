package com.shuttle.core.flow.shape;

import java.util.Locale;
import java.util.Map;
import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Spans of time as people write them: 30s, 10m, 2h, 3d. Pure functions. */
public final class Spans {

    /** Seconds of a year, the longest span. */
    public static final long LONGEST = 366L * 86_400;

    private static final Pattern SPAN = Pattern.compile("(\\d{1,8})\\s*+(s|sec\\w*|m|min\\w*|h|hours?|d|days?)?");
    private static final Map<String, Long> SECONDS = Map.of("s", 1L, "m", 60L, "h", 3600L, "d", 86_400L);

    private Spans() {}

    /** "30s", "10m", "2h" or "3d": the largest unit that divides it. */
    public static String of(long seconds) {
        if (seconds > 0 && seconds % 86_400 == 0) {
            return seconds / 86_400 + "d";
        }
        if (seconds > 0 && seconds % 3600 == 0) {
            return seconds / 3600 + "h";
        }
        return seconds > 0 && seconds % 60 == 0 ? seconds / 60 + "m" : seconds + "s";
    }

    /** The seconds of a typed span, a number alone being seconds; empty where it is none. */
    public static OptionalLong seconds(String typed) {
        Matcher matcher = SPAN.matcher(typed.strip().toLowerCase(Locale.ROOT));
        if (!matcher.matches()) {
            return OptionalLong.empty();
        }
        String unit = matcher.group(2) == null ? "s" : matcher.group(2).substring(0, 1);
        return OptionalLong.of(Long.parseLong(matcher.group(1)) * SECONDS.getOrDefault(unit, 1L));
    }
}
