package com.shuttle.standins;

import java.io.IOException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * A stand-in for a calendar that somebody keeps elsewhere: a meeting every Tuesday, lunch on working days, and whatever is added.
 * Serves it at {@code /calendar.ics} as iCalendar, with a zone by the name that office programs give it.
 */
public final class BusyCalendarStandIn extends HttpStandIn {

    private static final DateTimeFormatter LOCAL = DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss");

    private final List<String> added = new ArrayList<>();

    private int unchanged;

    public BusyCalendarStandIn(int port) throws IOException {
        super("Busy calendar", port);
    }

    /** Adds something from one local time to another. */
    public synchronized void add(String title, LocalDateTime from, LocalDateTime until) {
        added.add(event("added-" + added.size(), title, from, until, ""));
    }

    /** How often it was asked and had not changed. */
    public synchronized int unchanged() {
        return unchanged;
    }

    private static String event(String uid, String title, LocalDateTime from, LocalDateTime until, String rule) {
        String zone = ";TZID=GMT Standard Time:";
        return "BEGIN:VEVENT\r\nUID:" + uid + "\r\nDTSTAMP:20260101T000000Z\r\nSUMMARY:" + title + "\r\nDTSTART" + zone
                + LOCAL.format(from) + "\r\nDTEND" + zone + LOCAL.format(until) + "\r\n" + rule + "END:VEVENT\r\n";
    }

    @Override
    protected synchronized Reply reply(Call call) {
        if (!call.path().equals("/calendar.ics")) {
            return Reply.json(404, Map.of("error", "there is no such address"));
        }
        LocalDate tuesday = LocalDate.of(2026, 1, 1).with(TemporalAdjusters.next(DayOfWeek.TUESDAY));
        String file = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Tarnfell//Office//EN\r\n"
                + event("team", "Team meeting", tuesday.atTime(10, 0), tuesday.atTime(11, 30), "RRULE:FREQ=WEEKLY\r\n")
                + event(
                        "school",
                        "Schools",
                        tuesday.atTime(14, 0),
                        tuesday.atTime(15, 0),
                        "RRULE:FREQ=WEEKLY;BYDAY=TU,TH\r\n")
                + String.join("", added) + "END:VCALENDAR\r\n";
        String etag = "\"" + Integer.toHexString(file.hashCode()) + "\"";
        boolean known = etag.equals(call.headers().get("if-none-match"));
        unchanged += known ? 1 : 0;
        return known
                ? new Reply(304, "", "text/calendar", etag)
                : new Reply(200, file, "text/calendar; charset=utf-8", etag);
    }

    @Override
    protected synchronized List<List<String>> kept() {
        return List.of(
                List.of("When", "What"),
                List.of("Tuesdays, 10:00 to 11:30", "Team meeting"),
                List.of("Tuesdays and Thursdays, 14:00 to 15:00", "Schools"),
                List.of(added.size() + " more", "added by programs"));
    }
}
