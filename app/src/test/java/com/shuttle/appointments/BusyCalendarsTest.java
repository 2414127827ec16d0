package com.shuttle.appointments;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.Waiting;
import com.shuttle.core.booking.BusyFeed;
import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.booking.Rules;
import com.shuttle.core.calendar.WeekHours.Span;
import com.shuttle.standins.BusyCalendarStandIn;
import com.shuttle.standins.Mood;
import com.shuttle.web.Checked;
import com.shuttle.web.Outgoing;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Calendars elsewhere keep their times from being offered; our own are read at an address that only their person has. */
@ServerTest
class BusyCalendarsTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final LocalDate TUESDAY =
            LocalDate.now(LONDON).plusDays(7).with(TemporalAdjusters.next(DayOfWeek.TUESDAY));

    private final Diaries diaries;
    private final Availability availability;
    private final Bookings bookings;
    private final BusyCalendars calendars;
    private final TestData data;
    private final Outgoing outgoing;
    private final int port;
    private BusyCalendarStandIn elsewhere;
    private String host = "";

    BusyCalendarsTest(
            Diaries diaries,
            Availability availability,
            Bookings bookings,
            BusyCalendars calendars,
            TestData data,
            Outgoing outgoing,
            @LocalServerPort int port) {
        this.diaries = diaries;
        this.availability = availability;
        this.bookings = bookings;
        this.calendars = calendars;
        this.data = data;
        this.outgoing = outgoing;
        this.port = port;
    }

    @BeforeEach
    void start() throws IOException {
        elsewhere = new BusyCalendarStandIn(0);
        elsewhere.start();
        host = "busy-" + elsewhere.port() + ".test";
        outgoing.lead(host, elsewhere.port());
    }

    @AfterEach
    void stop() {
        elsewhere.close();
    }

    private String person() {
        List<Span> day = List.of(Span.of("09:00-16:00").orElseThrow());
        Map<DayOfWeek, List<Span>> week =
                Stream.of(DayOfWeek.values()).collect(Collectors.toMap(one -> one, one -> day));
        return diaries.keep(new Diary("", Diary.Type.PERSON, data.name("Oona"), new OpenHours(LONDON, week, Map.of())));
    }

    private String kind(String person) {
        Rules rules = new Rules(30, 0, 0, 0, 60, 30, 1, 0, false);
        return diaries.keep(new Kind("", data.name("Visit"), "", "", rules, Chooser.By.IN_TURN, List.of(person)));
    }

    private List<LocalTime> free(String kind) {
        Instant from = TUESDAY.atStartOfDay(LONDON).toInstant();
        return availability.free(kind, 1, from, from.plusSeconds(86_400)).stream()
                .map(slot -> slot.start().atZone(LONDON).toLocalTime())
                .toList();
    }

    @Test
    void whatIsBusyElsewhereIsNotOfferedAndStaysKnownWhereItCannotBeRead() {
        String oona = person();
        String kind = kind(oona);
        assertThat(free(kind)).hasSize(14);
        added(oona, "http://" + host + "/calendar.ics");
        assertThat(free(kind))
                .hasSize(9)
                .doesNotContain(LocalTime.of(10, 0), LocalTime.of(11, 0), LocalTime.of(14, 30))
                .contains(LocalTime.of(11, 30));
        elsewhere.mood(Mood.FAILING);
        elsewhere.add("Dentist", TUESDAY.atTime(9, 0), TUESDAY.atTime(9, 30));
        calendars.readAll();
        assertThat(calendars.of(oona).getFirst().why()).contains("500");
        assertThat(free(kind)).as("what was known holds on").hasSize(9);
        elsewhere.mood(Mood.WELL);
        calendars.readAll();
        assertThat(free(kind)).hasSize(8).doesNotContain(LocalTime.of(9, 0));
        assertThat(calendars.of(oona).getFirst().why()).isEmpty();
        calendars.remove(oona, calendars.of(oona).getFirst().id());
        assertThat(free(kind)).hasSize(14);
    }

    @Test
    void whatHasNotChangedIsNotReadAgain() {
        String oona = person();
        String kind = kind(oona);
        added(oona, "http://" + host + "/calendar.ics");
        calendars.readAll();
        assertThat(elsewhere.unchanged()).isEqualTo(1);
        assertThat(calendars.of(oona).getFirst().stale(Instant.now())).isFalse();
        assertThat(free(kind)).hasSize(9);
        elsewhere.add("Dentist", TUESDAY.atTime(9, 0), TUESDAY.atTime(9, 30));
        calendars.readAll();
        assertThat(free(kind)).hasSize(8);
        BusyCalendar read = calendars.of(oona).getFirst();
        assertThat(read.known(Instant.now())).isEqualTo(read.etag()).isNotEmpty();
        assertThat(read.known(Instant.now().plus(Duration.ofDays(2))))
                .as("what recurs is worked out anew")
                .isEmpty();
    }

    /** Adds a calendar, and waits until it was tried. */
    private BusyCalendar added(String person, String address) {
        String id = TestData.good(calendars.add(person, address));
        Waiting.until("the calendar", () -> !calendar(person, id).awaited());
        return calendar(person, id);
    }

    private BusyCalendar calendar(String person, String id) {
        return calendars.of(person).stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "no address", "http://", "file:///etc/passwd"})
    void whatIsNoAddressIsNotTaken(String address) {
        String oona = person();
        assertThat(calendars.add(oona, address)).isInstanceOf(Checked.Bad.class);
        assertThat(calendars.of(oona)).isEmpty();
    }

    @Test
    void oneBadCalendarFailsAloneAndSaysSo() throws IOException {
        HttpServer bad = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        byte[] thirteenth = """
                BEGIN:VCALENDAR
                BEGIN:VEVENT
                DTSTART;VALUE=DATE:20261301
                END:VEVENT
                END:VCALENDAR
                """.getBytes(StandardCharsets.UTF_8);
        bad.createContext("/bad.ics", exchange -> {
            exchange.sendResponseHeaders(200, thirteenth.length);
            exchange.getResponseBody().write(thirteenth);
            exchange.close();
        });
        bad.start();
        try {
            String badHost = "a-bad-one-" + bad.getAddress().getPort() + ".test";
            outgoing.lead(badHost, bad.getAddress().getPort());
            String oona = person();
            String kind = kind(oona);
            assertThat(added(oona, "http://" + badHost + "/bad.ics").why()).contains("cannot be read");
            assertThat(added(oona, "http://" + badHost + "/nothing.ics").why()).contains("404");
            assertThat(added(oona, "http://127.0.0.1:1/x.ics").why()).isNotEmpty();
            added(oona, "http://" + host + "/calendar.ics");
            elsewhere.add("Dentist", TUESDAY.atTime(9, 0), TUESDAY.atTime(9, 30));
            calendars.readAll();
            assertThat(free(kind)).hasSize(8).doesNotContain(LocalTime.of(9, 0));
        } finally {
            bad.stop(0);
        }
    }

    @Test
    void wholeDaysOfAFileAreDaysOff() throws Exception {
        Diary oona = diaries.diary(person());
        String day = TUESDAY.format(DateTimeFormatter.BASIC_ISO_DATE);
        String file = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART;VALUE=DATE:" + day
                + "\r\nDURATION:P2D\r\nTRANSP:TRANSPARENT\r\nEND:VEVENT\r\nBEGIN:VEVENT\r\nUID:2\r\nDTSTART:" + day
                + "T090000Z\r\nDURATION:PT1H\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        assertThat(Holidays.added(oona, file, Instant.now()).hours().exceptions())
                .containsOnlyKeys(TUESDAY, TUESDAY.plusDays(1));
    }

    @Test
    void aPersonsOwnCalendarIsReadUntilItsAddressIsRenewed() throws Exception {
        String oona = person();
        String kind = kind(oona);
        Instant start = TUESDAY.atTime(9, 0).atZone(LONDON).toInstant();
        bookings.take(kind, start, new Party(1, "", "Dana", "", "", "", "", null, null), null);
        String feed = diaries.feed(oona);
        HttpResponse<String> read = got(feed);
        assertThat(read.statusCode()).isEqualTo(200);
        assertThat(read.body()).contains("SUMMARY:Dana");
        assertThat(BusyFeed.read(read.body(), LONDON, start.minusSeconds(1), start.plusSeconds(1)))
                .hasSize(1);
        diaries.renewFeed(oona);
        assertThat(got(feed).statusCode()).isEqualTo(404);
        assertThat(got(diaries.feed(oona)).statusCode()).isEqualTo(200);
    }

    private HttpResponse<String> got(String path) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
                .build();
        return HttpClient.newHttpClient().send(request, BodyHandlers.ofString());
    }
}
