package com.shuttle.api;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.settings.Role;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.web.ErrorResponseException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The calls of the interface over real HTTP, in exactly the form that programs rely on. */
@ServerTest
class ApiTest {

    private static final JsonMapper JSON = JsonMapper.shared();

    private final HttpClient http = HttpClient.newHttpClient();
    private final TestData data;
    private final int port;

    ApiTest(TestData data, @LocalServerPort int port) {
        this.data = data;
        this.port = port;
    }

    private record Got(int status, JsonNode body) {}

    private Got call(String method, String path, String token, Object body) throws Exception {
        String sent = body instanceof String raw ? raw : JSON.writeValueAsString(body);
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
                .header("Content-Type", "application/json")
                .method(method, body == null ? BodyPublishers.noBody() : BodyPublishers.ofString(sent));
        if (token != null) {
            request.header("Authorization", "Bearer " + token);
        }
        HttpResponse<String> response = http.send(request.build(), BodyHandlers.ofString());
        return new Got(response.statusCode(), response.body().isBlank() ? null : JSON.readTree(response.body()));
    }

    private String designer() {
        return data.accounts.createToken(data.person(Role.DESIGNER).id(), "test");
    }

    private Got begin() throws Exception {
        return call(
                "POST",
                "/api/v1/chat/vesper/conversations",
                null,
                Map.of("visitor", "v1", "page", "https://x.example/", "channel", "web"));
    }

    private static String messages(Got begun) {
        return "/api/v1/chat/conversations/" + begun.body().get("conversation").asString() + "/messages";
    }

    private static String token(Got begun) {
        return begun.body().get("token").asString();
    }

    @Test
    void collectionsAreMadeFilledAndAsked() throws Exception {
        String token = designer();
        Got made = call("POST", "/api/v1/collections", token, Map.of("name", "x"));
        assertThat(made.status()).isEqualTo(201);
        String path = "/api/v1/collections/" + made.body().get("id").asString();
        Got filled = call("PUT", path + "/content", token, """
                {"entries":[{"ref":"qa-01","phrasings":["Is there parking?"],"answers":["Parking is free."],"category":"Visit"},
                            {"ref":"qa-02","phrasings":["Are dogs allowed?"],"answers":["On a lead."]},
                            {"ref":"qa-03","phrasings":["When do you open?"],"answers":["At ten."]},
                            {"ref":"qa-04","phrasings":["How much is a ticket?"],"answers":["Nine pounds."]},
                            {"ref":"qa-05","phrasings":["Where are the toilets?"],"answers":["By the café."]}],
                 "articles":[{"ref":"art-01","title":"Hire","markdown":"The dome can be hired in the evening.","category":"x"}],
                 "synonyms":[["bill","invoice"]]}""");
        assertThat(filled.status()).isEqualTo(200);
        assertThat(filled.body().toString()).isEqualTo("{\"entries\":5,\"articles\":1,\"problems\":[]}");
        JsonNode answer = call("POST", path + "/ask", token, Map.of("turns", List.of("hello", "are dogs allowed")))
                .body();
        assertThat(answer.get("outcome").asString()).isEqualTo("answer");
        assertThat(answer.get("reply").asString()).isEqualTo("On a lead.");
        assertThat(answer.get("confidence").asDouble()).isBetween(0.5, 1.0);
        assertThat(answer.get("matches").get(0).toString())
                .startsWith("{\"ref\":\"qa-02\",\"source\":\"entry\",\"confidence\":");
        JsonNode none = call("POST", path + "/ask", token, Map.of("turns", List.of("who won the world cup")))
                .body();
        assertThat(none.get("outcome").asString()).isEqualTo("none");
        assertThat(none.get("matches").size()).isGreaterThanOrEqualTo(5);
    }

