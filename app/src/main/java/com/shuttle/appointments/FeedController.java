package com.shuttle.appointments;

import com.shuttle.core.booking.CalendarFile;
import com.shuttle.web.Access;
import com.shuttle.web.Missing;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The bookings of a person or room for their own calendar program, at an address that only they have. */
@Controller
@Access(Access.Who.EVERYBODY)
class FeedController {

    private static final MediaType CALENDAR = new MediaType("text", "calendar", StandardCharsets.UTF_8);
    private static final Duration BEHIND = Duration.ofDays(30);
    private static final Duration AHEAD = Duration.ofDays(366);

    private final Diaries diaries;
    private final Bookings bookings;
    private final InstantSource clock;

    FeedController(Diaries diaries, Bookings bookings, InstantSource clock) {
        this.diaries = diaries;
        this.bookings = bookings;
        this.clock = clock;
    }

    @GetMapping("/calendar/{resource}/{key}.ics")
    ResponseEntity<byte[]> feed(@PathVariable String resource, @PathVariable String key) {
        if (!diaries.opensFeed(resource, key)) {
            throw new Missing("calendar", resource);
        }
        Instant now = clock.instant();
        List<CalendarFile.Event> events = bookings.with(resource, now.minus(BEHIND), now.plus(AHEAD)).stream()
                .map(booking -> BookingMails.event(booking, diaries.kind(booking.kind()), "", now)
                        .titled(booking.name().isBlank() ? booking.reference() : booking.name()))
                .toList();
        return ResponseEntity.ok()
                .contentType(CALENDAR)
                .body(CalendarFile.write(CalendarFile.Method.PUBLISH, events).getBytes(StandardCharsets.UTF_8));
    }
}
