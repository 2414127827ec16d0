package com.shuttle.appointments;

import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.booking.Slot;
import com.shuttle.core.calendar.WeekHours.Span;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** People with the same hours every day, and what is free of them. */
final class Calendars {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");

    private Calendars() {}

    /** Somebody who is there from eight to six on any day. @return their id */
    static String person(Diaries diaries, String name) {
        List<Span> day = List.of(Span.of("08:00-18:00").orElseThrow());
        Map<DayOfWeek, List<Span>> week =
                Stream.of(DayOfWeek.values()).collect(Collectors.toMap(one -> one, one -> day));
        return diaries.keep(new Diary("", Diary.Type.PERSON, name, new OpenHours(LONDON, week, Map.of())));
    }

    /** When one could come within a day from a time on. */
    static List<Instant> free(Availability availability, String kind, Instant from) {
        return availability.free(kind, 1, from, from.plus(Duration.ofDays(1))).stream()
                .map(Slot::start)
                .toList();
    }
}
