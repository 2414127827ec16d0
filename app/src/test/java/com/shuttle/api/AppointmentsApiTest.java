package com.shuttle.api;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.appointments.Diaries;
import com.shuttle.appointments.Diary;
import com.shuttle.appointments.Kind;
import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.booking.Rules;
import com.shuttle.core.calendar.WeekHours.Span;
import com.shuttle.settings.Role;
import com.shuttle.web.Json;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Programs find free times, book, move and cancel; what cannot be is a problem they can read. */
@ServerTest
class AppointmentsApiTest {

    private static final Instant FROM = Instant.now().plus(Duration.ofDays(5)).truncatedTo(ChronoUnit.DAYS);

    private final HttpClient http = HttpClient.newHttpClient();
    private final Diaries diaries;
    private final TestData data;
    private final int port;
    private String token = "";
    private String kind = "";
    private String ann = "";

    AppointmentsApiTest(Diaries diaries, TestData data, @LocalServerPort int port) {
        this.diaries = diaries;
        this.data = data;
        this.port = port;
    }

    @BeforeEach
    void aKindWithTwoPeople() {
        token = data.accounts.createToken(data.person(Role.DESIGNER).id(), "test");
        ann = person("Ann", "French");
        String bob = person("Bob", "Welsh");
        Rules rules = new Rules(60, 0, 0, 0, 60, 60, 1, 0, false);
        kind = diaries.keep(new Kind("", data.name("Visit"), "", "", rules, Chooser.By.IN_TURN, List.of(ann, bob)));
    }

    private String person(String name, String skill) {
        List<Span> day = List.of(Span.of("09:00-12:00").orElseThrow());
        Map<DayOfWeek, List<Span>> week =
                Stream.of(DayOfWeek.values()).collect(Collectors.toMap(one -> one, one -> day));
        OpenHours hours = new OpenHours(ZoneId.of("Europe/London"), week, Map.of());
        return diaries.keep(new Diary("", Diary.Type.PERSON, data.name(name), hours, List.of(skill)));
    }

