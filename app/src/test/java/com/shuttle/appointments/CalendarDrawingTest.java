package com.shuttle.appointments;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.appointments.Booking.State;
import com.shuttle.appointments.CalendarDrawing.Block;
import com.shuttle.appointments.CalendarDrawing.Heading;
import com.shuttle.appointments.CalendarDrawing.Place;
import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.booking.Slot;
import com.shuttle.core.calendar.WeekHours.Span;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** Bookings stand at their hours and never on one another; how full somebody is. */
class CalendarDrawingTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final LocalDate DAY = LocalDate.parse("2026-06-03");
    private static final Instant BEFORE = Instant.parse("2026-06-01T00:00:00Z");

    private static Booking booking(String id, String start, int minutes, State state, String... resources) {
        Instant at = Instant.parse("2026-06-03T" + start + ":00Z");
        return new Booking(
                id,
                "ABC-DEFG",
                "visit",
                List.of(resources),
                at,
                at.plusSeconds(60L * minutes),
                state,
                null,
                1,
                "Dana",
                "",
                "",
                "",
                "",
                null,
                0,
                BEFORE);
    }

    private static CalendarDrawing drawing(List<Span> open, Booking... bookings) {
        return CalendarDrawing.of(
                List.of(new Heading("Wed", DAY, "ann", open, List.of(bookings))),
                Map.of("visit", "Visit"),
                LONDON,
                BEFORE);
    }

    private static Span span(String text) {
        return Span.of(text).orElseThrow();
    }

    @Test
    void blocksStandAtTheirHoursOnTheClockOfThePage() {
        CalendarDrawing drawing = drawing(null, booking("b", "09:00", 60, State.BOOKED, "ann"));
        Block block = drawing.columns().getFirst().blocks().getFirst();
        assertThat(block.time()).isEqualTo("10:00");
        assertThat(block.kind()).isEqualTo("Visit");
        assertThat(block.moves()).isTrue();
        assertThat(block.y())
                .isEqualTo(drawing.hours().stream()
                        .filter(hour -> hour.label().equals("10:00"))
                        .findFirst()
                        .orElseThrow()
                        .y());
    }

    @Test
    void theDrawingGrowsWithWhatIsEarlyOrLate() {
        assertThat(drawing(null).hours()).hasSize(11);
        CalendarDrawing late = drawing(
                null, booking("b", "04:30", 30, State.BOOKED, "ann"), booking("c", "22:30", 120, State.BOOKED, "ann"));
        assertThat(late.first()).isEqualTo(5);
        assertThat(late.hours().getLast().label()).isEqualTo("00:00");
    }

    @Test
    void whatIsOverOrHeldDoesNotMove() {
        CalendarDrawing drawing = drawing(
                null, booking("b", "09:00", 60, State.HELD, "ann"), booking("c", "11:00", 60, State.DONE, "ann"));
        assertThat(drawing.columns().getFirst().blocks()).noneMatch(Block::moves);
        CalendarDrawing past = CalendarDrawing.of(
                List.of(new Heading("Wed", DAY, "ann", null, List.of(booking("b", "09:00", 60, State.BOOKED, "ann")))),
                Map.of(),
                LONDON,
                Instant.parse("2026-06-03T09:00:01Z"));
        assertThat(past.columns().getFirst().blocks()).noneMatch(Block::moves);
    }

    @Test
    void hoursInWhichNobodyIsThereAreShaded() {
        assertThat(drawing(null).columns().getFirst().shut()).isEmpty();
        assertThat(drawing(List.of()).columns().getFirst().shut()).hasSize(1);
        assertThat(drawing(List.of(span("09:00-12:00"), span("13:00-20:00")))
                        .columns()
                        .getFirst()
                        .shut())
                .hasSize(2);
        assertThat(drawing(List.of(span("06:00-20:00"))).columns().getFirst().shut())
                .isEmpty();
    }

    @RepeatedTest(50)
    void blocksOfAColumnNeverOverlap(RepetitionInfo round) {
        Random random = new Random(round.getCurrentRepetition());
        List<Integer> starts = random.ints(random.nextInt(13), 0, 600).boxed().toList();
        List<Booking> bookings = new ArrayList<>();
        for (int start : starts.stream().sorted().toList()) {
            int minutes = start / 5 * 5;
            String time = "%02d:%02d".formatted(7 + minutes / 60, minutes % 60);
            bookings.add(booking("b" + bookings.size(), time, 30 + minutes % 50 / 5 * 5, State.BOOKED, "ann"));
        }
        List<Block> blocks = drawing(null, bookings.toArray(Booking[]::new))
                .columns()
                .getFirst()
                .blocks();
        assertThat(blocks).hasSameSizeAs(bookings);
        for (Block one : blocks) {
            assertThat(one.x()).isGreaterThanOrEqualTo(CalendarDrawing.LEFT);
            assertThat(one.x() + one.width()).isLessThanOrEqualTo(CalendarDrawing.WIDTH);
            assertThat(blocks).noneMatch(other -> other != one && overlap(one, other));
        }
    }

    private static boolean overlap(Block one, Block other) {
        boolean across = one.x() < other.x() + other.width() && other.x() < one.x() + one.width();
        return across && one.y() < other.y() + other.height() && other.y() < one.y() + one.height();
    }

    @Test
    void placesAreThoseOfTheColumnsPeople() {
        Instant ten = Instant.parse("2026-06-03T09:00:00Z");
        Instant early = Instant.parse("2026-06-03T03:00:00Z");
        List<Slot> slots = List.of(
                new Slot(early, early.plusSeconds(3600), List.of("ann"), 1),
                new Slot(ten, ten.plusSeconds(3600), List.of("ann", "bob"), 1),
                new Slot(ten.plusSeconds(3600), ten.plusSeconds(7200), List.of("bob"), 1),
                new Slot(ten.plusSeconds(86_400), ten.plusSeconds(90_000), List.of("ann"), 1));
        assertThat(drawing(null).places(slots))
                .extracting(Place::label, Place::with)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("Wed, 10:00", "ann"));
    }

    @Test
    void howFullSomebodyIs() {
        OpenHours hours = new OpenHours(LONDON, Map.of(DayOfWeek.WEDNESDAY, List.of(span("09:00-12:30"))), Map.of());
        Diary ann = new Diary("ann", Diary.Type.PERSON, "Ann", hours, List.of());
        List<Booking> bookings = List.of(
                booking("b", "09:00", 60, State.BOOKED, "ann"),
                booking("c", "09:00", 60, State.BOOKED, "ann"),
                booking("d", "10:00", 45, State.DONE, "ann"),
                booking("e", "10:00", 45, State.BOOKED, "bob"));
        Fullness week = Fullness.of(ann, DAY.minusDays(2), 7, bookings);
        assertThat(week.taken()).as("a session that is shared counts once").isEqualTo(105);
        assertThat(week.percent()).isEqualTo(50);
        assertThat(week.told()).isEqualTo("1.8 of 3.5 hours");
        assertThat(Fullness.of(ann, DAY.plusDays(1), 1, List.of()).percent()).isZero();
    }

    @Test
    void whoSuitsIsNamedOrCan() {
        OpenHours hours = new OpenHours(LONDON, Map.of(), Map.of());
        Diary ann = new Diary("ann1", Diary.Type.PERSON, "Ann Hay", hours, List.of("French", "wiring"));
        assertThat(List.of("", "ann1", "ann hay", " french", "WIRING")).allMatch(ann::suits);
        assertThat(List.of("Ann", "Welsh", "x")).noneMatch(ann::suits);
    }
}
