package com.shuttle.standins;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import tools.jackson.databind.JsonNode;

/**
 * A stand-in for course bookings with few places. Programs get in by OAuth 2 client credentials ({@value #CLIENT} and {@value
 * #SECRET} at {@code /token}); a token is good for twenty calls, so that it has to be renewed.
 */
public final class CourseBookings extends HttpStandIn {

    public static final String CLIENT = "tarnfell";
    public static final String SECRET = "courses-secret";

    private static final int CALLS_A_TOKEN = 20;

    private record Booking(String reference, String course, String name, String email, int places) {}

    private final Map<String, Integer> left = new TreeMap<>();
    private final List<Booking> bookings = new ArrayList<>();
    private final Map<String, Integer> tokens = new LinkedHashMap<>();

    public CourseBookings(int port) throws IOException {
        super("Course bookings", port);
        left.put("astrophotography", 6);
        left.put("mirror-grinding", 2);
        left.put("reading-the-sky", 12);
    }

    /** How many bookings there are. */
    public synchronized int booked() {
        return bookings.size();
    }

    @Override
    protected Object memory() {
        return bookings;
    }

    @Override
    protected void recall(JsonNode memory) {
        for (JsonNode one : memory) {
            Booking booking = JSON.treeToValue(one, Booking.class);
            bookings.add(booking);
            left.merge(booking.course(), -booking.places(), Integer::sum);
        }
    }

    @Override
    protected Reply reply(Call call) {
        if (call.path().equals("/openapi.json")) {
            return Reply.json(200, OpenApiFile.of("course-bookings.json"));
        }
        if (call.path().equals("/token")) {
            return token(call);
        }
        String token = call.headers().getOrDefault("authorization", "").replaceFirst("^Bearer ", "");
        if (tokens.getOrDefault(token, 0) < 1) {
            return Reply.json(401, Map.of("error", "the token is missing or used up"));
        }
        tokens.merge(token, -1, Integer::sum);
        String[] path = call.path().split("/");
        if (path.length == 2 && path[1].equals("courses")) {
            return Reply.json(200, Map.of("courses", left.keySet(), "left", left));
        }
        if (path.length == 4 && path[1].equals("courses") && call.method().equals("POST")) {
            return book(path[2], call);
        }
        return Reply.json(404, Map.of("error", "there is no such address"));
    }

    private Reply token(Call call) {
        Map<String, String> form = call.form();
        String who =
                "Basic " + Base64.getEncoder().encodeToString((CLIENT + ":" + SECRET).getBytes(StandardCharsets.UTF_8));
        boolean right = "client_credentials".equals(form.get("grant_type"))
                && who.equals(call.headers().get("authorization"));
        if (!right) {
            return Reply.json(401, Map.of("error", "invalid_client"));
        }
        String token = UUID.randomUUID().toString();
        tokens.put(token, CALLS_A_TOKEN);
        return Reply.json(200, Map.of("access_token", token, "token_type", "Bearer", "expires_in", 3600));
    }

    private Reply book(String course, Call call) {
        if (!left.containsKey(course)) {
            return Reply.json(404, Map.of("error", "there is no such course"));
        }
        int wanted = call.json().path("places").asInt(1);
        int free = left.get(course);
        if (wanted < 1 || wanted > free) {
            return Reply.json(409, Map.of("state", "full", "left", free));
        }
        left.put(course, free - wanted);
        String reference = "K-" + (301 + bookings.size());
        bookings.add(new Booking(
                reference,
                course,
                call.json().path("name").asString(""),
                call.json().path("email").asString(""),
                wanted));
        return Reply.json(201, Map.of("state", "booked", "reference", reference, "left", free - wanted));
    }

    @Override
    protected List<List<String>> kept() {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Course", "Places left", "Booked"));
        left.forEach((course, free) -> rows.add(List.of(
                course,
                Integer.toString(free),
                bookings.stream()
                        .filter(one -> one.course().equals(course))
                        .map(one -> one.reference() + " " + one.name() + " (" + one.places() + ")")
                        .reduce((a, b) -> a + ", " + b)
                        .orElse(""))));
        return rows;
    }
}
