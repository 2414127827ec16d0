package com.shuttle.standins;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.BindException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A service outside, played by a small server at the loopback address. Its page at {@code /} shows what arrived and what it
 * keeps, and has a switch for its {@link Mood}. A call that bears an {@code Idempotency-Key} it has seen gets the reply of then.
 * Thread-safe.
 */
public abstract class HttpStandIn implements AutoCloseable {

    protected static final JsonMapper JSON = JsonMapper.shared();
    private static final int MOST_ARRIVALS = 200;
    private static final int SLOW_SECONDS = 3;
    private static final int HUGE_BYTES = 50_000_000;
    private static final String WEB_PAGE = "text/html; charset=utf-8";

    /** A call that came. @param status of the reply; 0 where none was given */
    public record Arrival(LocalTime at, String method, String path, String body, String key, int status) {}

    /** What is asked. @param path without its query @param query decoded */
    protected record Call(
            String method, String path, Map<String, String> query, Map<String, String> headers, String body) {

        /** The text as JSON; missing where it is none. */
        JsonNode json() {
            try {
                return body.isBlank() ? JSON.missingNode() : JSON.readTree(body);
            } catch (RuntimeException e) {
                return JSON.missingNode();
            }
        }

        /** The text as a form. */
        Map<String, String> form() {
            return decoded(body);
        }
    }

    /** A reply in JSON, or a page. */
    protected record Reply(int status, Object body, String type, String etag) {
        Reply(int status, Object body, String type) {
            this(status, body, type, "");
        }

        static Reply json(int status, Object body) {
            return new Reply(status, body, "application/json");
        }

        static Reply page(String html) {
            return new Reply(200, html, WEB_PAGE);
        }

        byte[] bytes() {
            return type.startsWith("text/")
                    ? body.toString().getBytes(StandardCharsets.UTF_8)
                    : JSON.writeValueAsBytes(body);
        }
    }

    private final HttpServer server;
    private final String name;
    private final List<Arrival> arrivals = new ArrayList<>();
    private final Map<String, Reply> given = new LinkedHashMap<>();
    private final CountDownLatch closing = new CountDownLatch(1);
    private volatile Mood mood = Mood.WELL;

    /** Where it keeps what it is told; null for nowhere. */
    private @Nullable Path file;

    /** @param port where that is taken, or 0, any that is free */
    protected HttpStandIn(String name, int port) throws IOException {
        this.name = name;
        this.server = bound(port);
        server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
    }

    /**
     * Keeps what it is told in a folder, and knows again what lies there: so that after a restart no number is given twice. To be
     * called before anybody calls it.
     */
    public synchronized void keepIn(Path folder) throws IOException {
        file = folder.resolve(name.toLowerCase(Locale.ROOT).replaceAll("[^a-z]+", "-") + ".json");
        if (Files.isRegularFile(file)) {
            JsonNode kept = JSON.readTree(Files.readString(file));
            recall(kept.path("memory"));
            kept.path("given")
                    .properties()
                    .forEach(one -> given.put(one.getKey(), JSON.treeToValue(one.getValue(), Reply.class)));
        }
    }

    /** What it keeps from one start to the next, to be written as JSON; null for nothing. */
    protected @Nullable Object memory() {
        return null;
    }

    /** Takes over what it kept. */
    protected void recall(JsonNode memory) {}

