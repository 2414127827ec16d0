package com.shuttle.core.booking;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.io.TimezoneInfo;
import biweekly.property.DateEnd;
import biweekly.property.DateStart;
import biweekly.property.RecurrenceRule;
import biweekly.util.DateTimeComponents;
import biweekly.util.Duration;
import biweekly.util.Frequency;
import biweekly.util.Recurrence;
import biweekly.util.com.google.ical.compat.javautil.DateIterator;
import com.shuttle.core.booking.Resource.Busy;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Date;
import java.util.List;
import java.util.Map;
import java.util.TimeZone;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/**
 * Reads when somebody is busy from an iCalendar file (RFC 5545) as calendar programs give it: recurring events with their
 * exceptions, days without times, events that are marked as free or cancelled. Times without a zone are on the person's own
 * clock. A series that never ends is followed only through the period asked for. Pure functions.
 *
 * <p>Whatever a file says, reading it is bounded: in its length, its events, the exceptions and additions of all series, the
 * occurrences that have to be counted off until the period begins, and the stretches that come out, those that touch taken as
 * one. What is beyond a bound, or cannot be read at all, is refused as a whole: a calendar half read would offer times that are
 * taken.
 */
public final class BusyFeed {

    /** Characters of the longest file that is read. */
    public static final int LONGEST = 4_000_000;

    /** Busy stretches that may come out. */
    public static final int MOST_STRETCHES = 10_000;

    private static final int MOST_EVENTS = 20_000;
    private static final int MOST_EXCEPTIONS = 10_000;
    private static final int MOST_OF_A_SERIES = 3_000;

    /** Occurrences of all series that are counted off before and within the period. */
    private static final long MOST_COUNTED = 1_000_000;

    private static final int MOST_OCCURRENCES = 100_000;

    private static final long DAY_MILLIS = 86_400_000L;

    private static final Pattern EVENT = Pattern.compile("(?mi)^BEGIN:VEVENT");

    /** Lines that except a time from a series or add one, with the lines they go on in. */
    private static final Pattern EXCEPTION =
            Pattern.compile("(?mi)^(?:EXDATE|RDATE)[^\\r\\n]*(?:\\r?\\n[ \\t][^\\r\\n]*)*");

    /** Names of zones that programs write without describing them. */
    private static final Map<String, String> KNOWN_AS = Map.ofEntries(
            Map.entry("GMT Standard Time", "Europe/London"),
            Map.entry("W. Europe Standard Time", "Europe/Berlin"),
            Map.entry("Romance Standard Time", "Europe/Paris"),
            Map.entry("Central Europe Standard Time", "Europe/Budapest"),
            Map.entry("E. Europe Standard Time", "Europe/Chisinau"),
            Map.entry("GTB Standard Time", "Europe/Bucharest"),
            Map.entry("FLE Standard Time", "Europe/Kiev"),
            Map.entry("Eastern Standard Time", "America/New_York"),
            Map.entry("Central Standard Time", "America/Chicago"),
            Map.entry("Mountain Standard Time", "America/Denver"),
            Map.entry("Pacific Standard Time", "America/Los_Angeles"),
            Map.entry("India Standard Time", "Asia/Kolkata"),
            Map.entry("China Standard Time", "Asia/Shanghai"),
            Map.entry("Tokyo Standard Time", "Asia/Tokyo"),
            Map.entry("AUS Eastern Standard Time", "Australia/Sydney"),
            Map.entry("New Zealand Standard Time", "Pacific/Auckland"));

    private BusyFeed() {}

    /** The file is none that can be read. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1;

        Unreadable(String why) {
            super(why);
        }
    }

    /**
     * The busy stretches that touch a period, in their order; those that touch one another are one.
     *
     * @param own zone of times that name none
     */
    public static List<Busy> read(String file, ZoneId own, Instant from, Instant until) throws Unreadable {
        return read(file, own, from, until, BusyFeed::taken);
    }

