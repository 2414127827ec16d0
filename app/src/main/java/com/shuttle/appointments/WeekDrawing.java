package com.shuttle.appointments;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A week of bookings as it is drawn: a column a day, bookings at their hours, side by side where they meet. Lengths are in units
 * of the drawing, {@value #WIDTH} wide.
 *
 * @param first  hour at the top, {@code last} the one at the bottom
 * @param height of the whole
 */
record WeekDrawing(List<Day> days, List<Hour> hours, int first, int last, int height) {

    static final int WIDTH = 1180;
    static final int LEFT = 44;
    static final int TOP = 34;

    private static final int HOUR = 46;
    private static final int DAYS = 7;
    private static final int EARLIEST = 8;
    private static final int LATEST = 18;
    private static final int COLUMN = (WIDTH - LEFT) / DAYS;
    private static final int GAP = 3;
    /** Minutes that something is drawn as at the least. */
    private static final int SHORTEST = 15;

    private static final int LINE = 15;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);

    /** @param middle where its name stands @param today whether it is today */
    record Day(String label, LocalDate date, int x, int middle, boolean today, List<Block> blocks) {}

    record Hour(String label, int y) {}

    /**
     * One booking.
     *
     * @param clip  names the part of the drawing that its words keep to
     * @param lines whether there is room for a second and third
     */
    record Block(
            String id,
            String state,
            String time,
            String who,
            String kind,
            int x,
            int y,
            int width,
            int height,
            int lines) {}

    /** @param kinds names of kinds by their ids */
    static WeekDrawing of(
            LocalDate monday, List<Booking> bookings, Map<String, String> kinds, ZoneId zone, Instant now) {
        int first = EARLIEST;
        int last = LATEST;
        for (Booking booking : bookings) {
            first = Math.min(first, booking.start().atZone(zone).getHour());
            ZonedDateTime end = booking.end().atZone(zone);
            boolean over =
                    !end.toLocalDate().equals(booking.start().atZone(zone).toLocalDate());
            last = Math.max(last, over ? 24 : end.getHour() + (end.getMinute() > 0 ? 1 : 0));
        }
        List<Day> days = new ArrayList<>();
        for (int i = 0; i < DAYS; i++) {
            LocalDate date = monday.plusDays(i);
            List<Booking> ofDay = bookings.stream()
                    .filter(booking ->
                            booking.start().atZone(zone).toLocalDate().equals(date))
                    .toList();
            int x = LEFT + i * COLUMN;
            days.add(new Day(
                    DAY.format(date),
                    date,
                    x,
                    x + COLUMN / 2,
                    now.atZone(zone).toLocalDate().equals(date),
                    blocks(ofDay, kinds, zone, x, first)));
        }
        List<Hour> hours = new ArrayList<>();
        for (int hour = first; hour <= last; hour++) {
            hours.add(new Hour("%02d:00".formatted(hour % 24), TOP + (hour - first) * HOUR));
        }
        return new WeekDrawing(days, hours, first, last, TOP + (last - first) * HOUR + 8);
    }

    /**
     * Bookings that meet, directly or through others, share the column; each takes the first lane that is free when it begins.
     *
     * @param bookings in the order of their beginnings
     */
    private static List<Block> blocks(
            List<Booking> bookings, Map<String, String> kinds, ZoneId zone, int left, int first) {
        List<Block> blocks = new ArrayList<>();
        int from = 0;
        while (from < bookings.size()) {
            Instant end = bookings.get(from).end();
            int until = from + 1;
            while (until < bookings.size() && bookings.get(until).start().isBefore(end)) {
                Instant other = bookings.get(until).end();
                end = other.isAfter(end) ? other : end;
                until++;
            }
            blocks.addAll(cluster(bookings.subList(from, until), kinds, zone, left, first));
            from = until;
        }
        return blocks;
    }

    private static List<Block> cluster(
            List<Booking> bookings, Map<String, String> kinds, ZoneId zone, int left, int first) {
        List<Instant> ends = new ArrayList<>();
        List<Integer> lanes = new ArrayList<>();
        for (Booking booking : bookings) {
            int lane = 0;
            while (lane < ends.size() && ends.get(lane).isAfter(booking.start())) {
                lane++;
            }
            if (lane == ends.size()) {
                ends.add(booking.end());
            } else {
                ends.set(lane, booking.end());
            }
            lanes.add(lane);
        }
        int width = (COLUMN - GAP) / ends.size();
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < bookings.size(); i++) {
            blocks.add(block(bookings.get(i), kinds, zone, left + 2 + lanes.get(i) * width, width - 1, first));
        }
        return blocks;
    }

    private static Block block(Booking booking, Map<String, String> kinds, ZoneId zone, int x, int width, int first) {
        LocalTime start = booking.start().atZone(zone).toLocalTime();
        long minutes = Math.max(
                SHORTEST, (booking.end().getEpochSecond() - booking.start().getEpochSecond()) / 60);
        int height = Math.max(18, (int) (minutes * HOUR / 60) - 2);
        return new Block(
                booking.id(),
                booking.state().key(),
                CLOCK.format(start),
                booking.name().isBlank() ? booking.reference() : booking.name(),
                kinds.getOrDefault(booking.kind(), ""),
                x,
                TOP + (start.toSecondOfDay() / 60 - first * 60) * HOUR / 60,
                width,
                height,
                height / LINE);
    }
}
