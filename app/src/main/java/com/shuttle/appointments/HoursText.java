package com.shuttle.appointments;

import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.calendar.WeekHours.Span;
import java.time.DayOfWeek;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Hours as people write them: "09:00-12:00, 13:00-17:00"; empty for none. Pure functions. */
final class HoursText {

    private HoursText() {}

    /** Empty for what cannot be read. */
    static Optional<List<Span>> read(String text) {
        List<Span> spans = new ArrayList<>();
        for (String part : text.split("[,;]")) {
            if (part.isBlank()) {
                continue;
            }
            Optional<Span> span = Span.of(padded(part.strip().replace('–', '-')));
            if (span.isEmpty()) {
                return Optional.empty();
            }
            spans.add(span.get());
        }
        return Optional.of(OpenHours.united(spans));
    }

    /** "9-12" and "9:00 - 12:00" mean the same as "09:00-12:00". */
    private static String padded(String span) {
        return Arrays.stream(span.split("-", -1))
                .map(String::strip)
                .map(end -> end.matches("\\d{1,2}") ? end + ":00" : end.replace('.', ':'))
                .map(end -> end.matches("\\d:\\d\\d") ? "0" + end : end)
                .collect(Collectors.joining("-"));
    }

    static String write(List<Span> spans) {
        return spans.stream().map(span -> span.from() + "-" + span.until()).collect(Collectors.joining(", "));
    }

    /** By the names of the days in small letters. */
    static Map<String, String> week(Map<DayOfWeek, List<Span>> week) {
        Map<String, String> texts = new LinkedHashMap<>();
        for (DayOfWeek day : DayOfWeek.values()) {
            texts.put(key(day), write(week.getOrDefault(day, List.of())));
        }
        return texts;
    }

    static Map<DayOfWeek, List<Span>> week(Map<String, String> texts, Map<String, String> errors) {
        Map<DayOfWeek, List<Span>> week = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            read(texts.getOrDefault(key(day), ""))
                    .ifPresentOrElse(
                            spans -> week.put(day, spans),
                            () -> errors.put(
                                    key(day), "Write hours like 09:00-12:00, 13:00-17:00; each ends after it begins."));
        }
        return week;
    }

    static String key(DayOfWeek day) {
        return day.name().toLowerCase(Locale.ROOT);
    }
}
