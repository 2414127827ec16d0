package com.shuttle.appointments;

import com.shuttle.core.booking.BusyFeed;
import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.booking.Resource.Busy;
import com.shuttle.core.calendar.WeekHours.Span;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Days off from a calendar file: those that it has whole, of the two years to come. Pure functions. */
final class Holidays {

    private static final Duration AHEAD = Duration.ofDays(731);

    private Holidays() {}

    /** A person or room with the days of a file off; days that are otherwise already stay as they are. */
    static Diary added(Diary diary, String file, Instant now) throws BusyFeed.Unreadable {
        OpenHours hours = diary.hours();
        Map<LocalDate, List<Span>> exceptions = new TreeMap<>(hours.exceptions());
        for (Busy busy : BusyFeed.wholeDays(file, hours.zone(), now, now.plus(AHEAD))) {
            LocalDate until = busy.until().atZone(hours.zone()).toLocalDate();
            for (LocalDate day = busy.from().atZone(hours.zone()).toLocalDate();
                    day.isBefore(until) && exceptions.size() < DiaryForm.MOST_EXCEPTIONS;
                    day = day.plusDays(1)) {
                exceptions.putIfAbsent(day, List.of());
            }
        }
        return diary.at(new OpenHours(hours.zone(), hours.week(), exceptions));
    }
}
