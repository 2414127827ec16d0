package com.shuttle.appointments;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.booking.BusyFeed;
import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.booking.Rules;
import com.shuttle.core.calendar.WeekHours.Span;
import com.shuttle.standins.BusyCalendarStandIn;
import com.shuttle.standins.Mood;
import com.shuttle.web.Checked;
import com.shuttle.web.Outgoing;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
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
        assertThat(calendars.add(oona, "http://" + host + "/calendar.ics")).isInstanceOf(Checked.Good.class);
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
        calendars.add(oona, "http://" + host + "/calendar.ics");
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

    @ParameterizedTest
    @ValueSource(strings = {"", "no address", "http://127.0.0.1:1/x.ics", "http://HOST/nothing.ics"})
    void whatCannotBeReadIsNotTaken(String address) {
        String oona = person();
        assertThat(calendars.add(oona, address.replace("HOST", host))).isInstanceOf(Checked.Bad.class);
        assertThat(calendars.of(oona)).isEmpty();
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
