package bench;

import com.shuttle.ServerProcess;
import com.shuttle.core.bench.Figure;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A thousand open panels: each holds a stream. Sixteen visitors at a time write, as fast as they are answered, which shows how many
 * messages a second there are; then at a rate of a fifth of a message a panel and second, which is much for people, and the time is
 * taken from when each was due until what was written comes by its stream. Beside a bare route that inserts one row and tells one
 * stream, in alternating rounds of the same run.
 */
public final class StreamBench {

    private static final int PANELS = 1000;
    private static final int ADDRESSES = 10;
    private static final int WRITERS = 16;
    private static final String PART =
            "%,d open panels, %d visitors writing, beside bare streams".formatted(PANELS, WRITERS);
    private static final int ROUNDS = 3;
    private static final int PER_SECOND = 200;
    private static final long ROUND_NANOS = 6_000_000_000L;

    private final ServerProcess server;
    private final List<HttpClient> clients = new ArrayList<>();

    private StreamBench(ServerProcess server) throws IOException {
        this.server = server;
        // No address may hold all streams.
        for (int i = 0; i < ADDRESSES; i++) {
            clients.add(HttpClient.newBuilder()
                    .localAddress(InetAddress.getByName("127.0.0." + (i + 1)))
                    .build());
        }
    }

    /** A stream that is read, and what makes it speak. */
    private static final class Open {
        private final SynchronousQueue<Long> came = new SynchronousQueue<>();
        private final HttpClient client;
        private final HttpRequest.Builder write;
        private final AtomicInteger number = new AtomicInteger();
        private final boolean chat;

        Open(HttpClient client, HttpRequest.Builder write, boolean chat) {
            this.client = client;
            this.write = write;
            this.chat = chat;
        }

        void read(InputStream stream, CountDownLatch opened) {
            Thread.startVirtualThread(() -> {
                opened.countDown();
                try (BufferedReader lines = new BufferedReader(new InputStreamReader(stream, StandardCharsets.UTF_8))) {
                    for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                        // Only the first of a turn is waited for.
                        if (line.startsWith("data:")) {
                            came.offer(System.nanoTime());
                        }
                    }
                } catch (IOException over) {
                    return;
                }
            });
        }

