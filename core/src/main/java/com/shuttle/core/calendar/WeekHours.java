package com.shuttle.core.calendar;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * When somebody is there, by the days of the week.
 *
 * @param always whether it is open at any time, whatever the spans
 * @param spans  by day; a day without is closed
 */
public record WeekHours(boolean always, Map<DayOfWeek, Span> spans) {

    /** Days as they are kept. */
    private static final Map<DayOfWeek, String> NAMES = Arrays.stream(DayOfWeek.values())
            .collect(Collectors.toMap(day -> day, day -> day.name().toLowerCase(Locale.ROOT)));

    /** Open at any time. */
    public static final WeekHours ALWAYS = new WeekHours(true, Map.of());

    /**
     * A part of a day.
     *
     * @param from  the first moment that belongs to it
     * @param until the first moment after it
     */
    public record Span(LocalTime from, LocalTime until) {
        public Span {
            if (!from.isBefore(until)) {
                throw new IllegalArgumentException("expected an end after " + from + ", but got " + until);
            }
        }

        /** Reads {@code 09:00-17:00}; empty for anything else, and where the end is not after the beginning. */
        public static Optional<Span> of(String text) {
            String[] ends = text.strip().split("-", -1);
            if (ends.length != 2) {
                return Optional.empty();
            }
            try {
                return Optional.of(new Span(LocalTime.parse(ends[0].strip()), LocalTime.parse(ends[1].strip())));
            } catch (DateTimeException | IllegalArgumentException unfit) {
                return Optional.empty();
            }
        }

        boolean contains(LocalTime time) {
            return !time.isBefore(from) && time.isBefore(until);
        }
    }

    public WeekHours {
        spans = Map.copyOf(spans);
    }

    /**
     * Reads hours as they are kept.
     *
     * @param hours name of the day in lower case to its span; none at all for always. What cannot be read is closed
     */
    public static WeekHours of(Map<String, String> hours) {
        if (hours.isEmpty()) {
            return ALWAYS;
        }
        Map<DayOfWeek, Span> spans = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            span(hours, day).ifPresent(span -> spans.put(day, span));
        }
        return new WeekHours(false, spans);
    }

    private static Optional<Span> span(Map<String, String> hours, DayOfWeek day) {
        String span = hours.get(NAMES.get(day));
        return span == null ? Optional.empty() : Span.of(span);
    }

    /** As {@link #openAt} of {@link #of}, but reads no other day. */
    public static boolean openAt(Map<String, String> hours, LocalDateTime at) {
        return hours.isEmpty()
                || span(hours, at.getDayOfWeek())
                        .filter(span -> span.contains(at.toLocalTime()))
                        .isPresent();
    }

    /** Whether a time on the place's own clock is within them. */
    public boolean openAt(LocalDateTime at) {
        Span span = spans.get(at.getDayOfWeek());
        return always || span != null && span.contains(at.toLocalTime());
    }
}
