package com.shuttle.model;

import com.shuttle.web.Json;
import com.shuttle.web.Outgoing;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Asks a server that speaks the common chat-completions form. One that is slow or fails is left alone for a while, so that
 * visitors do not wait for it again and again. Thread-safe.
 */
@Component
class Completions {

    private static final Logger LOG = LoggerFactory.getLogger(Completions.class);

    /** How long a server that failed is left alone. */
    private static final int REST_SECONDS = 30;

    private final Outgoing outgoing;
    private final InstantSource clock;
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private volatile Instant restsUntil = Instant.MIN;

    Completions(Outgoing outgoing, InstantSource clock) {
        this.outgoing = outgoing;
        this.clock = clock;
    }

    record Message(String role, String content) {}

    record Request(String model, List<Message> messages, double temperature) {}

    record Choice(Message message) {}

    record Reply(List<Choice> choices) {}

    /** Whether the server is asked at all now. */
    boolean awake() {
        return !clock.instant().isBefore(restsUntil);
    }

    /** The model's reply; empty where it did not give one in time. */
    Optional<String> ask(ModelSettings settings, String task, String text) {
        if (!awake()) {
            return Optional.empty();
        }
        String body = Json.write(
                new Request(settings.name(), List.of(new Message("system", task), new Message("user", text)), 0));
        Future<byte[]> reply =
                threads.submit(() -> outgoing.post(settings.address(), body, settings.key(), settings.millis()));
        try {
            List<Choice> choices = Json.read(
                            new String(reply.get(settings.millis(), TimeUnit.MILLISECONDS), StandardCharsets.UTF_8),
                            Reply.class)
                    .choices();
            return choices == null || choices.isEmpty() || choices.getFirst().message() == null
                    ? Optional.empty()
                    : Optional.ofNullable(choices.getFirst().message().content())
                            .map(String::strip);
        } catch (ExecutionException | TimeoutException | RuntimeException e) {
            LOG.warn("The language model failed and is left alone for {} s: {}", REST_SECONDS, e.toString());
            restsUntil = clock.instant().plusSeconds(REST_SECONDS);
            return Optional.empty();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        } finally {
            reply.cancel(true);
        }
    }

    /** Tries a server again at once, because its settings have changed. */
    void wake() {
        restsUntil = Instant.MIN;
    }
}
