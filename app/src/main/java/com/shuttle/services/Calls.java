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
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
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
    private static final int UNAUTHORISED = 401;
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

    /** For its token and itself, and for both once more where the token is no longer taken. */
    @Override
    public int seconds(Errand.Call call) {
        return catalogue
                .callable(call.service())
                .map(StoredService::published)
                .map(Calls::seconds)
                .orElse(1);
    }

    private static int seconds(Service service) {
        return 2 * (service.care().seconds() + Tokens.SECONDS);
    }

    @Override
    public JsonNode run(Errand.Call call, Attempt attempt) throws Again {
        Optional<StoredService> service = catalogue.callable(call.service());
        if (service.isEmpty()) {
            return json(CallResult.failed("The service is gone, or was never published."));
        }
        Service live = service.get().published();
        if (live == null) {
            return json(CallResult.failed("The service was never published."));
        }
        String conversation = attempt.conversation();
        if (attempt.number() > 1 && !live.mayRepeat()) {
            return noted(service.get(), conversation, failed("It is not known whether the call arrived."));
        }
        Made made =
                make(live, service.get().connection(), call.inputs(), conversation + "-" + call.key(), attempt.until());
        if (made.again() && live.mayRepeat() && attempt.number() < live.care().tries()) {
            LOG.info("Service {} will be called again for conversation {}", call.service(), conversation);
            throw new Again("service " + call.service() + " failed");
        }
        return noted(service.get(), conversation, made);
    }

    private JsonNode noted(StoredService service, String conversation, Made made) {
        String result = made.result().result();
        Service called = service.published() == null ? service.draft() : service.published();
        String name = called.results().stream()
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
    Made make(Service service, String connection, Map<String, Value> inputs, String key) {
        return make(service, connection, inputs, key, clock.instant().plusSeconds(seconds(service)));
    }

    private Made make(Service service, String connection, Map<String, Value> inputs, String key, Instant until) {
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
                send(service, catalogue.connection(connection), request, key, until);
        };
    }

    private Made send(Service service, Connection connection, Prepared request, String key, Instant until) {
        Entry entry = new Entry(connection, connection.hasSecret() ? vault.open(connection.secret()) : "", until);
        Instant begun = clock.instant();
        String shown = shown(connection, request);
        try {
            Received received = sent(service, entry, request, key);
            boolean again =
                    TRANSIENT.matcher(Integer.toString(received.status())).matches();
            SecretMask mask = entry.mask();
            CallResult result = masked(Replies.read(service, received.status(), received.body()), mask);
            return new Made(
                    shown,
                    received.status(),
                    mask.over(received.body()),
                    result,
                    again && result.hasFailed(),
                    since(begun));
        } catch (Outgoing.Unsent | Tokens.NoToken e) {
            return new Made(shown, 0, "", CallResult.failed(String.valueOf(e.getMessage())), true, since(begun));
        } catch (IOException e) {
            String why = e.getMessage() != null && e.getMessage().startsWith("The reply is larger")
                    ? e.getMessage()
                    : "No whole reply came in time.";
            return new Made(shown, 0, "", CallResult.failed(why), true, since(begun));
        }
    }

    /** A result without secrets that the service sent back; a bot keeps and says what comes of it. */
    private static CallResult masked(CallResult result, SecretMask mask) {
        Map<String, Value> outputs = new LinkedHashMap<>();
        result.outputs()
                .forEach((key, value) -> outputs.put(
                        key, value instanceof Value.Text(String text) ? new Value.Text(mask.over(text)) : value));
        return new CallResult(result.result(), outputs, mask.over(result.why()));
    }

    /**
     * How a call gets in: its connection with the secret in the clear, what tokens were used, and until when. For one thread.
     */
    private static final class Entry {
        private final Connection connection;
        private final String secret;
        private final Instant until;
        private final List<String> tokens = new ArrayList<>();

        Entry(Connection connection, String secret, Instant until) {
            this.connection = connection;
            this.secret = secret;
            this.until = until;
        }

        String basic() {
            return Base64.getEncoder()
                    .encodeToString((connection.who() + ":" + secret).getBytes(StandardCharsets.UTF_8));
        }

        SecretMask mask() {
            List<String> all = new ArrayList<>(tokens);
            all.add(secret);
            if (connection.kind() == Connection.Kind.BASIC) {
                all.add(basic());
            }
            return SecretMask.of(all);
        }
    }

    private int since(Instant begun) {
        return (int) Duration.between(begun, clock.instant()).toMillis();
    }

    /** Sends a request; once more with a new token where the kept one is no longer taken. */
    private Received sent(Service service, Entry entry, Prepared request, String key) throws IOException {
        Connection connection = entry.connection;
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
            case HEADER -> headers.put(connection.who(), entry.secret);
            case QUERY ->
                address += (request.path().indexOf('?') < 0 ? "?" : "&") + connection.who() + "="
                        + URLEncoder.encode(entry.secret, StandardCharsets.UTF_8);
            case BASIC -> headers.put("Authorization", "Basic " + entry.basic());
            case OAUTH -> {
                token = token(entry);
                headers.put("Authorization", "Bearer " + token);
            }
        }
        URI uri = URI.create(address);
        Received received = exchanged(service, entry, request, uri, headers);
        if (received.status() == UNAUTHORISED && !token.isEmpty()) {
            tokens.refused(connection, token);
            headers.put("Authorization", "Bearer " + token(entry));
            return exchanged(service, entry, request, uri, headers);
        }
        return received;
    }

    private Received exchanged(Service service, Entry entry, Prepared request, URI uri, Map<String, String> headers)
            throws IOException {
        int millis = (int) Math.min(service.care().seconds() * 1000L, left(entry));
        return outgoing.exchange(
                new Sending(request.method(), uri, headers, request.contentType(), request.body(), millis));
    }

    /** What is left of a call's time, in milliseconds. @throws Outgoing.Unsent for nothing */
    private long left(Entry entry) throws Outgoing.Unsent {
        long left = Duration.between(clock.instant(), entry.until).toMillis();
        if (left <= 0) {
            throw new Outgoing.Unsent("There was no time left for it.");
        }
        return left;
    }

    private String token(Entry entry) throws IOException {
        String token = tokens.token(entry.connection, entry.secret, left(entry));
        entry.tokens.add(token);
        return token;
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
                    .append(SecretMask.MASK);
        }
        request.headers()
                .forEach(header ->
                        shown.append('\n').append(header.name()).append(": ").append(header.value()));
        switch (connection.kind()) {
            case NONE, QUERY -> {}
            case HEADER ->
                shown.append('\n').append(connection.who()).append(": ").append(SecretMask.MASK);
            case BASIC, OAUTH -> shown.append("\nAuthorization: ").append(SecretMask.MASK);
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
