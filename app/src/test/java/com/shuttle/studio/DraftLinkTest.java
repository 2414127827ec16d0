package com.shuttle.studio;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.releases.DraftLinks;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Who has a link talks to the draft until its time has come, sees no working, and calls nothing outside. */
@ServerTest
class DraftLinkTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Talk","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"question","id":"q","ask":["Your name?"],"type":"text","variable":"name","exits":{"answered":"step:m"}},
            {"kind":"message","id":"m","say":["Good day, {{name}}."]}]}]}""";

    private final HttpClient http = HttpClient.newHttpClient();
    private final DraftLinks links;
    private final TestData data;
    private final int port;

    DraftLinkTest(DraftLinks links, TestData data, @LocalServerPort int port) {
        this.links = links;
        this.data = data;
        this.port = port;
    }

    private Bot drafted() {
        Bot bot = data.bot();
        data.bots.putFlow(bot.id(), FlowJson.readTrusted(FLOW), "", null);
        return bot;
    }

    private HttpResponse<String> get(String path) throws Exception {
        return http.send(
                HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
                        .build(),
                BodyHandlers.ofString());
    }

    private HttpResponse<String> post(String path, String body) throws Exception {
        return http.send(
                HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
                        .header("Content-Type", "application/json")
                        .POST(BodyPublishers.ofString(body))
                        .build(),
                BodyHandlers.ofString());
    }

    @Test
    void theDraftIsTalkedToWithoutItsWorking() throws Exception {
        String path = links.path(drafted().id(), Duration.ofDays(1));
        HttpResponse<String> page = get(path);
        assertThat(page.statusCode()).isEqualTo(200);
        assertThat(page.headers().firstValue("Content-Security-Policy").orElseThrow())
                .endsWith("frame-ancestors 'self'");
        JsonNode begun = JsonMapper.shared()
                .readTree(post(path, "{\"outside\":\"real\"}").body());
        assertThat(begun.path("messages").path(0).path("text").asString()).isEqualTo("Your name?");
        String rehearsal = begun.path("rehearsal").asString();
        JsonNode told = JsonMapper.shared()
                .readTree(post(path + "/turns", "{\"rehearsal\":\"" + rehearsal + "\",\"text\":\"Dana\"}")
                        .body());
        assertThat(told.path("messages").path(1).path("text").asString()).isEqualTo("Good day, Dana.");
        for (String hidden : List.of("trace", "variables", "effects", "seen")) {
            assertThat(told.path(hidden)).as(hidden).isEmpty();
        }
    }

    @Test
    void aLinkThatIsOverOrChangedLeadsNowhere() throws Exception {
        Bot bot = drafted();
        String right = links.path(bot.id(), Duration.ofDays(1));
        String[] parts = right.split("/");
        String later = right.replace(parts[4], String.valueOf(Long.parseLong(parts[4]) + 1));
        String another = right.replace(bot.id(), drafted().id());
        for (String path : List.of(
                links.path(bot.id(), Duration.ofSeconds(-1)),
                later,
                another,
                right + "x",
                right.replace(parts[4], "soon"))) {
            assertThat(get(path).statusCode()).as(path).isEqualTo(404);
            assertThat(post(path, "{}").statusCode()).as(path).isEqualTo(404);
            assertThat(post(path + "/turns", "{\"text\":\"Hi\"}").statusCode()).isEqualTo(404);
        }
        data.bots.archive(bot.id(), true);
        assertThat(get(right).statusCode()).isEqualTo(404);
    }
}
