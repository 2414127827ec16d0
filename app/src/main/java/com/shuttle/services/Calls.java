package com.shuttle.services;

import com.shuttle.chat.ErrandRunner;
import com.shuttle.core.conversation.Errand;
import com.shuttle.core.reading.Value;
import com.shuttle.core.service.CallResult;
import com.shuttle.core.service.Prepared;
import com.shuttle.core.service.Replies;
import com.shuttle.core.service.Requests;
import com.shuttle.core.service.Service;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import com.shuttle.web.Outgoing;
import com.shuttle.web.Outgoing.Received;
import com.shuttle.web.Outgoing.Sending;
import com.shuttle.web.Vault;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Calls services, for conversations and for who tries one out. Thread-safe. */
@Component
public class Calls implements ErrandRunner<Errand.Call> {

    private static final Logger LOG = LoggerFactory.getLogger(Calls.class);
    private static final String MASK = "•••••";
    private static final int UNAUTHORISED = 401;
    private static final int LEAST_LEASE = 5;
    private static final Pattern TRANSIENT = Pattern.compile("408|429|5\\d\\d");

    private final Catalogue catalogue;
    private final History history;
    private final Outgoing outgoing;
    private final Tokens tokens;
    private final Vault vault;
    private final InstantSource clock;

    Calls(Catalogue catalogue, History history, Outgoing outgoing, Tokens tokens, Vault vault, InstantSource clock) {
        this.catalogue = catalogue;
        this.history = history;
        this.outgoing = outgoing;
        this.tokens = tokens;
        this.vault = vault;
        this.clock = clock;
    }

    /**
     * A call with what was sent and what came back, secrets masked.
     *
     * @param request empty where there was none
     * @param status  0 where no reply came
     */
    public record Made(String request, int status, String reply, CallResult result, boolean again, int millis) {}

    @Override
    public Class<Errand.Call> type() {
        return Errand.Call.class;
    }

    /** What a call may take, for its token and once more with a new one, and some time for the rest. */
    @Override
    public Duration lease(Errand.Call call) {
        int seconds = catalogue
                .callable(call.service())
                .map(service -> service.draft().care().seconds())
                .orElse(0);
        return Duration.ofSeconds(LEAST_LEASE + 2L * seconds);
    }

    @Override
    public JsonNode run(String conversation, Errand.Call call, int attempt) throws Again {
        Optional<StoredService> service = catalogue.callable(call.service());
        if (service.isEmpty()) {
            return json(CallResult.failed("The service is gone, or was never published."));
        }
        Service live = service.get().published();
        if (live == null) {
            return json(CallResult.failed("The service was never published."));
        }
        if (attempt > 1 && !live.mayRepeat()) {
            return noted(service.get(), conversation, failed("It is not known whether the call arrived."));
        }
        Made made = make(live, service.get().connection(), call.inputs(), conversation + "-" + call.key());
        if (made.again() && live.mayRepeat() && attempt < live.care().tries()) {
            LOG.info("Service {} will be called again for conversation {}", call.service(), conversation);
            throw new Again("service " + call.service() + " failed");
        }
        return noted(service.get(), conversation, made);
    }

    private JsonNode noted(StoredService service, String conversation, Made made) {
        String result = made.result().result();
        String name = service.draft().results().stream()
                .filter(one -> one.key().equals(result))
                .map(Service.Result::name)
                .findFirst()
                .orElse(result);
        history.note(
                service.id(),
                new History.PastCall(
                        conversation,
                        clock.instant(),
                        made.millis(),
                        made.status(),
                        name,
                        made.result().why()));
        return json(made.result());
    }

    private static JsonNode json(CallResult result) {
        return JsonMapper.shared().valueToTree(result);
    }

    private static Made failed(String why) {
        return new Made("", 0, "", CallResult.failed(why), false, 0);
    }

    /**
     * Calls a service as it is described.
     *
     * @param key told with calls that may be repeated, so that a repetition is known
     */
    Made make(Service service, String connectionId, Map<String, Value> inputs, String key) {
        Map<String, String> written = new LinkedHashMap<>();
        for (Service.Input input : service.inputs()) {
            Value value = inputs.get(input.key());
            Optional<String> text =
                    value == null ? Optional.of("") : input.kind().written(value);
            if (text.isEmpty()) {
                return failed("What is given for %s is no %s."
                        .formatted(input.key(), input.kind().label()));
            }
            written.put(input.key(), text.get());
        }
        return switch (Requests.make(service, written)) {
            case Requests.Made.Refused(String why) -> failed(why);
            case Requests.Made.Ready(Prepared request) ->
                send(service, catalogue.connection(connectionId), request, key);
        };
    }

