package com.shuttle.api;

import com.shuttle.appointments.Availability;
import com.shuttle.appointments.Booking;
import com.shuttle.appointments.Bookings;
import com.shuttle.appointments.Diaries;
import com.shuttle.appointments.Kind;
import com.shuttle.appointments.Outcome;
import com.shuttle.appointments.Party;
import com.shuttle.core.booking.Slot;
import com.shuttle.core.calendar.Zones;
import com.shuttle.web.Instants;
import com.shuttle.web.Length;
import com.shuttle.web.Missing;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.ErrorResponseException;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Appointments for programs. Times are instants such as {@code 2026-03-12T14:00:00Z}. */
@RestController
@RequestMapping("/api/v1/appointments")
@Tag(name = "Appointments", description = "Kinds of appointment, free times, and bookings.")
class AppointmentsApi {

    private static final Duration LONGEST = Duration.ofDays(92);
    private static final int LONGEST_KEY = 80;

    record KindView(String id, String name, int minutes, int places) {}

    /** @param left how many people it still takes */
    record SlotView(String start, String end, int left) {}

    record BookingView(
            String id, String reference, String kind, String start, String end, String state, int party, String name) {}

    record Wanted(
            @Nullable String kind,
            @Nullable String start,
            @Nullable Integer party,
            @Nullable String with,
            @Nullable String name,
            @Nullable String email,
            @Nullable String phone,
            @Nullable String about,
            @Nullable String zone) {}

    record Moved(@Nullable String start) {}

    private final Diaries diaries;
    private final Availability availability;
    private final Bookings bookings;
    private final InstantSource clock;

    AppointmentsApi(Diaries diaries, Availability availability, Bookings bookings, InstantSource clock) {
        this.diaries = diaries;
        this.availability = availability;
        this.bookings = bookings;
        this.clock = clock;
    }

    @GetMapping("/kinds")
    @Operation(summary = "All kinds of appointment")
    List<KindView> kinds() {
        return diaries.kinds().stream()
                .map(kind -> new KindView(
                        kind.id(),
                        kind.name(),
                        kind.rules().minutes(),
                        kind.rules().places()))
                .toList();
    }

    @GetMapping("/kinds/{kind}/slots")
    @Operation(
            summary = "Free times of a kind",
            description =
                    "From now on for two weeks where no period is given; with a person, room, skill or language, if any.")
    List<SlotView> slots(
            @PathVariable String kind,
            @RequestParam(required = false) @Nullable String from,
            @RequestParam(required = false) @Nullable String until,
            @RequestParam(defaultValue = "1") int party,
            @RequestParam(defaultValue = "") String with) {
        Kind there = diaries.bookable(kind).orElseThrow(() -> new Missing("kind of appointment", kind));
        Instant start = from == null ? clock.instant() : instant(from);
        Instant end = until == null ? start.plus(Duration.ofDays(14)) : instant(until);
        if (Duration.between(start, end).compareTo(LONGEST) > 0) {
            throw Problems.unfit("A period is up to %d days long.".formatted(LONGEST.toDays()));
        }
        return availability.free(there.id(), party, with, start, end).stream()
                .map(AppointmentsApi::view)
                .toList();
    }

    private static SlotView view(Slot slot) {
        return new SlotView(slot.start().toString(), slot.end().toString(), slot.left());
    }

    private static BookingView view(Booking booking) {
        return new BookingView(
                booking.id(),
                booking.reference(),
                booking.kind(),
                booking.start().toString(),
                booking.end().toString(),
                booking.state().key(),
                booking.party(),
                booking.name());
    }

    @PostMapping("/bookings")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(
            summary = "Book a time",
            description = "With an Idempotency-Key the same request books once, however often it comes.")
    BookingView book(
            @RequestBody Wanted wanted,
            @RequestHeader(name = "Idempotency-Key", required = false) @Nullable String key) {
        boolean unfit = Stream.of(wanted.name(), wanted.about()).anyMatch(text -> !Length.NAME.holds(text(text)))
                || text(wanted.email()).length() > 254
                || text(wanted.phone()).length() > 60
                || key != null && key.length() > LONGEST_KEY;
        if (unfit
                || !text(wanted.zone()).isEmpty()
                        && Zones.known(text(wanted.zone())).isEmpty()) {
            throw Problems.unfit("Names are up to 200 characters long, and a zone is one like Europe/London.");
        }
        Party party = new Party(
                wanted.party() == null ? 1 : wanted.party(),
                text(wanted.with()),
                text(wanted.name()),
                text(wanted.email()),
                text(wanted.phone()),
                text(wanted.about()),
                text(wanted.zone()),
                null,
                key == null ? null : "api " + key);
        return taken(bookings.take(text(wanted.kind()), instant(text(wanted.start())), party, null));
    }

    private static String text(@Nullable String text) {
        return text == null ? "" : text.strip();
    }

    @GetMapping("/bookings/{id}")
    @Operation(summary = "One booking")
    BookingView booking(@PathVariable String id) {
        return view(bookings.booking(id));
    }

    @PatchMapping("/bookings/{id}")
    @Operation(summary = "Move a booking to another time")
    BookingView move(@PathVariable String id, @RequestBody Moved moved) {
        return taken(bookings.change(id, instant(text(moved.start())), null));
    }

    @DeleteMapping("/bookings/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(summary = "Cancel a booking; one that is cancelled stays so")
    void cancel(@PathVariable String id) {
        bookings.cancel(id, null);
    }

    private static BookingView taken(Outcome outcome) {
        return switch (outcome) {
            case Outcome.Taken(Booking booking) -> view(booking);
            case Outcome.Unfit(String why) -> throw Problems.unfit(why);
            case Outcome.Gone(List<Slot> nearest) -> {
                ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.CONFLICT, "This time is not free.");
                problem.setTitle("Not free");
                problem.setProperty(
                        "nearest", nearest.stream().map(AppointmentsApi::view).toList());
                throw new ErrorResponseException(HttpStatus.CONFLICT, problem, null);
            }
        };
    }

    private static Instant instant(String text) {
        return Instants.of(text).orElseThrow(() -> Problems.unfit("A time is one like 2026-03-12T14:00:00Z."));
    }
}
