package com.shuttle.appointments;

import com.shuttle.appointments.Booking.State;
import com.shuttle.core.booking.Slot;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Instants;
import com.shuttle.web.Length;
import com.shuttle.web.Listing;
import com.shuttle.web.Wanted;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The list of bookings, and one of them; booking by hand for whoever calls. */
@Controller
@Access(Access.Who.AGENT)
@RequestMapping("/appointments")
class AppointmentController {

    private static final int DAYS = 14;

    private final Availability availability;
    private final Bookings bookings;
    private final Diaries diaries;
    private final OfficeClock clock;
    private final ZoneId zone;

    AppointmentController(Availability availability, Bookings bookings, Diaries diaries, OfficeClock clock) {
        this.availability = availability;
        this.bookings = bookings;
        this.diaries = diaries;
        this.clock = clock;
        this.zone = clock.zone();
    }

    /** A booking in the list. */
    public record Line(Booking booking, String kind, String with, String when) {}

    private Line line(Booking booking) {
        return new Line(
                booking,
                diaries.kind(booking.kind()).name(),
                diaries.namesOf(booking.resources()),
                BookingMails.when(booking, zone).replaceFirst(" \\(.*", ""));
    }

    @GetMapping("/list")
    String list(@RequestParam Map<String, String> parameters, Model model) {
        Wanted wanted = Wanted.of(parameters);
        model.addAttribute(
                "listing",
                Listing.of(
                                "/appointments/list",
                                wanted,
                                bookings.bookings(wanted).map(this::line))
                        .searched("Search name, email, reference")
                        .filter(
                                "kind",
                                "Kind",
                                "every kind",
                                diaries.kinds().stream()
                                        .map(kind -> new Listing.Option(kind.id(), kind.name()))
                                        .toList())
                        .filter(
                                "state",
                                "State",
                                "every state",
                                Arrays.stream(State.values())
                                        .map(state -> new Listing.Option(state.key(), state.label()))
                                        .toList())
                        .columns(
                                Listing.Column.sorted("When", "when"),
                                Listing.Column.plain("Who"),
                                Listing.Column.plain("What"),
                                Listing.Column.plain("With"),
                                Listing.Column.plain("State"),
                                Listing.Column.sorted("Made", "made")));
        return "appointments/list";
    }

    // By hand

    @GetMapping("/new")
    String byHand(@RequestParam Map<String, String> parameters, Model model) {
        List<Kind> kinds = diaries.kinds();
        Optional<Kind> kind = kinds.stream()
                .filter(one -> one.id().equals(parameters.getOrDefault("kind", "")))
                .findFirst()
                .or(() -> kinds.stream().findFirst());
        LocalDate from = clock.day(parameters.getOrDefault("from", ""));
        int party = party(parameters.getOrDefault("party", "1"));
        List<Diary> people = kind.filter(one -> !one.rules().all())
                .map(one -> diaries.diaries(one.resources()))
                .orElse(List.of());
        String with = people.stream()
                .map(Diary::id)
                .filter(id -> id.equals(parameters.get("with")))
                .findFirst()
                .orElse("");
        model.addAttribute("people", people.size() > 1 ? people : List.of());
        model.addAttribute("with", with);
        model.addAttribute("kinds", kinds);
        model.addAttribute("kind", kind.orElse(null));
        model.addAttribute("from", from);
        model.addAttribute("party", party);
        model.addAttribute(
                "days", kind.map(one -> free(one.id(), party, with, from)).orElse(List.of()));
        model.addAttribute("later", from.plusDays(DAYS));
        model.addAttribute("zone", zone.getId());
        if (!model.containsAttribute("form")) {
            model.addAttribute("form", Map.of());
            model.addAttribute("errors", Map.of());
        }
        return "appointments/new";
    }

    private List<FreeDays.Day> free(String kind, int party, String with, LocalDate from) {
        Instant start = from.atStartOfDay(zone).toInstant();
        return FreeDays.of(availability.free(kind, party, with, start, start.plus(Duration.ofDays(DAYS))), zone);
    }

    private static int party(String text) {
        return text.matches("[1-9]\\d{0,3}") ? Integer.parseInt(text) : 1;
    }

