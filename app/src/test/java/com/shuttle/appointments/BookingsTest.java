package com.shuttle.appointments;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.appointments.Booking.State;
import com.shuttle.bots.Bot;
import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.Rules;
import com.shuttle.core.booking.Slot;
import com.zaxxer.hikari.HikariDataSource;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.JdbcTemplate;

/** Nobody is booked twice, whoever asks at once; what is given back can be booked again. */
@ServerTest
class BookingsTest {

    private static final Instant FROM = Instant.now().plus(Duration.ofDays(3)).truncatedTo(ChronoUnit.DAYS);

    private final Diaries diaries;
    private final Availability availability;
    private final Bookings bookings;
    private final Reminders reminders;
    private final WaitingList list;
    private final TestData data;
    private final DataSource source;
    private final JdbcTemplate database;
    private final int port;

    BookingsTest(
            Diaries diaries,
            Availability availability,
            Bookings bookings,
            Reminders reminders,
            WaitingList list,
            TestData data,
            DataSource source,
            @LocalServerPort int port) {
        this.source = source;
        this.database = new JdbcTemplate(source);
        this.diaries = diaries;
        this.availability = availability;
        this.bookings = bookings;
        this.reminders = reminders;
        this.list = list;
        this.data = data;
        this.port = port;
    }

    private String person() {
        return Calendars.person(diaries, data.name("Ann"));
    }

    private String kind(int minutes, int buffer, int places, String... resources) {
        Rules rules = new Rules(minutes, 0, buffer, 0, 60, 30, places, 0, false);
        return diaries.keep(new Kind("", data.name("Visit"), "", "", rules, Chooser.By.IN_TURN, List.of(resources)));
    }

    private static Party party(int many) {
        return new Party(many, "", "Dana", "dana@mill.example", "", "", "", null, null);
    }

    private List<Instant> free(String kind) {
        return Calendars.free(availability, kind, FROM);
    }

    private Booking booked(String kind, Instant start) {
        return ((Outcome.Taken) bookings.take(kind, start, party(1), null)).booking();
    }

    @Test
    void whatAVisitorHasBookedIsTheirsInLaterConversations() {
        String kind = kind(60, 0, 1, person());
        Bot bot = data.released(TestData.flow("main", "{'kind':'message','id':'a','say':['Hi.']}"));
        String earlier = data.conversations
                .begin(bot.id(), "v-" + kind, "", "web", "")
                .orElseThrow()
                .conversation();
        String now = data.conversations
                .begin(bot.id(), "v-" + kind, "", "web", "")
                .orElseThrow()
                .conversation();
        Party party = new Party(1, "", "Dana", "dana@mill.example", "", "", "", earlier, null);
        Booking booking = ((Outcome.Taken) bookings.take(kind, free(kind).getFirst(), party, null)).booking();
        assertThat(bookings.own(now, "v-" + kind))
                .extracting(BookingFound::reference)
                .containsExactly(booking.reference());
        assertThat(bookings.own(earlier, "")).hasSize(1);
        assertThat(bookings.own(now, "somebody else")).isEmpty();
        assertThat(bookings.own(now, "")).isEmpty();
        bookings.cancel(booking.id(), null);
        assertThat(bookings.own(earlier, "v-" + kind)).isEmpty();
    }

    @Test
    void aTimeIsTakenOnceMovedAndGivenBack() {
        String kind = kind(60, 0, 1, person());
        List<Instant> before = free(kind);
        Instant first = before.getFirst();
        Booking booking = booked(kind, first);
        assertThat(free(kind)).doesNotContain(first, first.plusSeconds(1800)).hasSize(before.size() - 2);
        assertThat(bookings.take(kind, first, party(1), null))
                .isInstanceOfSatisfying(
                        Outcome.Gone.class,
                        gone -> assertThat(gone.nearest())
                                .extracting(Slot::start)
                                .contains(first.plusSeconds(3600)));
        Instant later = before.getLast();
        assertThat(bookings.change(booking.id(), later, null)).isInstanceOf(Outcome.Taken.class);
        assertThat(free(kind)).contains(first).doesNotContain(later);
        assertThat(bookings.change(booking.id(), FROM.minus(Duration.ofDays(9)), null))
                .isInstanceOf(Outcome.Gone.class);
        assertThat(bookings.booking(booking.id()).start())
                .as("stays where it is")
                .isEqualTo(later);
        assertThat(bookings.cancel(booking.id(), null)).isTrue();
        assertThat(bookings.cancel(booking.id(), null)).isFalse();
        assertThat(free(kind)).isEqualTo(before);
        assertThat(bookings.past(booking.id()))
                .extracting(BookingStore.Past::what)
                .hasSize(3);
        assertThat(bookings.named(booking.reference().toLowerCase(), "Dana@mill.example"))
                .isPresent();
        assertThat(bookings.named(booking.reference(), "other@mill.example")).isEmpty();
        assertThat(bookings.opens(booking.id(), bookings.link(booking).replaceFirst(".*/", "")))
                .isTrue();
        assertThat(bookings.opens(booking.id(), "x")).isFalse();
    }

