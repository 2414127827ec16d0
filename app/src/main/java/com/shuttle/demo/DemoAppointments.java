package com.shuttle.demo;

import com.shuttle.appointments.Availability;
import com.shuttle.appointments.Booking.State;
import com.shuttle.appointments.Bookings;
import com.shuttle.appointments.BusyCalendars;
import com.shuttle.appointments.Diaries;
import com.shuttle.appointments.Diary;
import com.shuttle.appointments.FormerBookings;
import com.shuttle.appointments.Kind;
import com.shuttle.appointments.Party;
import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.booking.Rules;
import com.shuttle.core.booking.Slot;
import com.shuttle.core.calendar.WeekHours.Span;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** The demo's appointments: who takes them, what can be booked, and who has booked in the weeks to come. */
@Component
@ConditionalOnProperty("shuttle.demo")
class DemoAppointments {

    private static final ZoneId ZONE = ZoneId.of("Europe/London");
    private static final Duration AHEAD = Duration.ofDays(42);
    private static final List<String> WHO = List.of(
            "Hester Vale",
            "Amos Quill",
            "Della Marsh",
            "Rufus Penn",
            "Ines Corley",
            "Tam Weller",
            "Bryony Ashe",
            "Otis Larch",
            "Petra Lune",
            "Silas Brock");

    private final Diaries diaries;
    private final Availability availability;
    private final Bookings bookings;
    private final FormerBookings former;
    private final BusyCalendars calendars;
    private final InstantSource clock;

    DemoAppointments(
            Diaries diaries,
            Availability availability,
            Bookings bookings,
            FormerBookings former,
            BusyCalendars calendars,
            InstantSource clock) {
        this.former = former;
        this.calendars = calendars;
        this.diaries = diaries;
        this.availability = availability;
        this.bookings = bookings;
        this.clock = clock;
    }

    void make() {
        List<DayOfWeek> office =
                List.of(DayOfWeek.MONDAY, DayOfWeek.TUESDAY, DayOfWeek.WEDNESDAY, DayOfWeek.THURSDAY, DayOfWeek.FRIDAY);
        List<DayOfWeek> workshop =
                List.of(DayOfWeek.WEDNESDAY, DayOfWeek.THURSDAY, DayOfWeek.FRIDAY, DayOfWeek.SATURDAY);
        List<DayOfWeek> clear = List.of(DayOfWeek.THURSDAY, DayOfWeek.FRIDAY, DayOfWeek.SATURDAY);
        String idris = person("Idris Vane", List.of("Welsh", "wiring"), office, "09:00-12:30", "13:30-17:00");
        String oona = person(
                "Oona Fairley", List.of("French", "catering"), office.subList(1, 5), "10:00-13:00", "14:00-18:00");
        calendars.add(oona, StandIns.address(StandIns.CALENDAR_HOST) + "/calendar.ics");
        String bench = room("Repair bench", workshop, "10:00-17:00");
        String terrace = room("Terrace", clear, "19:00-23:00");
        Map<String, String> kinds = new LinkedHashMap<>();
        kinds.put(
                "Site visit",
                kind(
                        "Site visit",
                        "Please come to the gate below the dome.",
                        "The dome, by the gate",
                        new Rules(45, 0, 15, 24 * 60, 60, 30, 1, 0, false),
                        Chooser.By.LEAST_BUSY,
                        idris,
                        oona));
        kinds.put(
                "Telescope drop-off",
                kind(
                        "Telescope drop-off",
                        "Bring the telescope with its mount, and the eyepieces you use.",
                        "Workshop, behind the library",
                        new Rules(15, 0, 0, 2 * 60, 30, 15, 1, 8, false),
                        Chooser.By.IN_TURN,
                        bench));
        kinds.put(
                "Telescope night",
                kind(
                        "Telescope night",
                        "Dress warmly; we go out whatever the sky.",
                        "Terrace",
                        new Rules(90, 15, 15, 4 * 60, 60, 120, 24, 1, false),
                        Chooser.By.IN_TURN,
                        terrace));
        Random random = new Random(15);
        past(kinds.get("Site visit"), 34, 1, random);
        past(kinds.get("Telescope drop-off"), 40, 1, random);
        past(kinds.get("Telescope night"), 48, 5, random);
        book(kinds.get("Site visit"), 26, 1, random);
        book(kinds.get("Telescope drop-off"), 22, 1, random);
        book(kinds.get("Telescope night"), 30, 5, random);
    }

    /** A flow with the ids of kinds where it has {@code @appointment/} and their names. */
    String named(String flow) {
        String named = flow;
        for (Kind kind : diaries.kinds()) {
            named = named.replace("@appointment/" + kind.name(), kind.id());
        }
        return named;
    }

    private String person(String name, List<String> skills, List<DayOfWeek> days, String... spans) {
        return diaries.keep(new Diary("", Diary.Type.PERSON, name, hours(days, spans), skills));
    }

    private String room(String name, List<DayOfWeek> days, String... spans) {
        return diaries.keep(new Diary("", Diary.Type.ROOM, name, hours(days, spans)));
    }

    private static OpenHours hours(List<DayOfWeek> days, String... spans) {
        Map<DayOfWeek, List<Span>> week = new EnumMap<>(DayOfWeek.class);
        List<Span> day =
                Arrays.stream(spans).map(span -> Span.of(span).orElseThrow()).toList();
        days.forEach(one -> week.put(one, day));
        return new OpenHours(ZONE, week, Map.of());
    }

    private String kind(String name, String about, String place, Rules rules, Chooser.By by, String... resources) {
        return diaries.keep(new Kind("", name, about, place, rules, by, List.of(resources)));
    }

    private static final Duration BEHIND = Duration.ofDays(42);

    /** Who came in the weeks before; every seventh called off, every tenth did not come. */
    private void past(String kind, int many, int largest, Random random) {
        Instant now = clock.instant();
        Instant began = now.minus(BEHIND);
        List<Slot> were = former.free(kind, began.minus(Duration.ofDays(3)), began, now.minus(Duration.ofHours(1)));
        for (int i = 0; i < many && !were.isEmpty(); i++) {
            Slot slot = were.get(random.nextInt(were.size()));
            State state = i % 10 == 9 ? State.NO_SHOW : i % 7 == 6 ? State.CANCELLED : State.DONE;
            Party party =
                    new Party(1 + random.nextInt(largest), "", name(random), "", "", "", ZONE.getId(), null, null);
            former.take(kind, slot.start(), party, state, began.minus(Duration.ofDays(3)));
        }
    }

    private static String name(Random random) {
        return WHO.get(random.nextInt(WHO.size()));
    }

    private void book(String kind, int many, int largest, Random random) {
        Instant now = clock.instant();
        for (int i = 0; i < many; i++) {
            int party = 1 + random.nextInt(largest);
            List<Slot> free = availability.free(kind, party, now, now.plus(AHEAD));
            if (free.isEmpty()) {
                return;
            }
            String name = name(random);
            Slot slot = free.get(random.nextInt(free.size()));
            bookings.take(kind, slot.start(), new Party(party, "", name, "", "", "", ZONE.getId(), null, null), null);
        }
    }
}
