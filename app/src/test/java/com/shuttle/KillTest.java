package com.shuttle;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.standins.CustomerRecords;
import com.shuttle.standins.Mood;
import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A real server process, killed in the midst of running conversations and started again on the same data. */
@Execution(ExecutionMode.CONCURRENT)
class KillTest {

    private static final JsonMapper JSON = JsonMapper.shared();
    private static final int CONVERSATIONS = 20;

    private final HttpClient http = HttpClient.newHttpClient();

    private record Talk(String id, String token, Map<String, Long> acknowledged) {}

    @Test
    void everyAcknowledgedMessageAndEveryTimerSurvive(@TempDir Path data) throws Exception {
        List<Talk> talks;
        Talk waiting;
        Talk calling;
        CustomerRecords records = new CustomerRecords(0);
        records.start();
        Map<String, String> environment =
                Map.of("SHUTTLE_DEMO", "true", "SHUTTLE_STANDINS_RECORDSELSEWHERE", Integer.toString(records.port()));
        ServerProcess first = start(data, environment);
        int before = records.customers().size();
        try {
            records.mood(Mood.HANGING);
            calling = begin(first, "repair-bench");
            for (String text : List.of("Finch 90", "It squeaks", "skip", "Ada Fenwick", "ada@fen.example")) {
                post(first, messages(calling), calling.token(), said(text));
            }
            waiting = begin(first, "step-gallery");
            HttpResponse<String> said =
                    post(first, messages(waiting), waiting.token(), "{\"clientMessageId\":\"m\",\"text\":\"flow\"}");
            assertThat(said.body()).contains("\"kind\":\"time\"");
            talks = IntStream.range(0, CONVERSATIONS)
                    .mapToObj(i -> begin(first, "vesper"))
                    .toList();
            CountDownLatch enough = new CountDownLatch(CONVERSATIONS * 6);
            try (ExecutorService visitors = Executors.newVirtualThreadPerTaskExecutor()) {
                talks.forEach(talk -> visitors.submit(() -> chatter(first, talk, enough)));
                assertThat(enough.await(60, TimeUnit.SECONDS)).isTrue();
                first.kill();
            }
        } finally {
            first.kill();
        }
        records.mood(Mood.WELL);
        ServerProcess second = start(data, environment);
        try {
            for (Talk talk : talks) {
                assertSurvived(second, talk);
            }
            String transcript = streamUntil(second, waiting, "Tours so far: 1.");
            assertThat(transcript.split("\"text\":\"There we are\\.", -1))
                    .as("went off once")
                    .hasSize(2);
            streamUntil(second, calling, "Your reference is **C-" + (1001 + before));
            assertThat(records.customers()).as("made once").hasSize(before + 1);
        } finally {
            second.kill();
            records.close();
        }
    }

    private static String said(String text) {
        return "{\"clientMessageId\":\"" + text.hashCode() + "\",\"text\":\"" + text + "\"}";
    }

    /** With the quick compiler only: these processes live for seconds. */
    private static ServerProcess start(Path data, Map<String, String> environment) throws IOException {
        return ServerProcess.start(
                data, "com.shuttle.Shuttle", environment, "-XX:+UseSerialGC", "-XX:TieredStopAtLevel=1");
    }

    /** Follows a conversation as it goes on until it says this; what the stream said. */
    private String streamUntil(ServerProcess server, Talk talk, String words) throws Exception {
        HttpRequest stream = HttpRequest.newBuilder(server.uri("/api/v1/chat/conversations/" + talk.id() + "/stream"))
                .header("Authorization", "Bearer " + talk.token())
                .timeout(Duration.ofSeconds(60))
                .build();
        StringBuilder heard = new StringBuilder();
        try (Stream<String> lines = http.send(stream, BodyHandlers.ofLines()).body()) {
            for (Iterator<String> line = lines.iterator(); heard.indexOf(words) < 0 && line.hasNext(); ) {
                heard.append(line.next()).append('\n');
            }
        }
        assertThat(heard).contains(words);
        return heard.toString();
    }

