package com.shuttle.appointments;

import com.shuttle.core.booking.Slot;
import com.shuttle.core.calendar.WeekHours.Span;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Bookings as they are drawn: a column for each day of a week or each person of a day, bookings at their hours, side by side
 * where they meet. Lengths are in units of the drawing, {@value #WIDTH} wide.
 *
 * @param first  hour at the top
 * @param height of the whole
 * @param zone   on whose clock it is drawn
 */
record CalendarDrawing(List<Column> columns, List<Hour> hours, int first, int height, ZoneId zone) {

    static final int WIDTH = 1180;
    static final int LEFT = 44;
    static final int TOP = 34;

    private static final int HOUR = 46;
    private static final int EARLIEST = 8;
    private static final int LATEST = 18;
    private static final int GAP = 3;
    /** Minutes that something is drawn as at the least. */
    private static final int SHORTEST = 15;

    private static final int LINE = 15;
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);

    /**
     * What stands in a column.
     *
     * @param with id of the person or room it is of; empty for all
     * @param open the hours that somebody is there; null where the column is of several
     * @param bookings in the order of their beginnings
     */
    record Heading(
            String label,
            LocalDate date,
            String with,
            @Nullable List<Span> open,
            List<Booking> bookings) {}

    /** @param middle where its name stands @param shut hours in which nobody is there */
    record Column(
            String label,
            LocalDate date,
            String with,
            int x,
            int middle,
            int width,
            boolean today,
            List<Band> shut,
            List<Block> blocks) {}

    record Hour(String label, int y) {}

    record Band(int y, int height) {}

    /** One booking. @param lines for how many there is room */
    record Block(
            String id,
            String state,
            String time,
            String who,
            String kind,
            boolean moves,
            int x,
            int y,
            int width,
            int height,
            int lines) {}

    /** Where a booking could be put. @param start as it is sent @param with whom; empty for any */
    record Place(String start, String with, String label, int x, int y, int width, int height) {}

    /** @param kinds names of kinds by their ids */
    static CalendarDrawing of(List<Heading> headings, Map<String, String> kinds, ZoneId zone, Instant now) {
        int first = EARLIEST;
        int last = LATEST;
        for (Heading heading : headings) {
            for (Booking booking : heading.bookings()) {
                first = Math.min(first, booking.start().atZone(zone).getHour());
                last = Math.max(last, lastHour(booking, zone));
            }
        }
        int width = (WIDTH - LEFT) / Math.max(1, headings.size());
        int height = TOP + (last - first) * HOUR + 8;
        List<Column> columns = new ArrayList<>();
        for (int i = 0; i < headings.size(); i++) {
            Heading heading = headings.get(i);
            int x = LEFT + i * width;
            columns.add(new Column(
                    heading.label(),
                    heading.date(),
                    heading.with(),
                    x,
                    x + width / 2,
                    width,
                    now.atZone(zone).toLocalDate().equals(heading.date()),
                    shut(heading.open(), first, last),
                    blocks(heading.bookings(), new Frame(kinds, zone, first, now), x, width)));
        }
        List<Hour> hours = new ArrayList<>();
        for (int hour = first; hour <= last; hour++) {
            hours.add(new Hour("%02d:00".formatted(hour % 24), TOP + (hour - first) * HOUR));
        }
        return new CalendarDrawing(columns, hours, first, height, zone);
    }

    private static int lastHour(Booking booking, ZoneId zone) {
        ZonedDateTime end = booking.end().atZone(zone);
        boolean over = !end.toLocalDate().equals(booking.start().atZone(zone).toLocalDate());
        return over ? 24 : end.getHour() + (end.getMinute() > 0 ? 1 : 0);
    }

    private static List<Band> shut(@Nullable List<Span> open, int first, int last) {
        if (open == null) {
            return List.of();
        }
        List<Band> shut = new ArrayList<>();
        int from = first * 60;
        for (Span span : open) {
            band(shut, from, span.from().toSecondOfDay() / 60, first, last);
            from = Math.max(from, span.until().toSecondOfDay() / 60);
        }
        band(shut, from, last * 60, first, last);
        return shut;
    }

    private static void band(List<Band> bands, int from, int until, int first, int last) {
        int begin = Math.max(from, first * 60);
        int end = Math.min(until, last * 60);
        if (end > begin) {
            bands.add(new Band(TOP + (begin - first * 60) * HOUR / 60, (end - begin) * HOUR / 60));
        }
    }

    /** What does not change from block to block. */
    private record Frame(Map<String, String> kinds, ZoneId zone, int first, Instant now) {
        int y(Instant start) {
            return TOP + (start.atZone(zone).toLocalTime().toSecondOfDay() / 60 - first * 60) * HOUR / 60;
        }
    }

    /** Bookings that meet, directly or through others, share the column; each takes the first lane that is free when it begins. */
    private static List<Block> blocks(List<Booking> bookings, Frame frame, int left, int width) {
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
            blocks.addAll(cluster(bookings.subList(from, until), frame, left, width));
            from = until;
        }
        return blocks;
    }

    private static List<Block> cluster(List<Booking> bookings, Frame frame, int left, int column) {
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
        int width = (column - GAP) / ends.size();
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < bookings.size(); i++) {
            blocks.add(block(bookings.get(i), frame, left + 2 + lanes.get(i) * width, width - 1));
        }
        return blocks;
    }

    private static int height(Instant start, Instant end) {
        long minutes = Math.max(SHORTEST, (end.getEpochSecond() - start.getEpochSecond()) / 60);
        return Math.max(18, (int) (minutes * HOUR / 60) - 2);
    }

    private static Block block(Booking booking, Frame frame, int x, int width) {
        int height = height(booking.start(), booking.end());
        return new Block(
                booking.id(),
                booking.state().key(),
                CLOCK.format(booking.start().atZone(frame.zone())),
                booking.name().isBlank() ? booking.reference() : booking.name(),
                frame.kinds().getOrDefault(booking.kind(), ""),
                booking.state() == Booking.State.BOOKED && booking.start().isAfter(frame.now()),
                x,
                frame.y(booking.start()),
                width,
                height,
                height / LINE);
    }

    /** Where free times stand in this drawing; those outside of its days, hours and people are left out. */
    List<Place> places(List<Slot> slots) {
        Frame frame = new Frame(Map.of(), zone, first, Instant.EPOCH);
        List<Place> places = new ArrayList<>();
        for (Slot slot : slots) {
            int y = frame.y(slot.start());
            for (Column column : columns) {
                boolean here = slot.start().atZone(zone).toLocalDate().equals(column.date())
                        && (column.with().isEmpty() || slot.resources().contains(column.with()))
                        && y >= TOP;
                if (here) {
                    places.add(new Place(
                            slot.start().toString(),
                            column.with(),
                            column.label() + ", " + CLOCK.format(slot.start().atZone(zone)),
                            column.x() + 2,
                            y,
                            column.width() - GAP,
                            height(slot.start(), slot.end())));
                }
            }
        }
        return places;
    }
}