    private HttpResponse<String> send(String method, String path, Map<String, ?> body, String... headers)
            throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(
                        URI.create("http://localhost:" + port + "/api/v1/appointments" + path))
                .header("Authorization", "Bearer " + token)
                .header("Content-Type", "application/json")
                .method(method, body.isEmpty() ? BodyPublishers.noBody() : BodyPublishers.ofString(Json.write(body)));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return http.send(request.build(), BodyHandlers.ofString());
    }

    private static JsonNode json(HttpResponse<String> response) {
        return JsonMapper.shared().readTree(response.body());
    }

    private List<String> free(String more) throws Exception {
        String period = "?from=" + FROM + "&until=" + FROM.plus(Duration.ofDays(1)) + more;
        return json(send("GET", "/kinds/" + kind + "/slots" + period, Map.of()))
                .valueStream()
                .map(slot -> slot.path("start").asString())
                .toList();
    }

    private Map<String, Object> wanted(String start) {
        return new HashMap<>(Map.of("kind", kind, "start", start, "name", "Dana", "email", "dana@mill.example"));
    }

    @Test
    void aTimeIsBookedMovedAndCancelled() throws Exception {
        assertThat(json(send("GET", "/kinds", Map.of()))
                        .valueStream()
                        .map(one -> one.path("id").asString()))
                .contains(kind);
        List<String> free = free("");
        assertThat(free).hasSize(3);
        HttpResponse<String> booked = send("POST", "/bookings", wanted(free.getFirst()));
        assertThat(booked.statusCode()).isEqualTo(201);
        assertThat(json(booked).path("reference").asString()).matches("[A-Z0-9]{3}-[A-Z0-9]{4}");
        String id = json(booked).path("id").asString();
        assertThat(free("")).as("the other person is free still").isEqualTo(free);
        HttpResponse<String> moved = send("PATCH", "/bookings/" + id, Map.of("start", free.getLast()));
        assertThat(json(moved).path("start").asString()).isEqualTo(free.getLast());
        assertThat(send("DELETE", "/bookings/" + id, Map.of()).statusCode()).isEqualTo(204);
        assertThat(send("DELETE", "/bookings/" + id, Map.of()).statusCode())
                .as("again")
                .isEqualTo(204);
        assertThat(json(send("GET", "/bookings/" + id, Map.of())).path("state").asString())
                .isEqualTo("cancelled");
        assertThat(send("PATCH", "/bookings/" + id, Map.of("start", free.getFirst()))
                        .statusCode())
                .isEqualTo(422);
    }

    @Test
    void aPersonOrSkillIsWished() throws Exception {
        List<String> free = free("");
        Map<String, Object> french = wanted(free.getFirst());
        french.put("with", "french");
        assertThat(send("POST", "/bookings", french).statusCode()).isEqualTo(201);
        assertThat(free("&with=French")).isEqualTo(free.subList(1, 3));
        assertThat(free("&with=" + ann)).isEqualTo(free.subList(1, 3));
        assertThat(free("&with=Welsh")).isEqualTo(free);
        assertThat(free("&with=Latin")).isEmpty();
        assertThat(send("POST", "/bookings", french).statusCode()).isEqualTo(409);
    }

    @Test
    void whatIsTakenIsAProblemThatNamesTheNearest() throws Exception {
        String first = free("").getFirst();
        send("POST", "/bookings", wanted(first));
        send("POST", "/bookings", wanted(first));
        HttpResponse<String> taken = send("POST", "/bookings", wanted(first));
        assertThat(taken.statusCode()).isEqualTo(409);
        assertThat(taken.headers().firstValue("Content-Type").orElseThrow()).startsWith("application/problem+json");
        assertThat(json(taken).path("nearest").size()).isEqualTo(3);
        assertThat(json(taken).path("title").asString()).isEqualTo("Not free");
    }

    @Test
    void theSameRequestBooksOnce() throws Exception {
        String first = free("").getFirst();
        String key = data.name("key");
        HttpResponse<String> one = send("POST", "/bookings", wanted(first), "Idempotency-Key", key);
        HttpResponse<String> again = send("POST", "/bookings", wanted(first), "Idempotency-Key", key);
        assertThat(json(again).path("id")).isEqualTo(json(one).path("id"));
    }

    @ParameterizedTest
    @CsvSource({
        "start, yesterday",
        "start, 2026-13-01T00:00:00Z",
        "zone, Nowhere/Land",
        "kind, no-such-kind",
        "party, 0",
        "email, LONG",
        "name, LONG",
    })
    void whatIsUnfitIsSaid(String field, String value) throws Exception {
        Map<String, Object> wanted = wanted(free("").getFirst());
        boolean number = value.matches("\\d");
        wanted.put(field, value.equals("LONG") ? "x".repeat(300) : number ? Integer.valueOf(value) : value);
        HttpResponse<String> refused = send("POST", "/bookings", wanted);
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(json(refused).path("detail").asString()).isNotEmpty();
    }

    @Test
    void tooLongAPeriodAndWhatIsNotThereAreRefused() throws Exception {
        String long92 = "?from=" + FROM + "&until=" + FROM.plus(Duration.ofDays(100));
        assertThat(send("GET", "/kinds/" + kind + "/slots" + long92, Map.of()).statusCode())
                .isEqualTo(422);
        assertThat(send("GET", "/kinds/no-such-kind/slots", Map.of()).statusCode())
                .isEqualTo(404);
        assertThat(send("GET", "/bookings/no-such-booking", Map.of()).statusCode())
                .isEqualTo(404);
        diaries.deleteKind(kind);
        assertThat(send("GET", "/kinds/" + kind + "/slots", Map.of()).statusCode())
                .isEqualTo(404);
    }
}
