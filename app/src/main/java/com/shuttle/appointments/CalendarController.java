package com.shuttle.appointments;

import com.shuttle.appointments.CalendarDrawing.Heading;
import com.shuttle.core.calendar.WeekHours.Span;
import com.shuttle.web.Access;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** The week and the day as they are drawn, and where a booking could be put in them. */
@Controller
@Access(Access.Who.AGENT)
@RequestMapping("/appointments")
class CalendarController {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter WHOLE = DateTimeFormatter.ofPattern("EEEE d MMMM yyyy", Locale.ENGLISH);
    private static final int WEEK = 7;

    private final Availability availability;
    private final Bookings bookings;
    private final Diaries diaries;
    private final OfficeClock clock;
    private final ZoneId zone;

    CalendarController(Availability availability, Bookings bookings, Diaries diaries, OfficeClock clock) {
        this.availability = availability;
        this.bookings = bookings;
        this.diaries = diaries;
        this.clock = clock;
        this.zone = clock.zone();
    }

    /**
     * What is looked at.
     *
     * @param day  a day of it
     * @param with id of a person or room; empty for all
     */
    private record View(boolean week, LocalDate day, String with) {
        LocalDate first() {
            return week ? day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY)) : day;
        }

        int days() {
            return week ? WEEK : 1;
        }
    }

    private View view(String view, String of, String with) {
        return new View(!view.equals("day"), clock.day(of), with);
    }

    @GetMapping
    String calendar(
            @RequestParam(defaultValue = "") String view,
            @RequestParam(defaultValue = "") String of,
            @RequestParam(defaultValue = "") String with,
            Model model) {
        View looked = view(view, of, with);
        List<Booking> shown = shown(looked);
        List<Diary> people = people(looked);
        model.addAttribute("drawing", drawing(looked, shown, people));
        model.addAttribute("any", !diaries.kinds().isEmpty());
        model.addAttribute("many", shown.size());
        model.addAttribute("week", looked.week());
        model.addAttribute("title", looked.week() ? "" : WHOLE.format(looked.day()));
        model.addAttribute("of", looked.first());
        model.addAttribute("before", looked.first().minusDays(looked.days()));
        model.addAttribute("after", looked.first().plusDays(looked.days()));
        model.addAttribute("with", with);
        model.addAttribute("diaries", diaries.diaries());
        model.addAttribute(
                "fullness",
                people.stream()
                        .map(diary -> Fullness.of(diary, looked.first(), looked.days(), shown))
                        .filter(one -> one.open() > 0 || one.taken() > 0)
                        .toList());
        model.addAttribute("zone", zone.getId());
        return "appointments/calendar";
    }

    private List<Booking> shown(View view) {
        return bookings
                .between(
                        view.first().atStartOfDay(zone).toInstant(),
                        view.first().plusDays(view.days()).atStartOfDay(zone).toInstant())
                .stream()
                .filter(booking -> view.with().isEmpty() || booking.resources().contains(view.with()))
                .toList();
    }

    private List<Diary> people(View view) {
        return diaries.diaries().stream()
                .filter(diary -> view.with().isEmpty() || diary.id().equals(view.with()))
                .toList();
    }

    /** Null where somebody's hours are on another clock than the drawing's. */
    private @Nullable List<Span> open(Diary diary, LocalDate day) {
        return diary.hours().zone().equals(zone) ? diary.hours().on(day) : null;
    }

    private CalendarDrawing drawing(View view, List<Booking> shown, List<Diary> people) {
        List<Heading> headings = new ArrayList<>();
        if (view.week()) {
            for (LocalDate date = view.first(); date.isBefore(view.first().plusDays(WEEK)); date = date.plusDays(1)) {
                LocalDate day = date;
                headings.add(new Heading(
                        DAY.format(day),
                        day,
                        view.with(),
                        view.with().isEmpty() || people.isEmpty() ? null : open(people.getFirst(), day),
                        shown.stream()
                                .filter(booking -> booking.start()
                                        .atZone(zone)
                                        .toLocalDate()
                                        .equals(day))
                                .toList()));
            }
        } else {
            people.forEach(diary -> headings.add(new Heading(
                    diary.name(),
                    view.day(),
                    diary.id(),
                    open(diary, view.day()),
                    shown.stream()
                            .filter(booking -> booking.resources().contains(diary.id()))
                            .toList())));
        }
        Map<String, String> kinds = diaries.kinds().stream().collect(Collectors.toMap(Kind::id, Kind::name));
        return CalendarDrawing.of(headings, kinds, zone, clock.now());
    }

    /** Where a booking could be put in what is looked at. */
    @GetMapping("/bookings/{id}/places")
    @ResponseBody
    List<CalendarDrawing.Place> places(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String view,
            @RequestParam(defaultValue = "") String of,
            @RequestParam(defaultValue = "") String with) {
        Booking booking = bookings.booking(id);
        View looked = view(view, of, with);
        Instant from = looked.first().atStartOfDay(zone).toInstant();
        Instant until =
                looked.first().plusDays(looked.days()).atStartOfDay(zone).toInstant();
        return drawing(looked, shown(looked), people(looked)).places(availability.elsewhere(booking, from, until));
    }
}