    @Test
    void rowsOfATableAreReadFilteredAddedChangedAndDeleted() throws Exception {
        String token = designer();
        JsonNode all = call("GET", "/api/v1/tables", token, null).body();
        JsonNode guides = null;
        for (JsonNode table : all) {
            guides = table.get("name").asString().equals("Guides") ? table : guides;
        }
        assertThat(guides).isNotNull();
        assertThat(guides.get("columns").get(0).toString())
                .isEqualTo("{\"key\":\"c1\",\"name\":\"Guide\",\"kind\":\"text\",\"unit\":\"\"}");
        String rows = "/api/v1/tables/" + guides.get("id").asString() + "/rows";
        String name = data.name("Guide");
        Got added = call("POST", rows, token, Map.of("cells", Map.of("c1", name, "c2", "Cornish, English")));
        assertThat(added.status()).isEqualTo(201);
        String row = rows + "/" + added.body().get("id").asString();
        assertThat(call("GET", rows + "?c2=cornish&sort=-c1", token, null)
                        .body()
                        .toString())
                .contains(name)
                .contains("\"page\":1,\"pages\":1,\"total\":1");
        Got changed = call("PATCH", row, token, "{\"cells\":{\"c5\":\"12\",\"c2\":null}}");
        assertThat(changed.body().get("cells").toString()).isEqualTo("{\"c1\":\"" + name + "\",\"c5\":\"12\"}");
        assertThat(call("PATCH", row, token, "{\"cells\":{\"c5\":\"many\"}}")
                        .body()
                        .get("detail")
                        .asString())
                .isEqualTo("c5: “many” is not a number of people.");
        assertThat(call("PATCH", row, token, "{\"cells\":{\"c99\":\"x\"}}").status())
                .isEqualTo(422);
        assertThat(call("DELETE", row, token, null).status()).isEqualTo(204);
        assertThat(call("DELETE", row, token, null).status()).isEqualTo(404);
        assertThat(call("GET", rows, null, null).status()).isEqualTo(401);
    }

    @Test
    void unfitContentIsLeftOutAndListed() throws Exception {
        String token = designer();
        String path = "/api/v1/collections/"
                + call("POST", "/api/v1/collections", token, Map.of("name", "y"))
                        .body()
                        .get("id")
                        .asString();
        Got filled = call("PUT", path + "/content", token, """
                {"entries":[{"ref":"a","phrasings":["Q"],"answers":[]},{"ref":"a","phrasings":["Q"],"answers":["A"]},
                            {"phrasings":["Q"],"answers":["A"]},{"ref":"b","phrasings":[" "],"answers":["A"]},
                            {"ref":"a","phrasings":["Q"],"answers":["A"]}],
                 "articles":[{"ref":"c","title":"","markdown":"x"}]}""");
        assertThat(filled.body().get("entries").asInt()).isZero();
        assertThat(filled.body().get("problems").toString())
                .contains("has no answer", "was used before", "needs a ref", "has no phrasing", "has no title");
    }

    @Test
    void refusalsAreProblemDetails() throws Exception {
        String token = designer();
        assertThat(call("POST", "/api/v1/collections", token, Map.of()).status())
                .isEqualTo(422);
        assertThat(call("POST", "/api/v1/collections", token, "not json").status())
                .isEqualTo(400);
        assertThat(call("POST", "/api/v1/collections/nonsense/ask", token, Map.of("turns", List.of("x")))
                        .status())
                .isEqualTo(404);
        Got nothing = call("POST", "/api/v1/chat/nobody/conversations", null, Map.of());
        assertThat(nothing.status()).isEqualTo(404);
        assertThat(nothing.body().get("detail").asString()).contains("nobody");
    }