    private Made send(Service service, Connection connection, Prepared request, String key) {
        String secret = connection.hasSecret() ? vault.open(connection.secret()) : "";
        Instant begun = clock.instant();
        String shown = shown(connection, request);
        try {
            Received received = sent(service, connection, secret, request, key);
            boolean again =
                    TRANSIENT.matcher(Integer.toString(received.status())).matches();
            String reply = secret.isEmpty() ? received.body() : received.body().replace(secret, MASK);
            CallResult result = Replies.read(service, received.status(), received.body());
            return new Made(shown, received.status(), reply, result, again && result.hasFailed(), since(begun));
        } catch (Outgoing.Unsent | Tokens.NoToken e) {
            return new Made(shown, 0, "", CallResult.failed(String.valueOf(e.getMessage())), true, since(begun));
        } catch (IOException e) {
            String why = e.getMessage() != null && e.getMessage().startsWith("The reply is larger")
                    ? e.getMessage()
                    : "No whole reply came in time.";
            return new Made(shown, 0, "", CallResult.failed(why), true, since(begun));
        }
    }

    private int since(Instant begun) {
        return (int) Duration.between(begun, clock.instant()).toMillis();
    }

    /** Sends a request; once more with a new token where the kept one is no longer taken. */
    private Received sent(Service service, Connection connection, String secret, Prepared request, String key)
            throws IOException {
        Map<String, String> headers = new LinkedHashMap<>();
        headers.put("Accept", "application/json");
        request.headers().forEach(header -> headers.put(header.name(), header.value()));
        if (service.care().repeatable()) {
            headers.put("Idempotency-Key", key);
        }
        String address = connection.address() + request.path();
        String token = "";
        switch (connection.kind()) {
            case NONE -> {}
            case HEADER -> headers.put(connection.who(), secret);
            case QUERY ->
                address += (request.path().indexOf('?') < 0 ? "?" : "&") + connection.who() + "="
                        + URLEncoder.encode(secret, StandardCharsets.UTF_8);
            case BASIC ->
                headers.put(
                        "Authorization",
                        "Basic "
                                + Base64.getEncoder()
                                        .encodeToString(
                                                (connection.who() + ":" + secret).getBytes(StandardCharsets.UTF_8)));
            case OAUTH -> {
                token = tokens.token(connection, secret);
                headers.put("Authorization", "Bearer " + token);
            }
        }
        int millis = service.care().seconds() * 1000;
        URI uri = URI.create(address);
        Received received = outgoing.exchange(
                new Sending(request.method(), uri, headers, request.contentType(), request.body(), millis));
        if (received.status() == UNAUTHORISED && !token.isEmpty()) {
            tokens.refused(connection.id(), token);
            headers.put("Authorization", "Bearer " + tokens.token(connection, secret));
            return outgoing.exchange(
                    new Sending(request.method(), uri, headers, request.contentType(), request.body(), millis));
        }
        return received;
    }

    /** A request as it is shown: with a mask for what gets one in. */
    private static String shown(Connection connection, Prepared request) {
        StringBuilder shown = new StringBuilder(request.method())
                .append(' ')
                .append(connection.address())
                .append(request.path());
        if (connection.kind() == Connection.Kind.QUERY) {
            shown.append(request.path().indexOf('?') < 0 ? '?' : '&')
                    .append(connection.who())
                    .append('=')
                    .append(MASK);
        }
        request.headers()
                .forEach(header ->
                        shown.append('\n').append(header.name()).append(": ").append(header.value()));
        switch (connection.kind()) {
            case NONE, QUERY -> {}
            case HEADER ->
                shown.append('\n').append(connection.who()).append(": ").append(MASK);
            case BASIC, OAUTH -> shown.append("\nAuthorization: ").append(MASK);
        }
        return request.body().isEmpty() ? shown.toString() : shown + "\n\n" + request.body();
    }

    /** A call that is really made, for a rehearsal. */
    public Made made(Errand.Call call) {
        StoredService service = catalogue.callable(call.service()).orElse(null);
        Service live = service == null ? null : service.published();
        return service == null || live == null
                ? failed("The service is gone, or was never published.")
                : make(live, service.connection(), call.inputs(), "rehearsed-" + Ids.next());
    }

    /** What a call would send, without sending it; and what it would come to by the examples. */
    public Made rehearsed(Errand.Call call, boolean fails) {
        Service live =
                catalogue.callable(call.service()).map(StoredService::published).orElse(null);
        if (live == null) {
            return failed("The service is gone, or was never published.");
        }
        Map<String, String> written = new LinkedHashMap<>();
        live.inputs().forEach(input -> {
            Value value = call.inputs().get(input.key());
            written.put(
                    input.key(),
                    value == null ? "" : input.kind().written(value).orElse(""));
        });
        if (!(Requests.make(live, written) instanceof Requests.Made.Ready(Prepared request))) {
            return failed(((Requests.Made.Refused) Requests.make(live, written)).why());
        }
        Connection connection =
                catalogue.connection(catalogue.service(call.service()).connection());
        CallResult result = fails || live.results().isEmpty()
                ? CallResult.failed("made to fail")
                : CallResult.came(live.results().getFirst().key(), live.examples());
        return new Made(shown(connection, request), 0, Json.write(result), result, false, 0);
    }
}
