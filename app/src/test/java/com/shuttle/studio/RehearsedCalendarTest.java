package com.shuttle.studio;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.conversation.Deed;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a rehearsal books is taken for it, found again, moved and let go, and stands nowhere else. */
class RehearsedCalendarTest {

    private static final Instant NINE = Instant.parse("2026-06-03T09:00:00Z");
    private static final Instant TEN = NINE.plusSeconds(3600);
    private static final FreeTimes FREE =
            new FreeTimes("Visit", "Europe/London", List.of(NINE, TEN), List.of("Ann", "Bob"));

    private static Deed.Hold hold(String reference, Instant start) {
        return new Deed.Hold("visit", start, 1, "", reference, "", 600);
    }

    private static Deed.Book book(String reference, Instant start) {
        return new Deed.Book("visit", start, 2, "", reference, "Dana", "dana@mill.example", "", "", "");
    }

    @Test
    void whatIsHeldIsTakenAndThenBooked() {
        RehearsedCalendar held = RehearsedCalendar.EMPTY.after(List.of(hold("R1", NINE)));
        assertThat(held.holds("R1")).isTrue();
        assertThat(held.without(FREE, "visit").starts()).containsExactly(TEN);
        assertThat(held.without(FREE, "other").starts()).containsExactly(NINE, TEN);
        RehearsedCalendar booked = held.after(List.of(book("R1", NINE)));
        assertThat(booked.holds("R1")).isFalse();
        assertThat(booked.all()).hasSize(1);
        assertThat(held.after(List.of(new Deed.LetGo("R1"))).without(FREE, "visit"))
                .isEqualTo(FREE);
    }

    @Test
    void whatIsBookedIsFoundByReferenceAndAddress() {
        RehearsedCalendar calendar = RehearsedCalendar.EMPTY.after(List.of(book("R1", NINE), hold("R2", TEN)));
        assertThat(calendar.found("R1", "Dana@mill.example", kind -> FREE))
                .contains(new BookingFound("R1", "visit", "Visit", "Europe/London", NINE, 2, "R1"));
        assertThat(calendar.found("R1", "other@mill.example", kind -> FREE)).isEmpty();
        assertThat(calendar.found("R2", "", kind -> FREE)).as("only held").isEmpty();
        assertThat(calendar.after(List.of(new Deed.Rebook("R1", TEN)))
                        .found("R1", "dana@mill.example", kind -> FREE)
                        .orElseThrow()
                        .start())
                .isEqualTo(TEN);
        assertThat(calendar.after(List.of(new Deed.CallOff("R1"), new Deed.NoteGap("?")))
                        .all())
                .hasSize(1);
    }
}
