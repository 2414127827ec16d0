package com.shuttle.core.booking;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Writes appointments as iCalendar (RFC 5545), with a method as mail needs it (RFC 6047): a calendar program that knows the UID
 * takes a higher SEQUENCE as a change and CANCEL as the end of it. Times are written in UTC, so that no zone need be described.
 * Lines are folded at 75 octets and never within a character. Pure functions.
 */
public final class CalendarFile {

    private static final int LINE = 75;
    private static final DateTimeFormatter UTC =
            DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss'Z'", Locale.ROOT).withZone(ZoneOffset.UTC);

    private CalendarFile() {}

    /** What a file is for. */
    public enum Method {
        REQUEST,
        CANCEL,
        PUBLISH
    }

    /**
     * An appointment.
     *
     * @param uid       stays the same whatever changes
     * @param sequence  grows with every change
     * @param cancelled whether it is called off
     * @param about     may be empty, as may {@code place}, {@code organizer} and {@code attendee}, which are addresses
     */
    public record Event(
            String uid,
            int sequence,
            boolean cancelled,
            Instant stamp,
            Instant start,
            Instant end,
            String title,
            String about,
            String place,
            String organizer,
            String attendee) {

        /** The same under another title. */
        public Event titled(String other) {
            return new Event(
                    uid,
                    sequence,
                    cancelled,
                    stamp,
                    start,
                    end,
                    other + ", " + title,
                    about,
                    place,
                    organizer,
                    attendee);
        }
    }

    public static String write(Method method, List<Event> events) {
        List<String> lines = new ArrayList<>();
        lines.add("BEGIN:VCALENDAR");
        lines.add("VERSION:2.0");
        lines.add("PRODID:-//Shuttle//Appointments//EN");
        lines.add("METHOD:" + method);
        for (Event event : events) {
            lines.add("BEGIN:VEVENT");
            lines.add("UID:" + text(event.uid()));
            lines.add("SEQUENCE:" + event.sequence());
            lines.add("DTSTAMP:" + UTC.format(event.stamp()));
            lines.add("DTSTART:" + UTC.format(event.start()));
            lines.add("DTEND:" + UTC.format(event.end()));
            lines.add("SUMMARY:" + text(event.title()));
            optional(lines, "DESCRIPTION:", text(event.about()));
            optional(lines, "LOCATION:", text(event.place()));
            optional(lines, "ORGANIZER:mailto:", address(event.organizer()));
            optional(lines, "ATTENDEE;ROLE=REQ-PARTICIPANT;PARTSTAT=ACCEPTED:mailto:", address(event.attendee()));
            lines.add("STATUS:" + (event.cancelled() ? "CANCELLED" : "CONFIRMED"));
            lines.add("END:VEVENT");
        }
        lines.add("END:VCALENDAR");
        StringBuilder file = new StringBuilder();
        lines.forEach(line -> fold(line, file));
        return file.toString();
    }

    private static void optional(List<String> lines, String name, String value) {
        if (!value.isEmpty()) {
            lines.add(name + value);
        }
    }

    /** TEXT of RFC 5545, section 3.3.11. */
    private static String text(String plain) {
        return plain.replace("\\", "\\\\")
                .replace(";", "\\;")
                .replace(",", "\\,")
                .replaceAll("\\R", "\\\\n")
                .replaceAll("\\p{Cntrl}", "");
    }

    private static String address(String address) {
        return address.replaceAll("[\\s\\p{Cntrl}]", "");
    }

    private static void fold(String line, StringBuilder file) {
        int octets = 0;
        for (int i = 0; i < line.length(); ) {
            int sign = line.codePointAt(i);
            String one = Character.toString(sign);
            int size = one.getBytes(StandardCharsets.UTF_8).length;
            if (octets + size > LINE) {
                file.append("\r\n ");
                octets = 1;
            }
            file.append(one);
            octets += size;
            i += Character.charCount(sign);
        }
        file.append("\r\n");
    }
}