    private void keep() {
        Object memory = memory();
        if (file == null || memory == null) {
            return;
        }
        try {
            Files.createDirectories(file.getParent());
            Path fresh = file.resolveSibling(file.getFileName() + ".new");
            Files.writeString(fresh, JSON.writeValueAsString(Map.of("memory", memory, "given", given)));
            Files.move(fresh, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Takes calls from now on. */
    public void start() {
        server.createContext("/", this::serve);
        server.start();
    }

    private static HttpServer bound(int port) throws IOException {
        InetAddress here = InetAddress.getLoopbackAddress();
        try {
            return HttpServer.create(new InetSocketAddress(here, port), 0);
        } catch (BindException taken) {
            return HttpServer.create(new InetSocketAddress(here, 0), 0);
        }
    }

    /** What the service does; called by one thread at a time. */
    protected abstract Reply reply(Call call);

    /** Where its page stands. */
    protected String page() {
        return "/";
    }

    /** Whether a call comes from a page of its own, so that no mood holds for it and it is not listed. */
    protected boolean isAside(Call call) {
        return false;
    }

    /** What it keeps, as rows for its page: the first names the columns. */
    protected abstract List<List<String>> kept();

    public String name() {
        return name;
    }

    public int port() {
        return server.getAddress().getPort();
    }

    public Mood mood() {
        return mood;
    }

    public void mood(Mood other) {
        mood = other;
    }

    /** What came, newest first. */
    public synchronized List<Arrival> arrivals() {
        return List.copyOf(arrivals.reversed());
    }

    private void serve(HttpExchange exchange) throws IOException {
        Call call = call(exchange);
        boolean own = call.path().equals(page()) || call.path().equals("/mood");
        boolean aside = own || isAside(call);
        Mood now = aside ? Mood.WELL : mood;
        if (now == Mood.SLOW) {
            wait(SLOW_SECONDS);
        }
        Reply reply = now == Mood.FAILING
                ? Reply.json(500, Map.of("error", "out of order"))
                : now == Mood.NONSENSE ? Reply.page("<h1>Back soon</h1>") : replied(call, own);
        if (!aside) {
            arrived(call, now == Mood.LOST || now == Mood.HANGING ? 0 : reply.status());
        }
        if (now == Mood.HANGING) {
            wait(Integer.MAX_VALUE);
        }
        try (exchange) {
            if (now != Mood.LOST && now != Mood.HANGING) {
                send(exchange, reply, now == Mood.HUGE);
            }
        }
    }

    private void wait(int seconds) {
        try {
            closing.await(seconds, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private synchronized void arrived(Call call, int status) {
        String key = call.headers().getOrDefault("idempotency-key", "");
        String query = call.query().isEmpty() ? "" : " " + call.query();
        LocalTime at = LocalTime.now().truncatedTo(ChronoUnit.SECONDS);
        arrivals.add(new Arrival(at, call.method(), call.path() + query, call.body(), key, status));
        if (arrivals.size() > MOST_ARRIVALS) {
            arrivals.removeFirst();
        }
    }

    private synchronized Reply replied(Call call, boolean own) {
        if (own) {
            String wanted = call.form().get("mood");
            if (call.method().equals("POST") && wanted != null) {
                for (Mood one : Mood.values()) {
                    mood = one.key().equals(wanted) ? one : mood;
                }
            }
            return Reply.page(StandInPage.of(name, mood, kept(), arrivals.reversed()));
        }
        @Nullable String key = call.headers().get("idempotency-key");
        Reply before = key == null ? null : given.get(key);
        if (before != null) {
            return before;
        }
        Reply reply = reply(call);
        if (key != null && reply.status() < 500) {
            given.put(key, reply);
        }
        if (!call.method().equals("GET")) {
            keep();
        }
        return reply;
    }

    private static void send(HttpExchange exchange, Reply reply, boolean huge) throws IOException {
        byte[] bytes = reply.bytes();
        exchange.getResponseHeaders().add("Content-Type", reply.type());
        if (!reply.etag().isEmpty()) {
            exchange.getResponseHeaders().add("ETag", reply.etag());
        }
        exchange.sendResponseHeaders(reply.status(), huge ? 0 : bytes.length == 0 ? -1 : bytes.length);
        try (OutputStream out = exchange.getResponseBody()) {
            if (huge) {
                byte[] blank = new byte[1_000_000];
                for (int sent = 0; sent < HUGE_BYTES; sent += blank.length) {
                    out.write(blank);
                }
            } else {
                out.write(bytes);
            }
        }
    }

    private static Call call(HttpExchange exchange) throws IOException {
        Map<String, String> headers = new LinkedHashMap<>();
        exchange.getRequestHeaders()
                .forEach((name, values) -> headers.put(name.toLowerCase(Locale.ROOT), values.getFirst()));
        try (InputStream in = exchange.getRequestBody()) {
            return new Call(
                    exchange.getRequestMethod(),
                    exchange.getRequestURI().getPath(),
                    decoded(exchange.getRequestURI().getRawQuery()),
                    headers,
                    new String(in.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    private static Map<String, String> decoded(@Nullable String query) {
        Map<String, String> decoded = new LinkedHashMap<>();
        for (String part : query == null || query.isBlank() ? new String[0] : query.split("&")) {
            int equals = part.indexOf('=');
            String name = equals < 0 ? part : part.substring(0, equals);
            String value = equals < 0 ? "" : part.substring(equals + 1);
            decoded.put(
                    URLDecoder.decode(name, StandardCharsets.UTF_8), URLDecoder.decode(value, StandardCharsets.UTF_8));
        }
        return decoded;
    }

    @Override
    public void close() {
        closing.countDown();
        server.stop(0);
    }
}
