package com.shuttle.core.service;

import com.shuttle.core.service.Service.BodyForm;
import com.shuttle.core.service.Service.Header;
import com.shuttle.core.service.Service.Input;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Fills the placeholders of requests. Each value is written as its place demands, so that none can bring more with it than
 * itself: percent-encoded in an address (RFC 3986, all but unreserved characters), without control characters in a header
 * (RFC 9110), escaped within a JSON string and as a literal outside of one (RFC 8259), and as in {@code
 * application/x-www-form-urlencoded}. Pure functions.
 */
public final class Requests {

    private static final Pattern PLACEHOLDER = Pattern.compile("\\{\\{\\s*([a-z][a-z0-9_]*)\\s*\\}\\}");
    private static final Pattern DOTS = Pattern.compile("\\.{1,2}");
    private static final JsonMapper JSON = JsonMapper.shared();

    private Requests() {}

    /** A request, or why there is none. */
    public sealed interface Made {
        record Ready(Prepared request) implements Made {}

        record Refused(String why) implements Made {}
    }

    /** The placeholders that a request has. */
    public static Set<String> placeholders(Service.Request request) {
        Set<String> names = new TreeSet<>();
        String all = request.path() + "\n" + request.body() + "\n"
                + request.headers().stream().map(Header::value).collect(Collectors.joining("\n"));
        Matcher matcher = PLACEHOLDER.matcher(all);
        while (matcher.find()) {
            names.add(matcher.group(1));
        }
        return names;
    }

    /** @param values as {@link Kind#written} has them, by input; those that are not known are left out */
    public static Made make(Service service, Map<String, String> values) {
        for (Input input : service.inputs()) {
            if (input.required() && values.getOrDefault(input.key(), "").isBlank()) {
                return new Made.Refused("It needs " + input.key() + ".");
            }
        }
        Service.Request request = service.request();
        String path = request.path();
        int query = path.indexOf('?');
        String before = query < 0 ? path : path.substring(0, query);
        Matcher matcher = PLACEHOLDER.matcher(before);
        while (matcher.find()) {
            String value = values.getOrDefault(matcher.group(1), "");
            if (value.isEmpty() || DOTS.matcher(value).matches()) {
                return new Made.Refused("What is given for " + matcher.group(1) + " cannot stand in an address.");
            }
        }
        String address = filled(path, values, Requests::percent);
        List<Header> headers = request.headers().stream()
                .map(header -> new Header(header.name(), filled(header.value(), values, Requests::headed)))
                .filter(header -> !header.value().isBlank())
                .toList();
        return switch (request.form()) {
            case NONE -> new Made.Ready(new Prepared(request.method(), address, headers, "", ""));
            case TEXT ->
                new Made.Ready(new Prepared(
                        request.method(),
                        address,
                        headers,
                        "text/plain; charset=utf-8",
                        filled(request.body(), values, UnaryOperator.identity())));
            case FORM ->
                new Made.Ready(new Prepared(
                        request.method(),
                        address,
                        headers,
                        "application/x-www-form-urlencoded",
                        form(request.body(), values)));
            case JSON -> {
                String body = json(service, values);
                yield isJson(body)
                        ? new Made.Ready(new Prepared(request.method(), address, headers, "application/json", body))
                        : new Made.Refused("What it would send is no JSON.");
            }
        };
    }

    /** What is wrong with a request's JSON with any values in it; empty where nothing is. */
    static String jsonFault(Service service) {
        if (service.request().form() != BodyForm.JSON) {
            return "";
        }
        try {
            JSON.readTree(json(service, Map.of()));
            return "";
        } catch (JacksonException e) {
            return "This is no JSON: " + e.getOriginalMessage() + " (line "
                    + (e.getLocation() == null ? 1 : e.getLocation().getLineNr()) + ").";
        }
    }

    private static boolean isJson(String body) {
        try {
            JSON.readTree(body);
            return !body.isBlank();
        } catch (JacksonException e) {
            return false;
        }
    }

    private static String filled(String text, Map<String, String> values, UnaryOperator<String> encoding) {
        return PLACEHOLDER
                .matcher(text)
                .replaceAll(found -> Matcher.quoteReplacement(encoding.apply(values.getOrDefault(found.group(1), ""))));
    }

    private static String percent(String value) {
        return URLEncoder.encode(value, StandardCharsets.UTF_8)
                .replace("+", "%20")
                .replace("*", "%2A")
                .replace("%7E", "~");
    }

    private static String headed(String value) {
        return value.replaceAll("[\\p{Cntrl}]+", " ")
                .replaceAll("[^ -~\\u00A0-\\u00FF]", "?")
                .strip();
    }

    /** Lines of name and value, of which those whose placeholders come to nothing are left out. */
    private static String form(String body, Map<String, String> values) {
        List<String> parts = new ArrayList<>();
        body.lines().filter(line -> !line.isBlank()).forEach(line -> {
            int equals = line.indexOf('=');
            String name = (equals < 0 ? line : line.substring(0, equals)).strip();
            String written = equals < 0 ? "" : line.substring(equals + 1).strip();
            String value = filled(written, values, UnaryOperator.identity());
            if (!value.isEmpty() || written.isEmpty()) {
                parts.add(URLEncoder.encode(name, StandardCharsets.UTF_8) + "="
                        + URLEncoder.encode(value, StandardCharsets.UTF_8));
            }
        });
        return String.join("&", parts);
    }

    /** Within a string a value is escaped; outside of one it is a literal of its kind, and null where it is not known. */
    private static String json(Service service, Map<String, String> values) {
        String body = service.request().body();
        StringBuilder made = new StringBuilder();
        Matcher matcher = PLACEHOLDER.matcher(body);
        boolean within = false;
        for (int i = 0; i < body.length(); i++) {
            char c = body.charAt(i);
            if (c == '{' && matcher.find(i) && matcher.start() == i) {
                String key = matcher.group(1);
                String value = values.getOrDefault(key, "");
                made.append(within ? escaped(value) : literal(service, key, value));
                i = matcher.end() - 1;
            } else if (c == '\\' && within && i + 1 < body.length()) {
                made.append(c).append(body.charAt(++i));
            } else {
                within = (c == '"') != within;
                made.append(c);
            }
        }
        return made.toString();
    }

    private static String escaped(String value) {
        String quoted = JSON.writeValueAsString(value);
        return quoted.substring(1, quoted.length() - 1);
    }

    private static String literal(Service service, String key, String value) {
        Kind kind = service.input(key).map(Input::kind).orElse(Kind.TEXT);
        if (value.isEmpty()) {
            return "null";
        }
        return kind == Kind.NUMBER || kind == Kind.YES_NO ? value : JSON.writeValueAsString(value);
    }
}
