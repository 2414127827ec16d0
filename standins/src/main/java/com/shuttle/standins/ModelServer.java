package com.shuttle.standins;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Executors;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A stand-in for a language model: speaks the chat-completions form at {@code /v1/chat/completions} of the loopback
 * address. It chooses the candidate that shares most words with the question, and begins an answer with a courtesy. The
 * model's name sets its temper: {@code inventor} adds what is not true, {@code sleeper} never replies, {@code
 * mumbler} replies with no JSON. Thread-safe.
 */
public final class ModelServer implements AutoCloseable {

    private static final JsonMapper JSON = JsonMapper.shared();
    private static final int TELLING = 4;

    private final HttpServer server;

    private ModelServer(HttpServer server) {
        this.server = server;
    }

    /**
     * Starts it.
     *
     * @param port 0 for any that is free
     */
    public static ModelServer start(int port) throws IOException {
        HttpServer http = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        http.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
        http.createContext("/v1/chat/completions", ModelServer::reply);
        http.start();
        return new ModelServer(http);
    }

    public int port() {
        return server.getAddress().getPort();
    }

    private static void reply(HttpExchange exchange) throws IOException {
        JsonNode request = JSON.readTree(exchange.getRequestBody().readAllBytes());
        String model = request.path("model").asString("");
        if (model.equals("sleeper")) {
            // Left open without a word, until whoever asked gives up.
            return;
        }
        try (exchange) {
            String task = request.at("/messages/0/content").asString("");
            String text = request.at("/messages/1/content").asString("");
            String said = task.contains("candidate") ? choice(text) : wording(text, model);
            Object reply = Map.of("choices", List.of(Map.of("message", Map.of("role", "assistant", "content", said))));
            byte[] body =
                    model.equals("mumbler") ? "mumble".getBytes(StandardCharsets.UTF_8) : JSON.writeValueAsBytes(reply);
            exchange.getResponseHeaders().add("Content-Type", "application/json");
            exchange.sendResponseHeaders(200, body.length);
            exchange.getResponseBody().write(body);
        }
    }

    private static String choice(String text) {
        List<String> lines = text.lines().toList();
        Set<String> question = words(lines.getFirst());
        int best = 0;
        int most = 0;
        for (String line : lines) {
            if (line.matches("\\d+\\. .*")) {
                Set<String> shared = words(line);
                shared.retainAll(question);
                if (shared.size() > most) {
                    most = shared.size();
                    best = Integer.parseInt(line.substring(0, line.indexOf('.')));
                }
            }
        }
        return Integer.toString(best);
    }

    private static String wording(String text, String model) {
        int at = text.indexOf("Answer: ");
        String answer = at < 0 ? text : text.substring(at + "Answer: ".length());
        return "Here you are: " + answer + (model.equals("inventor") ? " Ask for Wilmot in room 4711." : "");
    }

    private static Set<String> words(String text) {
        Set<String> words =
                new HashSet<>(Arrays.asList(text.toLowerCase(Locale.ROOT).split("[^\\p{L}]+")));
        words.removeIf(word -> word.length() < TELLING || word.equals("question"));
        return words;
    }

    @Override
    public void close() {
        server.stop(0);
    }
}