    @Test
    void whatIsHeldIsTakenUntilItIsBooked() {
        String kind = kind(60, 0, 1, person());
        Instant first = free(kind).getFirst();
        Booking held = ((Outcome.Taken) bookings.take(kind, first, party(1), Duration.ofHours(1), null)).booking();
        assertThat(held.state()).isEqualTo(State.HELD);
        assertThat(free(kind)).doesNotContain(first);
        assertThat(bookings.confirm(held.id())).isTrue();
        assertThat(bookings.booking(held.id()).state()).isEqualTo(State.BOOKED);
        Instant second = free(kind).getFirst();
        Booking near = ((Outcome.Taken) bookings.take(kind, second, party(1), Duration.ofNanos(1), null)).booking();
        assertThat(free(kind)).as("clocks may differ by a minute").doesNotContain(second);
        assertThat(bookings.confirm(near.id())).isTrue();
        Instant third = free(kind).getFirst();
        Duration past = Letting.GRACE.plusSeconds(1).negated();
        Booking over = ((Outcome.Taken) bookings.take(kind, third, party(1), past, null)).booking();
        assertThat(free(kind)).contains(third);
        assertThat(bookings.confirm(over.id())).as("held no longer").isFalse();
        assertThat(bookings.booking(over.id()).state()).isEqualTo(State.EXPIRED);
    }