        /** @param due when it ought to be sent @return nanoseconds from then to hearing; -1 where it was not heard */
        long exchange(long due) throws IOException, InterruptedException {
            int n = number.getAndIncrement();
            String body = chat
                    ? "{\"clientMessageId\":\"" + n + "\",\"text\":\"" + (n % 2 == 0 ? "plan a visit" : "menu") + "\"}"
                    : "";
            var reply = client.sendAsync(
                    write.copy().POST(BodyPublishers.ofString(body)).build(), BodyHandlers.discarding());
            Long heard = came.poll(10, TimeUnit.SECONDS);
            reply.join();
            return heard == null ? -1 : heard - due;
        }
    }

    public static void main(String[] args) throws Exception {
        Path data = Files.createTempDirectory("shuttle-streams");
        ServerProcess server =
                ServerProcess.start(data, "bench.BenchServer", Map.of("SHUTTLE_DEMO", "true"), "-XX:+UseSerialGC");
        try {
            new StreamBench(server).run();
        } finally {
            server.kill();
        }
    }

    private void run() throws Exception {
        List<Open> bare = new ArrayList<>();
        List<Open> chats = new ArrayList<>();
        for (int i = 0; i < WRITERS; i++) {
            bare.add(bare(clients.get(i % ADDRESSES), i));
        }
        chats.add(chat(clients.getFirst()));
        round(chats, 0);
        long before = resident();
        for (int i = 1; i < PANELS; i++) {
            chats.add(chat(clients.get(i % ADDRESSES)));
        }
        long after = resident();
        round(bare, 0);
        round(chats, 0);
        Figure.of(PART, "memory of the server a panel", (after - before) / (double) PANELS, "kB")
                .tell();
        compare("as fast as they are answered", chats, bare, 0).forEach(Figure::tell);
        compare(PER_SECOND + " a second", chats, bare, PER_SECOND)
                .forEach(figure -> figure.ratioAtMost(2).tell());
    }

    /** Half and 99 of 100 of the messages, heard by panels beside bare streams. */
    private static List<Figure> compare(String pace, List<Open> chats, List<Open> bare, int perSecond)
            throws InterruptedException {
        List<Long> chatTimes = new ArrayList<>();
        List<Long> bareTimes = new ArrayList<>();
        for (int i = 0; i < ROUNDS; i++) {
            chatTimes.addAll(round(chats, perSecond));
            bareTimes.addAll(round(bare, perSecond));
        }
        long[] chat = heard(chatTimes);
        long[] beside = heard(bareTimes);
        Figure.of(PART, pace + ": heard", chat.length / (ROUND_NANOS / 1e9 * ROUNDS), "/s")
                .tell();
        Figure.of(PART, pace + ": not heard", chatTimes.size() - chat.length, "")
                .tell();
        return List.of(
                Figure.of(PART, pace + ": half within", ServerBench.at(chat, 0.5), "ms")
                        .beside(ServerBench.at(beside, 0.5)),
                Figure.of(PART, pace + ": 99 of 100 within", ServerBench.at(chat, 0.99), "ms")
                        .beside(ServerBench.at(beside, 0.99)));
    }

    private Open chat(HttpClient client) throws IOException, InterruptedException {
        JsonNode begun = JsonMapper.shared()
                .readTree(client.send(
                                ServerBench.json(server, "/api/v1/chat/vesper/conversations", "")
                                        .POST(BodyPublishers.ofString("{}"))
                                        .build(),
                                BodyHandlers.ofString())
                        .body());
        String path = "/api/v1/chat/conversations/" + begun.get("conversation").asString();
        String token = begun.get("token").asString();
        Open open = new Open(client, ServerBench.json(server, path + "/messages", token), true);
        listen(client, open, ServerBench.json(server, path + "/stream", token).header("Last-Event-ID", "0"));
        return open;
    }

    private Open bare(HttpClient client, int number) throws IOException, InterruptedException {
        Open open = new Open(client, HttpRequest.newBuilder(server.uri("/bare/streams/" + number)), false);
        listen(client, open, HttpRequest.newBuilder(server.uri("/bare/streams/" + number)));
        return open;
    }

    private static void listen(HttpClient client, Open open, HttpRequest.Builder request)
            throws IOException, InterruptedException {
        var response = client.send(request.GET().build(), BodyHandlers.ofInputStream());
        if (response.statusCode() != 200) {
            throw new IllegalStateException("a stream answered " + response.statusCode());
        }
        CountDownLatch opened = new CountDownLatch(1);
        open.read(response.body(), opened);
        opened.await();
    }

    /** Each writer goes through its share of the streams, over and over. @param perSecond of all writers; 0 for as fast as they can */
    private static List<Long> round(List<Open> all, int perSecond) throws InterruptedException {
        long begin = System.nanoTime();
        long end = begin + ROUND_NANOS;
        long pause = perSecond == 0 ? 0 : WRITERS * 1_000_000_000L / perSecond;
        List<Long> times = new ArrayList<>();
        List<Thread> writers = new ArrayList<>();
        for (int w = 0; w < Math.min(WRITERS, all.size()); w++) {
            int first = w;
            writers.add(Thread.startVirtualThread(() -> {
                List<Long> own = new ArrayList<>();
                long due = begin + first * pause / WRITERS;
                for (int i = first; System.nanoTime() < end; i = i + WRITERS < all.size() ? i + WRITERS : first) {
                    due = pause == 0 ? System.nanoTime() : due + pause;
                    LockSupport.parkNanos(due - System.nanoTime());
                    try {
                        own.add(all.get(i).exchange(due));
                    } catch (IOException | InterruptedException e) {
                        throw new IllegalStateException(e);
                    }
                }
                synchronized (times) {
                    times.addAll(own);
                }
            }));
        }
        for (Thread writer : writers) {
            writer.join();
        }
        return times;
    }

    /** Those that were heard, sorted, in nanoseconds. */
    private static long[] heard(List<Long> times) {
        return times.stream()
                .mapToLong(Long::longValue)
                .filter(time -> time >= 0)
                .sorted()
                .toArray();
    }

    /** Memory that the server holds, in kB. */
    private long resident() throws IOException {
        return Files.readAllLines(Path.of("/proc/" + server.pid() + "/status")).stream()
                .filter(line -> line.startsWith("VmRSS"))
                .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")))
                .sum();
    }
}
