package com.shuttle.services;

import com.shuttle.web.Outgoing;
import com.shuttle.web.Outgoing.Received;
import com.shuttle.web.Outgoing.Sending;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Base64;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Tokens by OAuth 2.0 client credentials (RFC 6749, section 4.4), kept until shortly before they run out. One thread asks for a
 * connection's token, others wait for it. A token belongs to the connection as it was when it was asked for, so that none ever
 * goes to another address. Thread-safe.
 */
@Component
class Tokens {

    /** That getting one may take. */
    static final int SECONDS = 10;

    private static final long EARLY_SECONDS = 30;
    private static final long USUAL_SECONDS = 300;

    private record Token(Connection of, String text, Instant until) {}

    private final Outgoing outgoing;
    private final InstantSource clock;
    private final Map<String, Token> tokens = new ConcurrentHashMap<>();
    private final Map<String, ReentrantLock> asking = new ConcurrentHashMap<>();

    Tokens(Outgoing outgoing, InstantSource clock) {
        this.outgoing = outgoing;
        this.clock = clock;
    }

    /** Gets a new one next time, where this is still the one that is kept. */
    void refused(Connection connection, String token) {
        tokens.computeIfPresent(connection.id(), (id, kept) -> kept.text().equals(token) ? null : kept);
    }

    /**
     * @param secret in the clear
     * @param millis that may be waited at the most
     * @throws IOException if no token is given
     */
    String token(Connection connection, String secret, long millis) throws IOException {
        ReentrantLock lock = asking.computeIfAbsent(connection.id(), id -> new ReentrantLock());
        long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(Math.min(millis, SECONDS * 1000L));
        await(lock, until);
        try {
            Token kept = tokens.get(connection.id());
            if (kept == null
                    || !kept.of().equals(connection)
                    || !clock.instant().isBefore(kept.until())) {
                kept = asked(connection, secret, Math.max(1, (int)
                        TimeUnit.NANOSECONDS.toMillis(until - System.nanoTime())));
                tokens.put(connection.id(), kept);
            }
            return kept.text();
        } finally {
            lock.unlock();
        }
    }

    private static void await(ReentrantLock lock, long until) throws Outgoing.Unsent {
        try {
            if (!lock.tryLock(until - System.nanoTime(), TimeUnit.NANOSECONDS)) {
                throw new Outgoing.Unsent("No token came in time.");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Outgoing.Unsent("No token came in time.");
        }
    }

    private Token asked(Connection connection, String secret, int millis) throws IOException {
        String scope = connection.scope().isBlank() ? "" : "&scope=" + encoded(connection.scope());
        String who = Base64.getEncoder()
                .encodeToString((encoded(connection.who()) + ":" + encoded(secret)).getBytes(StandardCharsets.UTF_8));
        Received received = outgoing.exchange(new Sending(
                "POST",
                URI.create(connection.tokens()),
                Map.of("Authorization", "Basic " + who, "Accept", "application/json"),
                "application/x-www-form-urlencoded",
                "grant_type=client_credentials" + scope,
                millis));
        try {
            JsonNode reply = JsonMapper.shared().readTree(received.body());
            String token = reply.path("access_token").asString("");
            if (received.status() == 200 && !token.isEmpty()) {
                long seconds = reply.path("expires_in").asLong(USUAL_SECONDS);
                return new Token(connection, token, clock.instant().plusSeconds(Math.max(1, seconds - EARLY_SECONDS)));
            }
        } catch (JacksonException e) {
            throw new NoToken(received.status(), e);
        }
        throw new NoToken(received.status(), null);
    }

    /** A token was refused; nothing of the call itself was sent. */
    static final class NoToken extends IOException {
        private static final long serialVersionUID = 1;

        NoToken(int status, @org.jspecify.annotations.Nullable Throwable cause) {
            super("No token was given; the reply had the status " + status + ".", cause);
        }
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
