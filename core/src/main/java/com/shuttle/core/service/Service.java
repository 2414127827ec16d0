package com.shuttle.core.service;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.shuttle.core.flow.Keyed;
import com.shuttle.core.reading.Value;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What a service takes, how it is asked, and what its reply means. Immutable; its JSON form is its parts by their names.
 *
 * @param purpose a line for whoever chooses it; may be empty
 * @param results what a call can come to, besides failing; the first that fits is it
 */
public record Service(
        String name,
        String purpose,
        List<Input> inputs,
        Request request,
        List<Output> outputs,
        List<Result> results,
        Care care) {

    private static final JsonMapper JSON = JsonMapper.shared();

    /**
     * Something that a call is made with.
     *
     * @param key     lower-case letters, digits and underscores; its placeholder
     * @param example used for trying it out
     */
    public record Input(String key, Kind kind, boolean required, String example) {
        public Input {
            kind = kind == null ? Kind.TEXT : kind;
            example = text(example);
        }
    }

    /**
     * Something that is taken from a reply.
     *
     * @param pointer into it, as in RFC 6901
     * @param example what a rehearsal takes for it; of a list with commas between
     */
    public record Output(String key, Kind kind, String pointer, String example) {
        public Output {
            kind = kind == null ? Kind.TEXT : kind;
            pointer = text(pointer);
            example = text(example);
        }
    }

    /**
     * One thing that a call can come to.
     *
     * @param status  {@code 200}, {@code 2xx}, or several with commas between
     * @param pointer to what has to have {@code value} besides; empty where the status says it all
     * @param value   as text; empty where it only has to be there
     */
    public record Result(String key, String name, String status, String pointer, String value) {
        public Result {
            status = text(status);
            pointer = text(pointer);
            value = text(value);
        }
    }

    /** How the text of a request is written. */
    public enum BodyForm implements Keyed {
        NONE("nothing"),
        JSON("JSON"),
        FORM("a form"),
        TEXT("text");

        private final String label;

        BodyForm(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        /** @throws IllegalArgumentException if there is no such form */
        @JsonCreator
        public static BodyForm of(String key) {
            return Keyed.of(BodyForm.class, key, "form of a request's text");
        }
    }

    /** A line of a request's head. */
    public record Header(String name, String value) {}

    /**
     * A request with placeholders.
     *
     * @param method in capitals
     * @param path   what follows the connection's address, with its query
     * @param body   of a form: lines of {@code name=value}
     */
    public record Request(String method, String path, List<Header> headers, BodyForm form, String body) {

        /** Asks for what lies at the connection's address. */
        static final Request PLAIN = new Request("GET", "/", List.of(), BodyForm.NONE, "");

        public Request {
            method = method == null ? "GET" : method;
            path = text(path);
            headers = headers == null ? List.of() : List.copyOf(headers);
            form = form == null ? BodyForm.NONE : form;
            body = text(body);
        }
    }

    /**
     * How much is done for a reply.
     *
     * @param seconds    that a call may take in all
     * @param tries      at most
     * @param repeatable whether a call that changes something tells repetitions by the header {@code Idempotency-Key}, so that
     *                   it may be sent again where no reply came
     */
    public record Care(int seconds, int tries, boolean repeatable) {

        public static final int MOST_SECONDS = 60;
        public static final int MOST_TRIES = 5;
        static final Care USUAL = new Care(10, 3, false);

        public Care {
            seconds = Math.clamp(seconds, 1, MOST_SECONDS);
            tries = Math.clamp(tries, 1, MOST_TRIES);
        }
    }

    public Service {
        name = text(name);
        purpose = text(purpose);
        inputs = inputs == null ? List.of() : List.copyOf(inputs);
        request = request == null ? Request.PLAIN : request;
        outputs = outputs == null ? List.of() : List.copyOf(outputs);
        results = results == null ? List.of() : List.copyOf(results);
        care = care == null ? Care.USUAL : care;
    }

    /** One that only has a name, and takes any reply that is no error. */
    public static Service named(String name) {
        Result done = new Result("done", "done", "2xx", "", "");
        return new Service(name, "", List.of(), Request.PLAIN, List.of(), List.of(done), Care.USUAL);
    }

    /** Reads the JSON form that {@link #json} wrote. */
    public static Service read(String json) {
        return JSON.readValue(json, Service.class);
    }

    public String json() {
        return JSON.writeValueAsString(this);
    }

    public Optional<Input> input(String key) {
        return inputs.stream().filter(input -> input.key().equals(key)).findFirst();
    }

    public Optional<Output> output(String key) {
        return outputs.stream().filter(output -> output.key().equals(key)).findFirst();
    }

    /** The outputs as their examples have them; those without one are left out. */
    @JsonIgnore
    public Map<String, Value> examples() {
        Map<String, Value> examples = new LinkedHashMap<>();
        for (Output output : outputs) {
            if (!output.example().isBlank()) {
                JsonNode node = output.kind() == Kind.LIST
                        ? JSON.valueToTree(List.of(output.example().split("\\s*,\\s*")))
                        : JSON.valueToTree(output.example());
                output.kind().read(node).ifPresent(value -> examples.put(output.key(), value));
            }
        }
        return examples;
    }

    /** Whether a call may be sent once more where it is not known what became of it. */
    @JsonIgnore
    public boolean mayRepeat() {
        return care.repeatable()
                || switch (request.method()) {
                    case "GET", "HEAD", "PUT", "DELETE" -> true;
                    default -> false;
                };
    }

    private static String text(@Nullable String text) {
        return text == null ? "" : text;
    }
}