    @Test
    void aConversationHasTheAgreedForm() throws Exception {
        Got begun = begin();
        assertThat(begun.status()).isEqualTo(201);
        assertThat(begun.body().propertyNames())
                .containsExactly("conversation", "token", "seq", "messages", "awaiting", "visitor");
        assertThat(begun.body().get("messages").get(0).get("from").asString()).isEqualTo("bot");
        assertThat(begun.body().at("/awaiting/kind").asString()).isEqualTo("choice");
        String option = begun.body().at("/awaiting/options/0/id").asString();
        Got picked =
                call("POST", messages(begun), token(begun), Map.of("clientMessageId", "1", "pick", List.of(option)));
        assertThat(picked.status()).isEqualTo(200);
        assertThat(picked.body().get("seq").asLong())
                .isGreaterThan(begun.body().get("seq").asLong());
        Got again =
                call("POST", messages(begun), token(begun), Map.of("clientMessageId", "1", "pick", List.of(option)));
        assertThat(again.body()).isEqualTo(picked.body());
        Got said = call("POST", messages(begun), token(begun), Map.of("clientMessageId", "2", "text", "school visit"));
        assertThat(said.body().at("/awaiting/kind").asString()).isEqualTo("question");
        assertThat(said.body().at("/awaiting/type").asString()).isEqualTo("number");
        Got after = call(
                "GET", messages(begun) + "?after=" + picked.body().get("seq").asLong(), token(begun), null);
        assertThat(after.body().at("/messages/0/from").asString()).isEqualTo("visitor");
        assertThat(after.body().at("/messages/0/text").asString()).isEqualTo("school visit");
    }

    @Test
    void hostileMessagesAreTakenAsTextOrRefusedWithoutLoss() throws Exception {
        Got begun = begin();
        long n = 0;
        for (String text : List.of(
                "<script>alert('x')</script>",
                "'; drop table message; --",
                "\u202Egnitset\u202C",
                "{{name}} ${7*7} #{x}",
                "a\u0000b\u0007c",
                "🙂".repeat(500),
                "\\u0000",
                "%00",
                "../../etc/passwd")) {
            Got got = call("POST", messages(begun), token(begun), Map.of("clientMessageId", "h" + n++, "text", text));
            assertThat(got.status()).as(text).isEqualTo(200);
            assertThat(got.body().toString()).doesNotContain("<script>", "49");
        }
        Got transcript = call("GET", messages(begun), token(begun), null);
        assertThat(transcript.body().toString())
                .contains("<script>alert('x')</script>", "abc")
                .doesNotContain("\u202E");
        assertThat(refused(begun, Map.of("clientMessageId", "x", "text", "x".repeat(100_000)), 422))
                .contains("4000 characters");
        assertThat(refused(begun, Map.of("clientMessageId", "x", "text", "\u0000\u202E "), 422))
                .contains("nothing readable");
        assertThat(refused(begun, Map.of("text", "hello"), 422)).contains("clientMessageId");
        assertThat(refused(begun, Map.of("clientMessageId", "x", "pick", List.of("no-such-option")), 409))
                .contains("not on offer");
        assertThat(call("GET", messages(begun), token(begun), null).body()).isEqualTo(transcript.body());
    }

    private String refused(Got begun, Object body, int status) throws Exception {
        Got got = call("POST", messages(begun), token(begun), body);
        assertThat(got.status()).isEqualTo(status);
        return got.body().get("detail").asString();
    }

    @Test
    void endedAndForeignConversationsAreRefused() throws Exception {
        Got mine = begin();
        Got theirs = begin();
        assertThat(call("POST", messages(mine), token(theirs), Map.of("clientMessageId", "1", "text", "hi"))
                        .status())
                .isEqualTo(401);
        assertThat(call("GET", messages(mine), null, null).status()).isEqualTo(401);
        Got ended = call("POST", messages(mine), token(mine), Map.of("clientMessageId", "1", "text", "goodbye"));
        assertThat(ended.body().get("ended").asBoolean()).isTrue();
        assertThat(ended.body().get("awaiting").isNull()).isTrue();
        assertThat(refused(mine, Map.of("clientMessageId", "2", "text", "still there?"), 409))
                .contains("has ended");
    }