    /** The whole days of a file that touch a period, whether or not they are marked as free, as holidays often are. */
    public static List<Busy> wholeDays(String file, ZoneId own, Instant from, Instant until) throws Unreadable {
        return read(file, own, from, until, BusyFeed::isWholeDay);
    }

    private static List<Busy> read(String file, ZoneId own, Instant from, Instant until, Predicate<VEvent> wanted)
            throws Unreadable {
        refuse(file.length() > LONGEST, "The calendar is too large.");
        refuse(
                EVENT.matcher(file).results().limit(MOST_EVENTS + 1L).count() > MOST_EVENTS,
                "The calendar has too many events.");
        refuse(exceptions(file) > MOST_EXCEPTIONS, "The calendar's series have too many exceptions.");
        try {
            ICalendar calendar = parsed(named(file), own);
            List<Busy> busy = new ArrayList<>();
            long counted = 0;
            for (VEvent event : calendar.getEvents()) {
                refuse(tooOften(event), "The calendar has an event that comes every minute.");
                if (wanted.test(event)) {
                    counted += counted(event, until);
                    refuse(counted > MOST_COUNTED, "The calendar's series come too often, or began too long ago.");
                    add(event, calendar, own, from, until, busy);
                    refuse(busy.size() > MOST_OCCURRENCES, "The calendar has too many busy times.");
                }
            }
            List<Busy> joined = joined(busy);
            refuse(joined.size() > MOST_STRETCHES, "The calendar has too many busy times.");
            return joined;
        } catch (RuntimeException e) {
            // The thirteenth month, a rule that contradicts itself: whatever the library stumbles over is the file's
            // fault.
            throw new Unreadable("The calendar has an event that cannot be read.");
        }
    }

    private static void refuse(boolean beyond, String why) throws Unreadable {
        if (beyond) {
            throw new Unreadable(why);
        }
    }

    private static long exceptions(String file) {
        return EXCEPTION
                .matcher(file)
                .results()
                .mapToLong(
                        line -> 1 + line.group().chars().filter(c -> c == ',').count())
                .sum();
    }

    /** How many occurrences of a series there are until the period ends, at the most; 0 for a single event. */
    private static long counted(VEvent event, Instant until) {
        RecurrenceRule property = event.getRecurrenceRule();
        if (property == null || property.getValue() == null) {
            return 0;
        }
        Recurrence rule = property.getValue();
        long millis = until.toEpochMilli() - event.getDateStart().getValue().getTime();
        long days = Math.max(1, millis / DAY_MILLIS);
        long aDay = (long) Math.max(1, rule.getByHour().size())
                * Math.max(1, rule.getByMinute().size())
                * Math.max(1, rule.getBySecond().size());
        return rule.getFrequency() == Frequency.HOURLY ? 24 * days * aDay : days * aDay;
    }

    /** Stretches that overlap or touch as one, in their order. */
    private static List<Busy> joined(List<Busy> busy) {
        List<Busy> joined = new ArrayList<>();
        List<Busy> sorted =
                busy.stream().sorted(Comparator.comparing(Busy::from)).toList();
        for (Busy next : sorted) {
            Busy last = joined.isEmpty() ? null : joined.getLast();
            if (last == null || next.from().isAfter(last.until())) {
                joined.add(next);
            } else if (next.until().isAfter(last.until())) {
                joined.set(joined.size() - 1, new Busy(last.from(), next.until()));
            }
        }
        return joined;
    }

    private static ICalendar parsed(String file, ZoneId own) throws Unreadable {
        try {
            ICalendar calendar = Biweekly.parse(file)
                    .defaultTimezone(TimeZone.getTimeZone(own))
                    .first();
            if (calendar == null) {
                throw new Unreadable("This is no calendar.");
            }
            return calendar;
        } catch (RuntimeException e) {
            // Whatever the parser stumbles over is the file's fault.
            throw new Unreadable("This is no calendar.");
        }
    }