    private static String messages(Talk talk) {
        return "/api/v1/chat/conversations/" + talk.id() + "/messages";
    }

    @Test
    void whatHindersAStartIsOneSentence(@TempDir Path data) throws Exception {
        ServerProcess running = start(data.resolve("a"), Map.of());
        try {
            assertThat(ServerProcess.fail(data.resolve("b"), Map.of("SHUTTLE_PORT", Integer.toString(running.port()))))
                    .isEqualTo("shuttle: Port " + running.port()
                            + " is taken by another program; choose another with --port.");
            assertThat(ServerProcess.fail(data.resolve("a"), Map.of()))
                    .startsWith("shuttle: The data in ")
                    .contains("is in use by another running Shuttle");
            Path file = Files.writeString(data.resolve("file"), "x");
            assertThat(ServerProcess.fail(file, Map.of())).contains("cannot be written to");
            assertThat(ServerProcess.fail(data.resolve("b"), Map.of("SHUTTLE_PORT", "eighty")))
                    .contains("is no port");
        } finally {
            running.kill();
        }
    }

    private Talk begin(ServerProcess server, String bot) {
        try {
            JsonNode begun = JSON.readTree(post(server, "/api/v1/chat/" + bot + "/conversations", null, "{}")
                    .body());
            return new Talk(
                    begun.get("conversation").asString(), begun.get("token").asString(), new ConcurrentHashMap<>());
        } catch (IOException | InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    /** Talks until the server is gone, noting what was acknowledged. */
    private void chatter(ServerProcess server, Talk talk, CountDownLatch enough) {
        for (int i = 0; ; i++) {
            String text = List.of("plan a visit", "is there parking?", "menu").get(i % 3) + " ".repeat(i % 2);
            try {
                HttpResponse<String> response = post(
                        server,
                        messages(talk),
                        talk.token(),
                        "{\"clientMessageId\":\"m" + i + "\",\"text\":\"" + text + "\"}");
                if (response.statusCode() == 200) {
                    talk.acknowledged()
                            .put(
                                    "m" + i,
                                    JSON.readTree(response.body()).get("seq").asLong());
                    enough.countDown();
                }
            } catch (IOException | InterruptedException gone) {
                return;
            }
        }
    }

    private void assertSurvived(ServerProcess server, Talk talk) throws Exception {
        String path = messages(talk);
        HttpRequest get = HttpRequest.newBuilder(server.uri(path))
                .header("Authorization", "Bearer " + talk.token())
                .build();
        JsonNode transcript =
                JSON.readTree(http.send(get, BodyHandlers.ofString()).body());
        long seq = transcript.get("seq").asLong();
        assertThat(transcript.get("messages").size())
                .as("no message is missing")
                .isEqualTo((int) seq);
        for (Map.Entry<String, Long> acknowledged : talk.acknowledged().entrySet()) {
            assertThat(acknowledged.getValue()).isLessThanOrEqualTo(seq);
            JsonNode again = JSON.readTree(post(
                            server,
                            path,
                            talk.token(),
                            "{\"clientMessageId\":\"" + acknowledged.getKey() + "\",\"text\":\"x\"}")
                    .body());
            assertThat(again.get("seq").asLong()).as("taken once").isEqualTo(acknowledged.getValue());
        }
        HttpResponse<String> on =
                post(server, path, talk.token(), "{\"clientMessageId\":\"on\",\"text\":\"is there parking?\"}");
        assertThat(on.statusCode()).isEqualTo(200);
        assertThat(JSON.readTree(on.body()).get("messages").get(0).get("text").asString())
                .contains("parking is free");
    }

    private HttpResponse<String> post(ServerProcess server, String path, String token, String body)
            throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(server.uri(path))
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.ofString(body));
        if (token != null) {
            request.header("Authorization", "Bearer " + token);
        }
        return http.send(request.build(), BodyHandlers.ofString());
    }
}