    @Test
    void theStreamSendsWhatIsNewAndResumesWhereItStopped() throws Exception {
        Got begun = begin();
        long seen = begun.body().get("seq").asLong();
        call("POST", messages(begun), token(begun), Map.of("clientMessageId", "1", "text", "is there parking?"));
        List<Long> first = ids(begun, seen, 2);
        assertThat(first).startsWith(seen + 1, seen + 2);
        assertThat(ids(begun, seen + 1, 1)).startsWith(seen + 2);
    }

    @Test
    void aStreamSaysThatItListensBeforeThereIsAnythingToHear() throws Exception {
        Got begun = begin();
        try (Stream<String> lines = stream(begun, begun.body().get("seq").asLong())) {
            assertThat(lines.iterator().next()).isEqualTo(":open");
        }
    }

    private Stream<String> stream(Got begun, long last) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(
                        URI.create("http://localhost:" + port + messages(begun).replace("/messages", "/stream")))
                .header("Authorization", "Bearer " + token(begun))
                .header("Last-Event-ID", Long.toString(last))
                .build();
        return http.send(request, BodyHandlers.ofLines()).body();
    }

    /** Ids of the first events of a stream that resumes after {@code last}. */
    private List<Long> ids(Got begun, long last, int count) throws IOException, InterruptedException {
        List<Long> ids = new ArrayList<>();
        try (Stream<String> lines = stream(begun, last)) {
            var each = lines.iterator();
            while (ids.size() < count) {
                String line = each.next();
                if (line.startsWith("id:")) {
                    ids.add(Long.parseLong(line.substring(3).strip()));
                }
            }
        }
        return ids;
    }

    @Test
    void theInterfaceIsDescribed() throws Exception {
        JsonNode api = call("GET", "/api/openapi", null, null).body();
        assertThat(api.get("paths").propertyNames())
                .contains(
                        "/api/v1/collections",
                        "/api/v1/collections/{id}/content",
                        "/api/v1/collections/{id}/ask",
                        "/api/v1/chat/{bot}/conversations",
                        "/api/v1/chat/conversations/{id}/messages",
                        "/api/v1/chat/conversations/{id}/stream");
        HttpRequest docs = HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/docs"))
                .build();
        assertThat(http.send(docs, BodyHandlers.ofString()).body()).contains("What programs can do");
    }

    private static boolean refused(Runnable asked) {
        try {
            asked.run();
            return false;
        } catch (ErrorResponseException refusal) {
            assertThat(refusal.getStatusCode().value()).isEqualTo(429);
            assertThat(refusal.getHeaders().getFirst("Retry-After")).isEqualTo("5");
            return true;
        }
    }

    @Test
    void tooMuchAtOnceIsRefused() {
        RateLimits limits = new RateLimits(new RateLimits.Limits(2, 3, 100, 0));
        limits.newConversation("a");
        limits.newConversation("a");
        limits.newConversation("b");
        assertThat(refused(() -> limits.newConversation("a"))).isTrue();
        limits.message("c", "a", 0);
        limits.message("c", "a", 0);
        limits.message("c", "a", 0);
        assertThat(refused(() -> limits.message("c", "a", 0))).isTrue();
    }

    @Test
    void longMessagesUseUpMoreOfAnAddress() {
        RateLimits limits = new RateLimits(new RateLimits.Limits(2, 1000, 100, 0));
        limits.message("c", "a", 2000);
        limits.message("c", "a", 2000);
        assertThat(refused(() -> limits.message("c", "a", 4000))).isTrue();
        limits.message("c", "a", 40);
        limits.message("c", "b", 2000);
    }

    @Test
    void thePageOfErrorsIsNoAddress() throws Exception {
        HttpResponse<String> response = http.send(
                HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/error"))
                        .build(),
                BodyHandlers.ofString());
        assertThat(response.statusCode()).isEqualTo(404);
    }
}
