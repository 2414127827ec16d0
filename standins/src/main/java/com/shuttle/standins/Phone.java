package com.shuttle.standins;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A phone with a gateway behind it: what is typed on its page goes to Shuttle as signed messages, what Shuttle sends shows on it
 * once its signature was checked, and the gateway tells Shuttle what was delivered and what was read. Its other page, with the
 * switch for what goes wrong, stands at {@code /stand-in}.
 */
public final class Phone extends HttpStandIn {

    private static final Duration PATIENCE = Duration.ofSeconds(20);

    /** A number that the phone can write to. @param messages where messages go @param states where it tells how far they are */
    public record Line(String kind, String name, String number, String messages, String states, String key) {}

    /** @param line its kind @param body as it was sent or typed */
    private record Entry(int at, String line, String person, boolean mine, JsonNode body, String state) {}

    private final HttpClient client = HttpClient.newHttpClient();
    private final Map<String, Line> lines = new LinkedHashMap<>();
    private final List<Entry> entries = new ArrayList<>();

    public Phone(int port) throws IOException {
        super("Phone", port);
    }

    /** Lets it write to a number; one of the same kind is written to no longer. */
    public synchronized void connect(Line line) {
        lines.put(line.kind(), line);
    }

    /** Where its page is. */
    public String address() {
        return "http://localhost:" + port();
    }

    @Override
    protected String page() {
        return "/stand-in";
    }

    @Override
    protected boolean isAside(Call call) {
        return !call.path().equals("/messages");
    }

    @Override
    protected synchronized Reply reply(Call call) {
        return switch (call.path()) {
            case "/" -> file("phone.html", "text/html; charset=utf-8");
            case "/phone.css" -> file("phone.css", "text/css; charset=utf-8");
            case "/phone.js" -> file("phone.js", "text/javascript; charset=utf-8");
            case "/lines" ->
                Reply.json(200, lines.values().stream().map(Phone::view).toList());
            case "/talk" -> Reply.json(200, talk(call.query()));
            case "/write" -> write(call.json());
            case "/messages" -> take(call);
            default -> Reply.json(404, Map.of("error", "no such page"));
        };
    }

    private static Map<String, String> view(Line line) {
        return Map.of("kind", line.kind(), "name", line.name(), "number", line.number());
    }

    private static Reply file(String name, String type) {
        try (InputStream in = Objects.requireNonNull(Phone.class.getResourceAsStream("/phone/" + name), name)) {
            return new Reply(200, new String(in.readAllBytes(), StandardCharsets.UTF_8), type);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    // What the page asks

    private ArrayNode talk(Map<String, String> query) {
        String line = query.getOrDefault("line", "");
        Line asked = lines.get(line);
        String person = query.getOrDefault("person", "");
        ArrayNode talk = JSON.createArrayNode();
        for (int i = 0; i < entries.size(); i++) {
            Entry entry = entries.get(i);
            if (entry.line().equals(line) && entry.person().equals(person)) {
                if (asked != null && !entry.mine() && !entry.state().equals("read")) {
                    entries.set(i, new Entry(entry.at(), line, person, false, entry.body(), "read"));
                    tell(asked, entry.body().path("id").asString(""), "read");
                }
                ObjectNode shown = talk.addObject().put("at", entry.at()).put("mine", entry.mine());
                shown.put("state", entry.state()).set("body", entry.body());
            }
        }
        return talk;
    }

    private Reply write(JsonNode asked) {
        Line line = lines.get(asked.path("line").asString(""));
        if (line == null) {
            return Reply.json(404, Map.of("error", "no such line"));
        }
        String person = asked.path("person").asString("");
        ObjectNode message =
                JSON.createObjectNode().put("id", UUID.randomUUID().toString()).put("from", person);
        message.put("at", Instant.now().toString());
        for (String name : List.of("text", "pick", "picture")) {
            if (asked.has(name)) {
                message.set(name, asked.get(name));
            }
        }
        ObjectNode shown = JSON.createObjectNode()
                .put("text", asked.path("shown").asString(asked.path("text").asString("")));
        int status = post(line, line.messages(), message.toString());
        if (asked.path("twice").asBoolean(false)) {
            status = post(line, line.messages(), message.toString());
        }
        entries.add(new Entry(entries.size(), line.kind(), person, true, shown, status == 200 ? "sent" : "not sent"));
        return Reply.json(200, Map.of("status", status));
    }

    // The gateway

    private Reply take(Call call) {
        JsonNode errand = call.json();
        Line line = lines.values().stream()
                .filter(one -> one.number().equals(errand.path("from").asString("")))
                .findFirst()
                .orElse(null);
        String address = "http://" + call.headers().getOrDefault("host", "") + "/messages";
        if (line == null || !Signer.holds(line.key(), address, call.headers(), call.body())) {
            return Reply.json(401, Map.of("error", "not signed"));
        }
        String id = errand.path("id").asString("");
        if (entries.stream().noneMatch(one -> one.body().path("id").asString("").equals(id))) {
            entries.add(
                    new Entry(entries.size(), line.kind(), errand.path("to").asString(""), false, errand, "delivered"));
            tell(line, id, "delivered");
        }
        return Reply.json(202, Map.of("taken", true));
    }

    private void tell(Line line, String id, String state) {
        String body = JSON.createObjectNode().put("id", id).put("state", state).toString();
        Thread.startVirtualThread(() -> post(line, line.states(), body));
    }

    /** @return the status of the reply; 0 where there was none */
    private int post(Line line, String address, String body) {
        URI uri = URI.create(address);
        HttpRequest.Builder request = HttpRequest.newBuilder(uri)
                .timeout(PATIENCE)
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body));
        Signer.headers(line.key(), uri, body).forEach(request::header);
        try {
            return client.send(request.build(), HttpResponse.BodyHandlers.discarding())
                    .statusCode();
        } catch (IOException e) {
            return 0;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return 0;
        }
    }

    @Override
    protected synchronized List<List<String>> kept() {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Line", "Person", "Way", "Message", "State"));
        entries.reversed()
                .forEach(entry -> rows.add(List.of(
                        entry.line(),
                        entry.person(),
                        entry.mine() ? "from the phone" : "to the phone",
                        entry.body().toString(),
                        entry.state())));
        return rows;
    }

    @Override
    public void close() {
        super.close();
        client.close();
    }
}