    @PostMapping("/new")
    String book(
            @RequestParam Map<String, String> form,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        String kind = form.getOrDefault("kind", "");
        int many = party(form.getOrDefault("party", "1"));
        Instant start = instant(form.getOrDefault("start", ""));
        String name = form.getOrDefault("name", "").strip();
        String error = start == null
                ? "Please choose a time."
                : name.isEmpty() || !Length.NAME.holds(name) ? "Please say who comes, in up to 200 characters." : "";
        if (error.isEmpty() && start != null) {
            Party party = new Party(
                    many,
                    form.getOrDefault("with", ""),
                    name,
                    cut(form, "email", 254),
                    cut(form, "phone", 60),
                    cut(form, "about", 1000),
                    "",
                    null,
                    null);
            switch (bookings.take(kind, start, party, person.account().id())) {
                case Outcome.Taken(Booking booking) -> {
                    flash.addFlashAttribute("said", "Booked. The reference is " + booking.reference() + ".");
                    return "redirect:/appointments/bookings/" + booking.id();
                }
                case Outcome.Gone(List<Slot> nearest) -> error = "Somebody was faster; please choose another time.";
                case Outcome.Unfit(String why) -> error = why;
            }
        }
        flash.addFlashAttribute("errors", Map.of("start", error));
        flash.addFlashAttribute("form", form);
        flash.addAttribute("kind", kind);
        flash.addAttribute("party", many);
        flash.addAttribute("with", form.getOrDefault("with", ""));
        flash.addAttribute("from", form.getOrDefault("from", ""));
        return "redirect:/appointments/new";
    }

    private static String cut(Map<String, String> form, String field, int most) {
        String text = form.getOrDefault(field, "").strip();
        return text.length() > most ? text.substring(0, most) : text;
    }

    static @Nullable Instant instant(String text) {
        return Instants.of(text).orElse(null);
    }

    // One

    @GetMapping("/bookings/{id}")
    String booking(@PathVariable String id, @RequestParam(defaultValue = "") String from, Model model) {
        Booking booking = bookings.booking(id);
        LocalDate day = from.isEmpty() ? clock.today() : clock.day(from);
        model.addAttribute("line", line(booking));
        model.addAttribute("past", bookings.past(id));
        model.addAttribute("standing", booking.state().standing());
        model.addAttribute("over", booking.start().isBefore(clock.now()));
        model.addAttribute("from", day);
        model.addAttribute("later", day.plusDays(DAYS));
        model.addAttribute("days", free(booking.kind(), booking.party(), "", day));
        model.addAttribute("zone", zone.getId());
        return "appointments/booking";
    }

    /** @param back the query of the calendar that it was moved in; empty where it was not moved there */
    @PostMapping("/bookings/{id}/move")
    String move(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String start,
            @RequestParam(defaultValue = "") String with,
            @RequestParam(defaultValue = "") String back,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        Instant at = instant(start);
        flash.addFlashAttribute(
                "said",
                at == null
                        ? "Please choose a time."
                        : switch (bookings.change(id, at, with, person.account().id())) {
                            case Outcome.Taken(Booking moved) -> "Moved. Whoever comes is told by mail.";
                            case Outcome.Gone(List<Slot> nearest) ->
                                "This time is no longer free; nothing has changed.";
                            case Outcome.Unfit(String why) -> why;
                        });
        return back.matches("\\?[\\w=&%.-]{0,200}")
                ? "redirect:/appointments" + back
                : "redirect:/appointments/bookings/" + id;
    }

    /** @param what {@code cancel}, {@code came} or {@code away} */
    @PostMapping("/bookings/{id}")
    String mark(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String what,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        switch (what) {
            case "cancel" ->
                flash.addFlashAttribute(
                        "said",
                        bookings.cancel(id, person.account().id())
                                ? "Cancelled. Whoever booked is told by mail."
                                : "It was over already.");
            case "came", "away" ->
                bookings.mark(id, what.equals("came"), person.account().id());
            default -> bookings.booking(id);
        }
        return "redirect:/appointments/bookings/" + id;
    }
}
