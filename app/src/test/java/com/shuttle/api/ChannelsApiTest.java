package com.shuttle.api;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.channels.Channel;
import com.shuttle.channels.Channels;
import com.shuttle.channels.Dispatch;
import com.shuttle.channels.Dispatcher;
import com.shuttle.core.channel.PhoneKind;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.web.Json;
import com.shuttle.web.MessageSignatures;
import com.shuttle.web.Wanted;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.web.server.LocalServerPort;

/** What a gateway may bring: signed, fresh, readable, once. */
@ServerTest
class ChannelsApiTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Talk","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"question","id":"q","ask":["Your name?"],"type":"text","variable":"name","exits":{"answered":"step:m"}},
            {"kind":"message","id":"m","say":["Good day, {{name}}."],"exits":{"next":"step:q"}}]}]}""";
    private static final String FROM = "+447700900301";

    private final HttpClient http = HttpClient.newHttpClient();
    private final Channels channels;
    private final Dispatcher dispatcher;
    private final TestData data;
    private final int port;
    private Channel channel;

    ChannelsApiTest(Channels channels, Dispatcher dispatcher, TestData data, @LocalServerPort int port) {
        this.channels = channels;
        this.dispatcher = dispatcher;
        this.data = data;
        this.port = port;
    }

    @BeforeEach
    void aNumber() {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        // Nothing answers there, so that messages stay on their way.
        Channels.Form form = new Channels.Form(
                data.name("Gate"), PhoneKind.TEXT, "+441632960177", "http://nowhere.invalid/messages", "");
        channel = TestData.good(channels.keep("", form, List.of(bot.id())));
    }

    @AfterEach
    void noNumber() {
        channels.delete(channel.id());
    }

    private URI address(String id, String path) {
        return URI.create("http://localhost:" + port + "/api/v1/channels/" + id + path);
    }

    private HttpResponse<String> post(URI address, Map<String, String> headers, String body) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(address)
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.ofString(body));
        headers.forEach(request::header);
        return http.send(request.build(), BodyHandlers.ofString());
    }

    private HttpResponse<String> signed(String path, String body) throws Exception {
        URI address = address(channel.id(), path);
        return post(address, signature(address, body, Instant.now()), body);
    }

    private Map<String, String> signature(URI address, String body, Instant at) {
        return MessageSignatures.sign(channels.key(channel), "POST", address, body, at);
    }

    private static String message(String id, String text) {
        return Json.write(Map.of("id", id, "from", FROM, "text", text));
    }

    private List<String> said() {
        return dispatcher.dispatches(channel.id(), Wanted.ALL).items().reversed().stream()
                .map(one -> one.piece().text())
                .toList();
    }

    @Test
    void aSignedMessageIsHeardOnce() throws Exception {
        assertThat(signed("/messages", message("a", "Hello")).body()).contains("\"taken\":\"heard\"");
        assertThat(signed("/messages", message("b", "Dana")).body()).contains("heard");
        assertThat(signed("/messages", message("b", "Dana")).body()).contains("before");
        assertThat(signed("/messages", message("c", "Stop")).body()).contains("heard");
        assertThat(signed("/messages", message("d", "Dana")).body()).contains("stopped");
        assertThat(said())
                .containsExactly(
                        "Your name?",
                        "Good day, Dana.",
                        "Your name?",
                        "You get no more messages from " + channel.name() + ". Write START to get them again.");
    }

    @Test
    void theSameSignatureAgainBringsNothingNew() throws Exception {
        URI address = address(channel.id(), "/messages");
        String body = message("a", "Hello");
        Map<String, String> headers = signature(address, body, Instant.now());
        assertThat(post(address, headers, body).body()).contains("heard");
        assertThat(post(address, headers, body).body()).contains("before");
        assertThat(said()).containsExactly("Your name?");
    }

    @Test
    void whatIsNotSignedSoIsAsGoodAsNone() throws Exception {
        String body = message("a", "Hello");
        URI right = address(channel.id(), "/messages");
        Instant now = Instant.now();
        assertThat(post(right, Map.of(), body).statusCode()).isEqualTo(401);
        assertThat(post(right, signature(right, body, now.minusSeconds(400)), body)
                        .statusCode())
                .as("old")
                .isEqualTo(401);
        assertThat(post(right, signature(right, body, now), body.replace("Hello", "Hullo"))
                        .statusCode())
                .as("changed")
                .isEqualTo(401);
        assertThat(post(right, signature(address(channel.id(), "/states"), body, now), body)
                        .statusCode())
                .as("for another address")
                .isEqualTo(401);
        assertThat(post(address("none", "/messages"), signature(right, body, now), body)
                        .statusCode())
                .as("no such channel")
                .isEqualTo(401);
        channels.delete(channel.id());
        assertThat(post(right, signature(right, body, now), body).statusCode())
                .as("deleted")
                .isEqualTo(401);
        assertThat(said()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "nonsense",
                "[]",
                "{}",
                "{\"id\":\"a\",\"from\":\"+447700900301\"}",
                "{\"id\":\"a\",\"from\":\"+447700900301\",\"text\":\" \\u200b \"}",
                "{\"id\":\"a\",\"from\":\"07700 900301\",\"text\":\"Hi\"}",
                "{\"id\":\"\",\"from\":\"+447700900301\",\"text\":\"Hi\"}",
                "{\"from\":\"+447700900301\",\"text\":\"Hi\"}",
                "{\"id\":\"a\",\"from\":\"+447700900301\",\"picture\":{\"name\":\"a.png\",\"data\":\"§§§\"}}",
            })
    void whatCannotBeReadIsRefusedInWords(String body) throws Exception {
        HttpResponse<String> refused = signed("/messages", body);
        assertThat(refused.statusCode()).isBetween(400, 422);
        assertThat(refused.headers().firstValue("Content-Type").orElse("")).contains("problem+json");
    }

    @Test
    void longIdsAreRefusedAndLongWordsCut() throws Exception {
        assertThat(signed("/messages", message("x".repeat(91), "Hi")).statusCode())
                .isEqualTo(422);
        assertThat(signed("/messages", message("a", "Hello")).statusCode()).isEqualTo(200);
        assertThat(signed("/messages", message("b", "word ".repeat(2000))).statusCode())
                .isEqualTo(200);
        assertThat(said()).hasSizeGreaterThanOrEqualTo(3);
    }

    @Test
    void howFarMessagesAreIsTold() throws Exception {
        signed("/messages", message("a", "Hello"));
        Dispatch sent = dispatcher.dispatches(channel.id(), Wanted.ALL).items().getFirst();
        assertThat(signed("/states", state(sent.id(), "delivered")).statusCode())
                .isEqualTo(204);
        assertThat(dispatcher
                        .dispatches(channel.id(), Wanted.ALL)
                        .items()
                        .getFirst()
                        .state())
                .isEqualTo(Dispatch.State.DELIVERED);
        assertThat(signed("/states", state("another", "delivered")).statusCode())
                .isEqualTo(404);
        assertThat(signed("/states", state(sent.id(), "lost")).statusCode()).isEqualTo(422);
    }

    private static String state(String id, String state) {
        return Json.write(Map.of("id", id, "state", state, "why", ""));
    }

    @ParameterizedTest
    @CsvSource({"read, READ", "failed, FAILED"})
    void whatAGatewaySaysStands(String told, Dispatch.State stands) throws Exception {
        signed("/messages", message("a", "Hello"));
        String id = dispatcher
                .dispatches(channel.id(), Wanted.ALL)
                .items()
                .getFirst()
                .id();
        signed("/states", state(id, told));
        Wanted only = Wanted.of(Map.of("state", stands.key()));
        assertThat(dispatcher.dispatches(channel.id(), only).items())
                .extracting(Dispatch::id)
                .containsExactly(id);
    }

    @Test
    void aFailedMessageIsTriedAgainWhenSomebodySaysSo() throws Exception {
        signed("/messages", message("a", "Hello"));
        String id = dispatcher
                .dispatches(channel.id(), Wanted.ALL)
                .items()
                .getFirst()
                .id();
        signed("/states", state(id, "failed"));
        dispatcher.again(channel.id(), id);
        assertThat(dispatcher
                        .dispatches(channel.id(), Wanted.ALL)
                        .items()
                        .getFirst()
                        .state())
                .isEqualTo(Dispatch.State.WAITING);
        channels.delete(channel.id());
    }
}