    @Test
    void whoWaitsIsHeldWhatFallsFreeInTheOrderOfAsking() {
        String kind = kind(600, 0, 1, person());
        List<Booking> all = new ArrayList<>();
        for (Instant start : availability.times(kind, 1, "").starts()) {
            all.add(booked(kind, start));
        }
        Party ada = new Party(1, "", "Ada", data.name("ada") + "@mill.example", "", "", "", null, null);
        list.join(kind, ada);
        list.join(kind, ada);
        list.join(kind, party(1));
        assertThat(list.counts()).containsEntry(kind, 2);
        list.serve();
        assertThat(list.counts()).as("nothing is free").containsEntry(kind, 2);
        bookings.cancel(all.getFirst().id(), null);
        list.serve();
        list.serve();
        assertThat(list.counts()).containsEntry(kind, 1);
        assertThat(bookings.between(all.getFirst().start(), all.getFirst().end()))
                .filteredOn(booking -> booking.kind().equals(kind))
                .extracting(Booking::name, Booking::state)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("Ada", State.HELD));
    }

    @Test
    void twoKindsNeverTakeOnePersonAtOnceAndBuffersAreKept() {
        String ann = person();
        String visit = kind(60, 30, 1, ann);
        String call = kind(30, 0, 1, ann);
        Instant first = free(visit).getFirst();
        booked(visit, first);
        assertThat(free(call)).doesNotContain(first, first.plusSeconds(3600)).contains(first.plusSeconds(5400));
    }

    @Test
    void aGroupIsFilledAndNoFurther() {
        String kind = kind(60, 0, 24, person());
        Instant first = free(kind).getFirst();
        assertThat(bookings.take(kind, first, party(20), null)).isInstanceOf(Outcome.Taken.class);
        assertThat(bookings.take(kind, first, party(5), null)).isInstanceOf(Outcome.Gone.class);
        assertThat(bookings.take(kind, first, party(4), null)).isInstanceOf(Outcome.Taken.class);
        assertThat(bookings.take(kind, first, party(30), null)).isInstanceOf(Outcome.Unfit.class);
        assertThat(bookings.take(kind, first, party(0), null)).isInstanceOf(Outcome.Unfit.class);
        assertThat(free(kind)).doesNotContain(first);
    }

    @Test
    void oneRequestBooksOnceHoweverOftenItComes() {
        String kind = kind(60, 0, 24, person());
        Instant first = free(kind).getFirst();
        Party dana = new Party(1, "", "Dana", "", "", "", "", null, data.name("key"));
        assertThat(((Outcome.Taken) bookings.take(kind, first, dana, null))
                        .booking()
                        .id())
                .isEqualTo(((Outcome.Taken) bookings.take(kind, first, dana, null))
                        .booking()
                        .id());
    }

    /** Whatever is booked, moved and cancelled, what is free is what a plain list of what is taken leaves. */
    @Test
    void everySequenceLeavesTheCalendarAsAPlainListSays() {
        Random random = new Random(15);
        String ann = person();
        List<String> kinds = List.of(kind(60, 0, 1, ann), kind(30, 30, 1, ann));
        List<List<Instant>> all = kinds.stream().map(this::free).toList();
        Map<String, Instant[]> taken = new HashMap<>();
        for (int round = 0; round < 120; round++) {
            int which = random.nextInt(2);
            Instant start = all.get(which).get(random.nextInt(all.get(which).size()));
            Instant[] wanted = {start, start.plusSeconds(3600)};
            List<String> standing = new ArrayList<>(taken.keySet());
            boolean move = !standing.isEmpty() && random.nextInt(3) == 0;
            String one = standing.isEmpty() ? "" : standing.get(random.nextInt(standing.size()));
            if (!standing.isEmpty() && random.nextInt(4) == 0) {
                assertThat(bookings.cancel(one, null)).isTrue();
                taken.remove(one);
            } else if (move) {
                boolean fits =
                        all.get(kinds.indexOf(bookings.booking(one).kind())).contains(start)
                                && taken.entrySet().stream()
                                        .filter(other -> !other.getKey().equals(one))
                                        .noneMatch(other -> overlaps(other.getValue(), wanted));
                assertThat(bookings.change(one, start, null) instanceof Outcome.Taken)
                        .isEqualTo(fits);
                if (fits) {
                    taken.put(one, wanted);
                }
            } else {
                boolean fits = taken.values().stream().noneMatch(other -> overlaps(other, wanted));
                Outcome outcome = bookings.take(kinds.get(which), start, party(1), null);
                assertThat(outcome instanceof Outcome.Taken).isEqualTo(fits);
                if (outcome instanceof Outcome.Taken(Booking booking)) {
                    taken.put(booking.id(), wanted);
                }
            }
        }
        for (int which = 0; which < 2; which++) {
            assertThat(free(kinds.get(which)))
                    .isEqualTo(all.get(which).stream()
                            .filter(start -> taken.values().stream()
                                    .noneMatch(
                                            other -> overlaps(other, new Instant[] {start, start.plusSeconds(3600)})))
                            .toList());
        }
    }

    private static boolean overlaps(Instant[] one, Instant[] other) {
        return one[0].isBefore(other[1]) && other[0].isBefore(one[1]);
    }

    @Test
    void ofTwoHundredAtOnceTwentyAreBooked() throws Exception {
        String kind = kind(30, 0, 1, person());
        List<Instant> twenty = free(kind);
        assertThat(twenty).hasSize(20);
        String token = data.accounts.createToken(
                data.person(com.shuttle.settings.Role.DESIGNER).id(), "test");
        HttpClient http = HttpClient.newHttpClient();
        List<Integer> replies = Collections.synchronizedList(new ArrayList<>());
        try (ExecutorService visitors = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Future<?>> all = new ArrayList<>();
            for (int i = 0; i < 200; i++) {
                String body =
                        "{\"kind\":\"%s\",\"start\":\"%s\",\"name\":\"V%d\"}".formatted(kind, twenty.get(i % 20), i);
                HttpRequest request = HttpRequest.newBuilder(
                                URI.create("http://localhost:" + port + "/api/v1/appointments/bookings"))
                        .header("Content-Type", "application/json")
                        .header("Authorization", "Bearer " + token)
                        .POST(BodyPublishers.ofString(body))
                        .build();
                all.add(visitors.submit(() ->
                        replies.add(http.send(request, BodyHandlers.ofString()).statusCode())));
            }
            for (Future<?> one : all) {
                one.get();
            }
        }
        assertThat(IntStream.of(201, 409).mapToObj(status -> Collections.frequency(replies, status)))
                .containsExactly(20, 180);
        assertThat(free(kind)).isEmpty();
    }

    /** Two servers have two pools; what keeps them apart is the database alone. */
    @Test
    void aTimeOfAPersonIsWrittenOnceWhicheverPoolWritesIt() throws Exception {
        String ann = person();
        String kind = kind(60, 0, 1, ann);
        booked(kind, free(kind).getFirst());
        String session = database.queryForObject(
                "select session_id from session_resource where resource_id = ?", String.class, ann);
        HikariDataSource own = source.unwrap(HikariDataSource.class);
        try (HikariDataSource second = new HikariDataSource()) {
            second.setJdbcUrl(own.getJdbcUrl());
            second.setUsername(own.getUsername());
            second.setPassword(own.getPassword());
            List<JdbcTemplate> pools = List.of(new JdbcTemplate(own), new JdbcTemplate(second));
            List<Boolean> written = Collections.synchronizedList(new ArrayList<>());
            try (ExecutorService servers = Executors.newVirtualThreadPerTaskExecutor()) {
                for (int i = 0; i < 160; i++) {
                    JdbcTemplate pool = pools.get(i % 2);
                    int slice = i / 8;
                    servers.submit(() -> written.add(writes(pool, ann, slice, session)));
                }
            }
            assertThat(Collections.frequency(written, true)).isEqualTo(20);
            assertThat(written).hasSize(160);
        }
    }

    private static boolean writes(JdbcTemplate pool, String resource, int slice, String session) {
        try {
            return pool.update("insert into session_slice values (?, ?, ?)", resource, slice, session) == 1;
        } catch (DuplicateKeyException | CannotAcquireLockException taken) {
            return false;
        }
    }

    @Test
    void whoComesSoonIsRemindedOnce() {
        assertThat(reminders.send()).as("what is due by now").isNotNegative();
        assertThat(reminders.send()).isZero();
    }
}
