package com.shuttle.appointments;

import com.shuttle.core.booking.Slot;
import com.shuttle.core.calendar.Zones;
import com.shuttle.web.Access;
import com.shuttle.web.Missing;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The page at which visitors change and cancel what they booked, by the link in their mail. */
@Controller
@Access(Access.Who.EVERYBODY)
@RequestMapping("/booking/{id}/{key}")
class OwnBookingController {

    private static final String OVER = "Your appointment was already; nothing is changed.";
    private static final Duration AHEAD = Duration.ofDays(21);

    private final Availability availability;
    private final Bookings bookings;
    private final Diaries diaries;
    private final BookingMails mails;
    private final InstantSource clock;
    private final String zone;

    OwnBookingController(
            Availability availability,
            Bookings bookings,
            Diaries diaries,
            BookingMails mails,
            InstantSource clock,
            @Value("${shuttle.zone:Europe/London}") String zone) {
        this.availability = availability;
        this.bookings = bookings;
        this.diaries = diaries;
        this.mails = mails;
        this.clock = clock;
        this.zone = zone;
    }

    private Booking booking(String id, String key) {
        if (!bookings.opens(id, key)) {
            throw new Missing("booking", id);
        }
        return bookings.booking(id);
    }

    @GetMapping
    String show(@PathVariable String id, @PathVariable String key, Model model) {
        Booking booking = booking(id, key);
        ZoneId clockOf = Zones.firstKnown(booking.zone(), zone);
        Instant now = clock.instant();
        boolean open =
                booking.state() == Booking.State.BOOKED && booking.start().isAfter(now);
        model.addAttribute("booking", booking);
        model.addAttribute("kind", diaries.kind(booking.kind()));
        model.addAttribute("with", diaries.namesOf(booking.resources()));
        model.addAttribute("when", BookingMails.when(booking, clockOf));
        model.addAttribute("open", open);
        model.addAttribute("held", booking.state() == Booking.State.HELD);
        model.addAttribute("zone", clockOf.getId());
        model.addAttribute("path", "/booking/" + id + "/" + key);
        model.addAttribute(
                "days",
                open
                        ? FreeDays.of(availability.free(booking.kind(), booking.party(), now, now.plus(AHEAD)), clockOf)
                        : List.of());
        return "appointments/own";
    }

    private boolean isOver(Booking booking) {
        return !booking.start().isAfter(clock.instant());
    }

    @PostMapping("/move")
    String move(
            @PathVariable String id,
            @PathVariable String key,
            @RequestParam(defaultValue = "") String start,
            RedirectAttributes flash) {
        Booking booking = booking(id, key);
        Instant at = AppointmentController.instant(start);
        flash.addFlashAttribute(
                "said",
                isOver(booking)
                        ? OVER
                        : at == null
                                ? "Please choose a time."
                                : switch (bookings.change(booking.id(), at, null)) {
                                    case Outcome.Taken(Booking moved) -> "Your appointment has another time now.";
                                    case Outcome.Gone(List<Slot> nearest) ->
                                        "Somebody was faster; your appointment is as it was. Please choose another time.";
                                    case Outcome.Unfit(String why) -> why;
                                });
        return "redirect:/booking/" + id + "/" + key;
    }

    /** Takes what is held. */
    @PostMapping("/take")
    String take(@PathVariable String id, @PathVariable String key, RedirectAttributes flash) {
        flash.addFlashAttribute(
                "said",
                bookings.confirm(booking(id, key).id())
                        ? "It is yours. A mail with a file for your calendar is on its way."
                        : "It was held until just now, and has gone to somebody else. You can ask again in the chat.");
        return "redirect:/booking/" + id + "/" + key;
    }

    @PostMapping("/cancel")
    String cancel(@PathVariable String id, @PathVariable String key, RedirectAttributes flash) {
        Booking booking = booking(id, key);
        boolean over = isOver(booking);
        if (!over) {
            bookings.cancel(booking.id(), null);
        }
        flash.addFlashAttribute("said", over ? OVER : "Your appointment is cancelled.");
        return "redirect:/booking/" + id + "/" + key;
    }

    /** The booking for the visitor's calendar. */
    @GetMapping("/appointment.ics")
    ResponseEntity<StreamingResponseBody> file(@PathVariable String id, @PathVariable String key) {
        return mails.saved(booking(id, key));
    }
}
