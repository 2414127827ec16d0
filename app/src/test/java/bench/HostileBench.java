package bench;

import com.shuttle.ServerProcess;
import com.shuttle.core.bench.Figure;
import java.io.IOException;
import java.net.InetAddress;
import java.net.http.HttpClient;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Whether one caller can make others wait. Honest visitors, each from an address of their own, write now and then; in every other
 * round somebody sends from one address as many of the costliest messages as the server takes, as fast as it answers. The
 * server keeps its usual limits.
 */
public final class HostileBench {

    private static final int HONEST = 16;
    private static final int HOSTILE = 8;
    private static final int ROUNDS = 3;
    private static final String PART = "Honest visitors, with hostile ones beside without";
    private static final long ROUND_NANOS = 20_000_000_000L;

    /** Between two messages of an honest visitor: just within what a conversation may. */
    private static final long PAUSE_MILLIS = 1_100;

    private static final List<String> COSTLY = List.of(
            "1 ".repeat(600),
            "between 1 and ".repeat(120),
            "a" + " ".repeat(3900) + "b",
            "a.".repeat(1900),
            "no not except neither nor ".repeat(150),
            "the day after the week before ".repeat(130),
            "+44 20 7946 0000 ".repeat(200),
            "\ufdfa".repeat(200));

    private HostileBench() {}

    /** A conversation at an address. */
    private static final class Talk {
        private final HttpClient http;
        private final ServerProcess server;
        private final String path;
        private final String token;
        private final AtomicInteger number = new AtomicInteger();

        Talk(ServerProcess server, String address) throws IOException, InterruptedException {
            this.server = server;
            http = HttpClient.newBuilder()
                    .localAddress(InetAddress.ofLiteral(address))
                    .build();
            JsonNode begun = JsonMapper.shared()
                    .readTree(
                            post("/api/v1/chat/vesper/conversations", "", "{}").body());
            path = "/api/v1/chat/conversations/" + begun.get("conversation").asString() + "/messages";
            token = begun.get("token").asString();
        }

        private HttpResponse<String> post(String to, String bearer, String body)
                throws IOException, InterruptedException {
            return http.send(
                    ServerBench.json(server, to, bearer)
                            .POST(BodyPublishers.ofString(body))
                            .build(),
                    BodyHandlers.ofString());
        }

        int say(String text) throws IOException, InterruptedException {
            String body = JsonMapper.shared()
                    .writeValueAsString(Map.of("clientMessageId", "" + number.getAndIncrement(), "text", text));
            return post(path, token, body).statusCode();
        }
    }

    public static void main(String[] args) throws Exception {
        Path data = Files.createTempDirectory("shuttle-bench");
        ServerProcess server = ServerProcess.start(
                data,
                "bench.BenchServer",
                Map.of(
                        "SHUTTLE_DEMO", "true",
                        "SHUTTLE_LIMITS_CONVERSATIONSPERMINUTE", "60",
                        "SHUTTLE_LIMITS_MESSAGESPERMINUTE", "60",
                        "SHUTTLE_LIMITS_ADDRESSPERMINUTE", "900"),
                "-XX:+UseSerialGC");
        try {
            List<Talk> honest = new ArrayList<>();
            for (int i = 0; i < HONEST; i++) {
                honest.add(new Talk(server, "127.0.1." + (i + 1)));
            }
            round(honest, attack(server, new AtomicInteger(), new AtomicInteger()));
            List<Long> alone = new ArrayList<>();
            List<Long> beside = new ArrayList<>();
            AtomicInteger taken = new AtomicInteger();
            AtomicInteger refused = new AtomicInteger();
            for (int i = 0; i < ROUNDS; i++) {
                alone.addAll(round(honest, List.of()));
                beside.addAll(round(honest, attack(server, taken, refused)));
            }
            Figure.of(PART, "an answer, 99 of 100 within", at(beside, 0.99), "ms")
                    .beside(at(alone, 0.99))
                    .ratioAtMost(2)
                    .tell();
            Figure.of(PART, "an answer, half within", at(beside, 0.5), "ms")
                    .beside(at(alone, 0.5))
                    .tell();
            Figure.of(PART, "hostile messages taken", taken.get(), "").tell();
            Figure.of(PART, "hostile messages refused", refused.get(), "").tell();
        } finally {
            server.kill();
        }
    }

    /** Callers at one address, each with a conversation of its own. */
    private static List<Callable<Integer>> attack(ServerProcess server, AtomicInteger taken, AtomicInteger refused)
            throws IOException, InterruptedException {
        List<Callable<Integer>> attack = new ArrayList<>();
        for (int h = 0; h < HOSTILE; h++) {
            Talk talk = new Talk(server, "127.0.2.1");
            attack.add(() -> {
                int status = talk.say(COSTLY.get(talk.number.get() % COSTLY.size()));
                (status == 200 ? taken : refused).incrementAndGet();
                return status;
            });
        }
        return attack;
    }

    /** The times of the honest messages in nanoseconds. @param attack what is done over and over meanwhile */
    private static List<Long> round(List<Talk> honest, List<Callable<Integer>> attack) throws Exception {
        long end = System.nanoTime() + ROUND_NANOS;
        List<Long> all = new ArrayList<>();
        try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
            for (Callable<Integer> one : attack) {
                threads.submit(() -> {
                    while (System.nanoTime() < end) {
                        one.call();
                    }
                    return null;
                });
            }
            List<Callable<List<Long>>> work = honest.stream()
                    .<Callable<List<Long>>>map(talk -> () -> told(talk, end))
                    .toList();
            for (Future<List<Long>> times : threads.invokeAll(work)) {
                all.addAll(times.get());
            }
        }
        return all;
    }

    private static List<Long> told(Talk talk, long end) throws IOException, InterruptedException {
        List<Long> times = new ArrayList<>();
        Thread.sleep(Math.floorMod(System.identityHashCode(talk), PAUSE_MILLIS));
        while (System.nanoTime() < end) {
            long before = System.nanoTime();
            int status = talk.say(talk.number.get() % 2 == 0 ? "plan a visit" : "menu");
            if (status != 200) {
                throw new IllegalStateException("an honest visitor was answered " + status);
            }
            times.add(System.nanoTime() - before);
            Thread.sleep(PAUSE_MILLIS);
        }
        return times;
    }

    private static double at(List<Long> times, double share) {
        return ServerBench.at(times.stream().mapToLong(Long::longValue).sorted().toArray(), share);
    }
}
