package bench;

import com.shuttle.ServerProcess;
import com.shuttle.core.bench.Figure;
import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Loads a real server process from this one: chat turns in 64 conversations at once, beside a route that inserts one row,
 * in alternating rounds of the same run; then the time from a start to the first answered message.
 */
public final class ServerBench {

    private static final int AT_ONCE = 64;
    private static final String PART = "Server, " + AT_ONCE + " at once, beside bare inserts";
    private static final int WARM_UPS = 6;
    private static final int ROUNDS = 3;
    private static final long ROUND_NANOS = 8_000_000_000L;

    private static final HttpClient HTTP = HttpClient.newHttpClient();

    /** How many requests each caller has made, over all rounds. */
    private static final Map<Caller, int[]> NUMBERS = new ConcurrentHashMap<>();

    /** One caller's next request, given how many it has made. */
    private interface Caller {
        HttpRequest request(int number);
    }

    private ServerBench() {}

    public static void main(String[] args) throws Exception {
        Path data = Files.createTempDirectory("shuttle-bench");
        ServerProcess server =
                ServerProcess.start(data, "bench.BenchServer", Map.of("SHUTTLE_DEMO", "true"), "-XX:+UseSerialGC");
        try {
            List<Caller> talks = new ArrayList<>();
            List<Caller> bare = new ArrayList<>();
            for (int i = 0; i < AT_ONCE; i++) {
                talks.add(talk(server));
                bare.add(number -> HttpRequest.newBuilder(server.uri("/bare"))
                        .POST(BodyPublishers.noBody())
                        .build());
            }
            for (int i = 0; i < WARM_UPS; i++) {
                round(talks);
                round(bare);
            }
            List<long[]> talkTimes = new ArrayList<>();
            List<long[]> bareTimes = new ArrayList<>();
            for (int i = 0; i < ROUNDS; i++) {
                talkTimes.add(round(talks));
                bareTimes.add(round(bare));
            }
            Figure.of(PART, "chat turns", rate(talkTimes), "/s")
                    .beside(rate(bareTimes))
                    .ratioAtLeast(0.5)
                    .tell();
            long[] talk = sorted(talkTimes);
            long[] insert = sorted(bareTimes);
            for (int share : new int[] {50, 95, 99}) {
                Figure.of(PART, "chat turns, " + share + " of 100 within", at(talk, share / 100.0), "ms")
                        .beside(at(insert, share / 100.0))
                        .tell();
            }
            Figure.of(PART, "peak memory of the server", peak(server), "MB").tell();
        } finally {
            server.kill();
        }
        secondStart(data);
    }

    /** Picks the same option over and over: a choice that leads to a message and back to a choice. */
    private static Caller talk(ServerProcess server) throws IOException, InterruptedException {
        JsonNode begun = JsonMapper.shared()
                .readTree(HTTP.send(
                                json(server, "/api/v1/chat/vesper/conversations", "")
                                        .POST(BodyPublishers.ofString("{}"))
                                        .build(),
                                BodyHandlers.ofString())
                        .body());
        String path = "/api/v1/chat/conversations/" + begun.get("conversation").asString() + "/messages";
        String token = begun.get("token").asString();
        return number -> json(server, path, token)
                .POST(BodyPublishers.ofString("{\"clientMessageId\":\"" + number + "\",\"text\":\""
                        + (number % 2 == 0 ? "plan a visit" : "menu") + "\"}"))
                .build();
    }

    static HttpRequest.Builder json(ServerProcess server, String path, String token) {
        return HttpRequest.newBuilder(server.uri(path))
                .header("Content-Type", "application/json")
                .header("Authorization", "Bearer " + token);
    }

    /** All callers at once for a while; the time of each request in nanoseconds. */
    private static long[] round(List<Caller> callers) throws Exception {
        long end = System.nanoTime() + ROUND_NANOS;
        List<Callable<List<Long>>> work = new ArrayList<>();
        for (Caller caller : callers) {
            work.add(() -> {
                List<Long> times = new ArrayList<>();
                int[] number = NUMBERS.computeIfAbsent(caller, c -> new int[1]);
                while (System.nanoTime() < end) {
                    long before = System.nanoTime();
                    int status = HTTP.send(caller.request(number[0]++), BodyHandlers.discarding())
                            .statusCode();
                    if (status != 200) {
                        throw new IllegalStateException("the server answered " + status);
                    }
                    times.add(System.nanoTime() - before);
                }
                return times;
            });
        }
        List<Long> all = new ArrayList<>();
        try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
            for (Future<List<Long>> times : threads.invokeAll(work)) {
                all.addAll(times.get());
            }
        }
        return all.stream().mapToLong(Long::longValue).toArray();
    }

    private static long[] sorted(List<long[]> rounds) {
        return rounds.stream().flatMapToLong(Arrays::stream).sorted().toArray();
    }

    private static double rate(List<long[]> rounds) {
        return sorted(rounds).length / (ROUND_NANOS / 1e9 * rounds.size());
    }

    /** A share of sorted times in nanoseconds, in milliseconds. */
    static double at(long[] sorted, double share) {
        return sorted[(int) Math.min(sorted.length - 1, sorted.length * share)] / 1e6;
    }

    /** In MB; 0 where the system does not tell. */
    private static double peak(ServerProcess server) throws IOException {
        Path status = Path.of("/proc/" + server.pid() + "/status");
        if (!Files.exists(status)) {
            return 0;
        }
        return Files.readAllLines(status).stream()
                        .filter(line -> line.startsWith("VmHWM"))
                        .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")))
                        .sum()
                / 1024.0;
    }

    private static void secondStart(Path data) throws Exception {
        long before = System.nanoTime();
        ServerProcess server =
                ServerProcess.start(data, "bench.BenchServer", Map.of("SHUTTLE_DEMO", "true"), "-XX:+UseSerialGC");
        try {
            Caller talk = talk(server);
            HTTP.send(talk.request(0), BodyHandlers.ofString());
            Figure.of(PART, "from a start to the first answer", (System.nanoTime() - before) / 1e9, "s")
                    .tell();
        } finally {
            server.kill();
        }
    }
}
