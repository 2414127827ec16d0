package com.shuttle.appointments;

import com.shuttle.core.booking.Slot;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Free times by the days of a clock, as pages offer them. Pure functions. */
final class FreeDays {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);

    private FreeDays() {}

    record Day(String label, List<Time> times) {}

    /** @param value as it is sent @param left how many people it takes, where several share it */
    record Time(String value, String label, int left) {}

    static List<Day> of(List<Slot> slots, ZoneId zone) {
        Map<LocalDate, List<Time>> days = new LinkedHashMap<>();
        for (Slot slot : slots) {
            var local = slot.start().atZone(zone);
            days.computeIfAbsent(local.toLocalDate(), day -> new ArrayList<>())
                    .add(new Time(slot.start().toString(), CLOCK.format(local), slot.left()));
        }
        return days.entrySet().stream()
                .map(day -> new Day(DAY.format(day.getKey()), day.getValue()))
                .toList();
    }
}
