package com.shuttle.appointments;

import com.shuttle.core.calendar.WeekHours.Span;
import java.time.LocalDate;
import java.util.List;

/**
 * How much of somebody's open hours is taken by bookings. A session that several share counts once; what is outside of the
 * hours counts too, so that it may be more than all.
 *
 * @param taken minutes, without buffers
 * @param open  minutes
 */
record Fullness(String id, String name, int taken, int open) {

    /** In hundredths; 0 where nobody is there. */
    public int percent() {
        return open == 0 ? 0 : Math.round(taken * 100f / open);
    }

    /** "6 of 35 hours". */
    public String told() {
        return hours(taken) + " of " + hours(open) + (open == 60 ? " hour" : " hours");
    }

    private static String hours(int minutes) {
        return minutes % 60 == 0 ? String.valueOf(minutes / 60) : "%.1f".formatted(minutes / 60.0);
    }

    /** @param bookings those of the days, of anybody */
    static Fullness of(Diary diary, LocalDate from, int days, List<Booking> bookings) {
        int open = from.datesUntil(from.plusDays(days))
                .flatMap(day -> diary.hours().on(day).stream())
                .mapToInt(Fullness::minutes)
                .sum();
        int taken = bookings.stream()
                .filter(booking -> booking.resources().contains(diary.id()))
                .map(booking -> List.of(booking.start(), booking.end()))
                .distinct()
                .mapToInt(time -> (int)
                        ((time.getLast().getEpochSecond() - time.getFirst().getEpochSecond()) / 60))
                .sum();
        return new Fullness(diary.id(), diary.name(), taken, open);
    }

    private static int minutes(Span span) {
        return (span.until().toSecondOfDay() - span.from().toSecondOfDay()) / 60;
    }
}
