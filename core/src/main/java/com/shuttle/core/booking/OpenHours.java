package com.shuttle.core.booking;

import com.shuttle.core.calendar.WeekHours.Span;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/**
 * When a person or a room takes appointments.
 *
 * @param zone       on whose clock
 * @param week       spans of each weekday, in their order and apart; a day without has none
 * @param exceptions days that are other than their weekday; no spans for a day off
 */
public record OpenHours(ZoneId zone, Map<DayOfWeek, List<Span>> week, Map<LocalDate, List<Span>> exceptions) {

    public OpenHours {
        week = Map.copyOf(week);
        exceptions = Map.copyOf(exceptions);
    }

    /** The spans of one day. */
    public List<Span> on(LocalDate day) {
        List<Span> exception = exceptions.get(day);
        return exception != null ? exception : week.getOrDefault(day.getDayOfWeek(), List.of());
    }

    /** Spans in their order, with those that overlap or touch made one. */
    public static List<Span> united(List<Span> spans) {
        List<Span> united = new ArrayList<>();
        for (Span span : spans.stream().sorted(Comparator.comparing(Span::from)).toList()) {
            Span last = united.isEmpty() ? null : united.getLast();
            if (last != null && !span.from().isAfter(last.until())) {
                united.removeLast();
                united.add(new Span(last.from(), span.until().isAfter(last.until()) ? span.until() : last.until()));
            } else {
                united.add(span);
            }
        }
        return united;
    }
}
