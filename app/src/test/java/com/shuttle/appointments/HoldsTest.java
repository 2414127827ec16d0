package com.shuttle.appointments;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.appointments.Booking.State;
import com.shuttle.bots.Bot;
import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.booking.Rules;
import com.shuttle.core.booking.Slot;
import com.shuttle.core.calendar.WeekHours.Span;
import com.shuttle.core.flow.FlowJson;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** What is held is taken until it is booked, let go or too old; bookings go to the person that is wished. */
@ServerTest
class HoldsTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final Instant FROM = Instant.now().plus(Duration.ofDays(4)).truncatedTo(ChronoUnit.DAYS);
    private static final Duration LONG = Duration.ofHours(1);
    private static final Duration OVER = Letting.GRACE.plusSeconds(1).negated();

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Calls","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"appointment","id":"n3","of":"%s","ask":["When would suit you?"],"who":"{{name}}","email":"{{email}}",
             "exits":{"booked":"step:n4","nothing_free":"step:n4","declined":"step:n4"}},
            {"kind":"message","id":"n4","say":["That is all."]}]}]}""";

    private final Diaries diaries;
    private final Availability availability;
    private final Bookings bookings;
    private final FormerBookings former;
    private final TestData data;

    HoldsTest(Diaries diaries, Availability availability, Bookings bookings, FormerBookings former, TestData data) {
        this.diaries = diaries;
        this.availability = availability;
        this.bookings = bookings;
        this.former = former;
        this.data = data;
    }

    private String person(String name, String... skills) {
        List<Span> day = List.of(Span.of("08:00-18:00").orElseThrow());
        Map<DayOfWeek, List<Span>> week =
                Stream.of(DayOfWeek.values()).collect(Collectors.toMap(one -> one, one -> day));
        return diaries.keep(new Diary(
                "", Diary.Type.PERSON, data.name(name), new OpenHours(LONDON, week, Map.of()), List.of(skills)));
    }

    private String kind(int places, String... resources) {
        Rules rules = new Rules(60, 0, 0, 0, 60, 60, places, 0, false);
        return diaries.keep(new Kind("", data.name("Visit"), "", "", rules, Chooser.By.IN_TURN, List.of(resources)));
    }

    private static Party with(String whom) {
        return new Party(1, whom, "Dana", "dana@mill.example", "", "", "", null, null);
    }

    private List<Instant> free(String kind) {
        return availability.free(kind, 1, FROM, FROM.plus(Duration.ofDays(1))).stream()
                .map(Slot::start)
                .toList();
    }

    private static Booking taken(Outcome outcome) {
        return ((Outcome.Taken) outcome).booking();
    }

    /** Whatever is booked, held, moved, let go and left to expire, what is free is what a plain list leaves. */
    @RepeatedTest(4)
    void everySequenceWithHoldsLeavesWhatAPlainListSays(RepetitionInfo round) {
        Random random = new Random(round.getCurrentRepetition());
        int places = round.getCurrentRepetition() % 2 == 0 ? 1 : 3;
        String kind = kind(places, person("Ann"));
        List<Instant> all = free(kind);
        Map<String, Instant> standing = new HashMap<>();
        for (int i = 0; i < 60; i++) {
            Instant start = all.get(random.nextInt(all.size()));
            boolean room = count(standing, start) < places;
            List<String> ids = new ArrayList<>(standing.keySet());
            String one = ids.isEmpty() ? "" : ids.get(random.nextInt(ids.size()));
            switch (random.nextInt(6)) {
                case 0 -> {
                    Outcome held = bookings.take(kind, start, with(""), LONG, null);
                    assertThat(held instanceof Outcome.Taken).isEqualTo(room);
                    if (held instanceof Outcome.Taken(Booking booking)) {
                        standing.put(booking.id(), start);
                    }
                }
                case 1 -> {
                    // It expires at once, and its time is free again for whoever asks next.
                    Outcome held = bookings.take(kind, start, with(""), OVER, null);
                    assertThat(held instanceof Outcome.Taken).isEqualTo(room);
                }
                case 2 -> {
                    if (!one.isEmpty() && bookings.booking(one).state() == State.HELD) {
                        bookings.letGo(bookings.booking(one).reference());
                        standing.remove(one);
                    }
                }
                case 3 -> {
                    if (!one.isEmpty()) {
                        assertThat(bookings.confirm(one)).isTrue();
                    }
                }
                case 4 -> {
                    if (!one.isEmpty()) {
                        boolean fits = standing.get(one).equals(start) || room;
                        assertThat(bookings.change(one, start, null) instanceof Outcome.Taken)
                                .isEqualTo(fits);
                        if (fits) {
                            standing.put(one, start);
                        }
                    }
                }
                default -> {
                    Outcome booked = bookings.take(kind, start, with(""), null);
                    assertThat(booked instanceof Outcome.Taken).isEqualTo(room);
                    if (booked instanceof Outcome.Taken(Booking booking)) {
                        standing.put(booking.id(), start);
                    }
                }
            }
        }
        assertThat(free(kind))
                .isEqualTo(all.stream()
                        .filter(start -> count(standing, start) < places)
                        .toList());
        assertThat(standing.keySet())
                .allMatch(id -> bookings.booking(id).state().standing());
    }

    private static long count(Map<String, Instant> standing, Instant start) {
        return standing.values().stream().filter(start::equals).count();
    }

    @Test
    void whatIsLetGoIsFreeAndItsReferenceHoldsNothing() {
        String kind = kind(1, person("Ann"));
        Instant first = free(kind).getFirst();
        Booking held = taken(bookings.take(kind, first, with(""), LONG, null));
        assertThat(bookings.holds(held.reference())).isTrue();
        bookings.letGo(held.reference());
        bookings.letGo(held.reference());
        bookings.letGo("no such reference");
        assertThat(bookings.holds(held.reference())).isFalse();
        assertThat(free(kind)).contains(first);
        assertThat(bookings.booking(held.id()).state()).isEqualTo(State.EXPIRED);
        assertThat(bookings.confirm(held.id())).isFalse();
    }

    @Test
    void whoeverIsWishedTakesIt() {
        String ann = person("Ann", "French");
        String bob = person("Bob", "Welsh", "French");
        String kind = kind(1, ann, bob);
        Instant first = free(kind).getFirst();
        assertThat(taken(bookings.take(kind, first, with("welsh"), null)).resources())
                .containsExactly(bob);
        assertThat(bookings.take(kind, first, with("Welsh"), null)).isInstanceOf(Outcome.Gone.class);
        Booking booking = taken(bookings.take(kind, first, with("french"), null));
        assertThat(booking.resources()).containsExactly(ann);
        Instant second = free(kind).getFirst();
        assertThat(taken(bookings.change(booking.id(), second, bob, null)).resources())
                .containsExactly(bob);
        assertThat(taken(bookings.change(booking.id(), second, ann, null)).resources())
                .as("the same time with somebody else")
                .containsExactly(ann);
        FreeTimes times = availability.times(kind, 1, "");
        assertThat(times.people()).hasSize(2);
        assertThat(availability.times(kind, 1, "Latin").starts()).isEmpty();
        assertThat(availability
                        .times(kind, 1, "", FROM.plus(Duration.ofDays(3)))
                        .starts())
                .allMatch(start -> start.isAfter(FROM.plus(Duration.ofDays(3))));
    }

    @Test
    void whereABookingCouldGoIsWhatIsFreeWithoutIt() {
        String kind = kind(1, person("Ann"));
        List<Instant> all = free(kind);
        Booking booking = taken(bookings.take(kind, all.get(3), with(""), null));
        assertThat(availability.elsewhere(booking, FROM, FROM.plus(Duration.ofDays(1))))
                .extracting(Slot::start)
                .isEqualTo(all);
        assertThat(free(kind)).as("it stands where it did").doesNotContain(all.get(3));
        assertThat(bookings.booking(booking.id()).state()).isEqualTo(State.BOOKED);
    }

    @Test
    void whatWasBookedElsewhereIsTakenOver() {
        String kind = kind(1, person("Ann"));
        Instant now = Instant.now();
        Instant asOf = now.minus(Duration.ofDays(20));
        List<Slot> were = former.free(kind, asOf, now.minus(Duration.ofDays(10)), now.minus(Duration.ofDays(9)));
        Instant start = were.getFirst().start();
        assertThat(former.take(kind, start, with(""), State.NO_SHOW, asOf)).isTrue();
        assertThat(former.take(kind, start, with(""), State.DONE, asOf)).isFalse();
        assertThat(former.take(kind, were.getLast().start(), with(""), State.CANCELLED, asOf))
                .isTrue();
        assertThat(former.take(kind, were.getLast().start(), with(""), State.DONE, asOf))
                .as("a cancelled one leaves its place")
                .isTrue();
        assertThat(bookings.between(start, start.plusSeconds(1)))
                .filteredOn(booking -> booking.kind().equals(kind))
                .extracting(Booking::state)
                .containsExactly(State.NO_SHOW);
    }

    @Test
    void aConversationHoldsAndBooksUnderOneReference() {
        String kind = kind(1, person("Ann"));
        Bot bot = data.released(FlowJson.readTrusted(FLOW.formatted(kind)));
        String first = data.conversations
                .begin(bot.id(), "", "", "web", "")
                .orElseThrow()
                .conversation();
        data.conversations.say(first, "1", "the first one");
        List<Booking> held = bookings.of(first);
        assertThat(held).extracting(Booking::state).containsExactly(State.HELD);
        data.conversations.say(first, "2", "Dana Whitlow, dana@mill.example");
        Booking booked = bookings.of(first).getFirst();
        assertThat(booked.state()).isEqualTo(State.BOOKED);
        assertThat(booked.reference()).isEqualTo(held.getFirst().reference());
        assertThat(booked.name()).isEqualTo("Dana Whitlow");
        assertThat(booked.email()).isEqualTo("dana@mill.example");

        String other = data.conversations
                .begin(bot.id(), "", "", "web", "")
                .orElseThrow()
                .conversation();
        data.conversations.say(other, "1", "the first one");
        data.conversations.say(other, "2", "never mind");
        assertThat(bookings.of(other)).extracting(Booking::state).containsExactly(State.EXPIRED);
        assertThat(bookings.of("none", "DANA@mill.example"))
                .extracting(Booking::id)
                .contains(booked.id());
        assertThat(bookings.of("none", "")).isEmpty();
    }
}