    private static String named(String file) {
        String named = file;
        if (!file.contains("BEGIN:VTIMEZONE")) {
            for (Map.Entry<String, String> zone : KNOWN_AS.entrySet()) {
                named = named.replace("TZID=\"" + zone.getKey() + "\"", "TZID=" + zone.getValue())
                        .replace("TZID=" + zone.getKey() + ":", "TZID=" + zone.getValue() + ":");
            }
        }
        return named;
    }

    private static boolean tooOften(VEvent event) {
        RecurrenceRule rule = event.getRecurrenceRule();
        return rule != null
                && rule.getValue() != null
                && (rule.getValue().getFrequency() == Frequency.SECONDLY
                        || rule.getValue().getFrequency() == Frequency.MINUTELY);
    }

    private static boolean taken(VEvent event) {
        boolean free =
                event.getTransparency() != null && event.getTransparency().isTransparent();
        return stands(event) && !free;
    }

    private static boolean isWholeDay(VEvent event) {
        return stands(event) && !event.getDateStart().getValue().hasTime();
    }

    private static boolean stands(VEvent event) {
        boolean cancelled = event.getStatus() != null && event.getStatus().isCancelled();
        DateStart start = event.getDateStart();
        return start != null && start.getValue() != null && !cancelled;
    }

    private static void add(
            VEvent event, ICalendar calendar, ZoneId own, Instant from, Instant until, List<Busy> busy) {
        long length = length(event);
        DateStart start = event.getDateStart();
        DateTimeComponents written = start.getValue().getRawComponents();
        boolean days = !start.getValue().hasTime() && written != null;
        LocalDate first =
                days ? LocalDate.of(written.getYear(), written.getMonth(), written.getDate()) : LocalDate.EPOCH;
        DateIterator starts = event.getDateIterator(zone(start, calendar.getTimezoneInfo(), own));
        starts.advanceTo(Date.from(from.minusMillis(length + DAY_MILLIS)));
        for (int i = 0; i < MOST_OF_A_SERIES && starts.hasNext(); i++) {
            Date next = starts.next();
            LocalDate day = first.plusDays(daysBetween(start.getValue(), next));
            Instant begins = days ? day.atStartOfDay(own).toInstant() : next.toInstant();
            Instant ends = days
                    ? day.plusDays(Math.max(1, Math.round(length / (double) DAY_MILLIS)))
                            .atStartOfDay(own)
                            .toInstant()
                    : begins.plusMillis(length);
            if (!begins.isBefore(until)) {
                break;
            }
            if (ends.isAfter(from)) {
                busy.add(new Busy(begins, ends));
            }
        }
    }

    private static long daysBetween(Date one, Date other) {
        return Math.round((other.getTime() - one.getTime()) / (double) DAY_MILLIS);
    }

    /** The zone on whose clock a series goes on. */
    private static TimeZone zone(DateStart start, TimezoneInfo zones, ZoneId own) {
        DateTimeComponents written = start.getValue().getRawComponents();
        if (written != null && written.isUtc()) {
            return TimeZone.getTimeZone(ZoneOffset.UTC);
        }
        return zones.isFloating(start) || zones.getTimezone(start) == null
                ? TimeZone.getTimeZone(own)
                : zones.getTimezone(start).getTimeZone();
    }

    /** In milliseconds; a day for one without a time of day and an end. */
    private static long length(VEvent event) {
        DateStart start = event.getDateStart();
        DateEnd end = event.getDateEnd();
        Duration duration =
                event.getDuration() == null ? null : event.getDuration().getValue();
        if (end != null && end.getValue() != null) {
            return Math.max(0, end.getValue().getTime() - start.getValue().getTime());
        }
        if (duration != null) {
            return Math.max(0, duration.toMillis());
        }
        return start.getValue().hasTime() ? 0 : DAY_MILLIS;
    }
}
