package com.shuttle.hostile;

import com.shuttle.web.JsonText;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.core.DefaultParameterNameDiscoverer;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpMethod;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import tools.jackson.databind.json.JsonMapper;

/** Requests nobody means well with, made from what each route declares that it takes. */
final class HostileRequests {

    private static final DefaultParameterNameDiscoverer NAMES = new DefaultParameterNameDiscoverer();

    /** Values of parameters and parts of paths: empty, huge, negative, wrongly typed, at the ends of time, half characters. */
    private static final List<String> VALUES = List.of(
            "",
            " ",
            "x",
            "null",
            "-1",
            "0",
            "100000000",
            "99999999999999999999",
            "1e24",
            "NaN",
            "\u0000",
            "\ud83d",
            "ﷺ".repeat(3000),
            "שּׁ".repeat(1400),
            "{{#a}}{{/a}}{{>b}}{{{c}}}",
            "%",
            "../../etc/passwd",
            "<script>alert(1)</script>",
            "' or 1=1 --",
            "0000-00-00",
            "+999999999-12-31",
            "-999999999-01-01",
            "9999-12-31T23:59:59.999999999Z",
            "Europe/Nowhere",
            "http://[::1",
            "http://example.org:99999/",
            "javascript:alert(1)",
            "a".repeat(100_000),
            "${7*7}",
            "__proto__",
            "true",
            "[]",
            "{}",
            "{x}");

    /** Those of them that are tried as parts of paths. */
    private static final List<String> PARTS = List.of(
            "x",
            "null",
            "{x}",
            "-1",
            "99999999999999999999",
            "\u0000",
            "\ud83d",
            "%",
            "../../etc/passwd",
            "<script>alert(1)</script>");

    private static final List<String> JSON_VALUES = List.of(
            "null",
            "\"\"",
            "\" \"",
            "\"x\"",
            "\"\\u0000\"",
            "\"\\ud83d\"",
            "-1",
            "0",
            "1e400",
            "99999999999999999999",
            "true",
            "[]",
            "[null]",
            "[[]]",
            "[{}]",
            "[\"\"]",
            "{}",
            "{\"a\":null}",
            "\"" + "a".repeat(20_000) + "\"",
            "\"{{#a}}{{/a}}{{>b}}\"",
            "\"+999999999-12-31\"");

    private static final List<String> BODIES = List.of(
            "", "null", "[]", "\"\"", "1", "{", "{\"a\":", "[[[[[[[[", "{}", "\u0000", "<xml/>", "[".repeat(20_000));

    private static final List<String> TYPES = List.of(
            "application/json",
            "application/x-www-form-urlencoded",
            "multipart/form-data",
            "multipart/form-data; boundary=x",
            "text/plain",
            "application/xml",
            "nonsense",
            "application/json; charset=nonsense",
            "");

    /** What has broken nothing yet, and so is tried where strangers come in only. */
    private static final Set<String> RARELY = Set.of(
            " ",
            "null",
            "0",
            "1e24",
            "NaN",
            "%",
            "../../etc/passwd",
            "' or 1=1 --",
            "0000-00-00",
            "-999999999-01-01",
            "9999-12-31T23:59:59.999999999Z",
            "http://[::1",
            "${7*7}",
            "__proto__",
            "true");

    /** Of so many shares of the values each field behind the door is tried with one. */
    private static final int SHARES = 3;

    private final boolean whole;
    private final List<String> everywhere;
    private final List<String> atTheDoor;

    /**
     * @param more  values that are tried in every place, beside those that always are
     * @param whole whether everything is tried everywhere, and not only where strangers come in
     */
    HostileRequests(List<String> more, boolean whole) {
        this.whole = whole;
        atTheDoor = Stream.concat(VALUES.stream(), more.stream()).toList();
        everywhere = atTheDoor.stream()
                .filter(value -> whole || !RARELY.contains(value))
                .toList();
    }

    private static boolean isOpen(String pattern) {
        return pattern.startsWith("/api/v1/chat") || pattern.startsWith("/s") || pattern.startsWith("/chat");
    }

    /** @param type of the body; empty for none */
    record Call(HttpMethod method, String path, String type, byte[] body, String what) {}

    /** Everything that is tried on a route. @param known the values of parts of paths that there are, by name and prefix */
    List<Call> of(RequestMappingInfo info, HandlerMethod handler, Known known) {
        List<Call> calls = new ArrayList<>();
        Set<RequestMethod> methods = info.getMethodsCondition().getMethods();
        for (String pattern : info.getPatternValues()) {
            for (RequestMethod one : methods.isEmpty() ? Set.of(RequestMethod.GET) : methods) {
                calls.addAll(of(one.asHttpMethod(), pattern, handler, known));
            }
        }
        return calls;
    }

    /** What there is, for parts of paths. */
    interface Known {
        String value(String pattern, String name);
    }

    private List<Call> of(HttpMethod method, String pattern, HandlerMethod handler, Known known) {
        List<Call> calls = new ArrayList<>();
        List<String> parts = new ArrayList<>();
        Map<String, Type> fields = new LinkedHashMap<>();
        Type body = null;
        boolean file = false;
        for (MethodParameter parameter : handler.getMethodParameters()) {
            parameter.initParameterNameDiscovery(NAMES);
            RequestParam asked = parameter.getParameterAnnotation(RequestParam.class);
            PathVariable part = parameter.getParameterAnnotation(PathVariable.class);
            String name = parameter.getParameterName() == null ? "x" : parameter.getParameterName();
            if (part != null) {
                parts.add(part.value().isEmpty() ? name : part.value());
            } else if (parameter.hasParameterAnnotation(RequestBody.class)) {
                JsonText text = parameter.getParameterAnnotation(JsonText.class);
                body = text == null ? parameter.getGenericParameterType() : text.value();
            } else if (parameter.getParameterType() == MultipartFile.class) {
                file = true;
            } else if (asked != null) {
                fields.put(asked.value().isEmpty() ? name : asked.value(), parameter.getGenericParameterType());
            } else if (parameter.getParameterType().isRecord()
                    && parameter.getParameterAnnotations().length <= 1
                    && parameter.getParameterType().getName().startsWith("com.shuttle")
                    && !parameter.getParameterType().getSimpleName().equals("SignedIn")) {
                for (RecordComponent component : parameter.getParameterType().getRecordComponents()) {
                    fields.put(component.getName(), component.getGenericType());
                }
            }
        }
        String usual = path(pattern, known, "", "");
        for (String part : parts) {
            for (String value : VALUES) {
                if (PARTS.contains(value)) {
                    add(calls, method, path(pattern, known, part, value), fields, "", "", part + "=" + start(value));
                }
            }
        }
        boolean open = isOpen(pattern);
        for (String field : fields.keySet()) {
            for (String value : open ? atTheDoor : dealt(pattern + field)) {
                add(calls, method, usual, fields, field, value, field + "=" + start(value));
            }
            add(calls, method, usual, Map.of(), "", "", "without " + field);
        }
        if (body != null) {
            json(body, 0)
                    .forEach(text ->
                            calls.add(new Call(method, usual, "application/json", utf8(text), "json " + start(text))));
        }
        if (method != HttpMethod.GET) {
            for (String type : TYPES) {
                for (String text :
                        open || type.equals("application/json") && body != null ? BODIES : BODIES.subList(0, 1)) {
                    calls.add(new Call(method, usual, type, utf8(text), type + " " + start(text)));
                }
            }
        }
        if (file) {
            calls.addAll(files(method, usual));
        }
        return calls;
    }

    /** What a field is tried with: everything, or a share of it that is another for each field. */
    private List<String> dealt(String field) {
        int shares = whole ? 1 : SHARES;
        int share = Math.floorMod(field.hashCode(), shares);
        return IntStream.range(0, everywhere.size())
                .filter(i -> i % shares == share)
                .mapToObj(everywhere::get)
                .toList();
    }

    private static void add(
            List<Call> calls,
            HttpMethod method,
            String path,
            Map<String, Type> fields,
            String field,
            String value,
            String what) {
        StringBuilder form = new StringBuilder();
        for (String name : fields.keySet()) {
            String text = name.equals(field) ? value : "x";
            form.append(form.isEmpty() ? "" : "&").append(name).append('=').append(encoded(text));
        }
        if (method == HttpMethod.GET) {
            String query = form.length() > 6000 ? form.substring(0, 6000).replaceAll("%.?$", "") : form.toString();
            calls.add(new Call(method, query.isEmpty() ? path : path + "?" + query, "", new byte[0], what));
        } else {
            calls.add(new Call(method, path, "application/x-www-form-urlencoded", utf8(form.toString()), what));
        }
    }

    static String path(String pattern, Known known, String part, String value) {
        StringBuilder path = new StringBuilder();
        for (String piece : pattern.split("/")) {
            if (piece.isEmpty()) {
                continue;
            }
            String filled = piece;
            for (int from = filled.indexOf('{'); from >= 0; from = filled.indexOf('{')) {
                String name =
                        filled.substring(from + 1, filled.indexOf('}', from)).replaceAll(":.*|\\*", "");
                String put = name.equals(part) ? encoded(value) : known.value(pattern, name);
                filled = filled.substring(0, from) + put + filled.substring(filled.indexOf('}', from) + 1);
            }
            path.append('/').append(filled);
        }
        return path.isEmpty() ? "/" : path.toString();
    }

    /** Bodies for a type: each of its fields with each bad value, the others missing and then plausible. */
    private static List<String> json(Type type, int depth) {
        List<String> bodies = new ArrayList<>();
        if (!(type instanceof Class<?> record) || !record.isRecord()) {
            return JSON_VALUES;
        }
        for (RecordComponent component : record.getRecordComponents()) {
            for (String value : JSON_VALUES) {
                bodies.add("{\"" + component.getName() + "\":" + value + "}");
                bodies.add(object(record, component.getName(), value, 0));
            }
            Type inner = component.getGenericType() instanceof ParameterizedType list
                    ? list.getActualTypeArguments()[0]
                    : component.getGenericType();
            if (depth == 0 && inner instanceof Class<?> nested && nested.isRecord()) {
                boolean many = component.getType() == List.class;
                for (String body : json(nested, depth + 1)) {
                    bodies.add(object(record, component.getName(), many ? "[" + body + "]" : body, 0));
                }
            }
        }
        return bodies;
    }

    private static String object(Class<?> record, String field, String value, int depth) {
        List<String> fields = Arrays.stream(record.getRecordComponents())
                .map(component -> "\"" + component.getName() + "\":"
                        + (component.getName().equals(field) ? value : plausible(component.getType(), depth)))
                .toList();
        return "{" + String.join(",", fields) + "}";
    }

    private static String plausible(Class<?> type, int depth) {
        if (type == List.class) {
            return "[\"x\"]";
        }
        if (type == Map.class) {
            return "{}";
        }
        if (type == boolean.class || type == Boolean.class) {
            return "true";
        }
        if (type.isEnum()) {
            return JsonMapper.shared().writeValueAsString(type.getEnumConstants()[0]);
        }
        if (type.isPrimitive() || Number.class.isAssignableFrom(type)) {
            return "1";
        }
        return type.isRecord() && depth < 2 ? object(type, "", "", depth + 1) : "\"x\"";
    }

    private static List<Call> files(HttpMethod method, String path) {
        List<Call> calls = new ArrayList<>();
        for (String name : List.of(
                "x.csv",
                "x.xlsx",
                "x.zip",
                "x.html",
                "x.md",
                "x.json",
                "x.png",
                "",
                "x".repeat(3000) + ".csv",
                "../x.csv",
                "x\u0000.csv")) {
            for (String content : List.of(
                    "",
                    "x",
                    "\u0000\u0000",
                    "PK\u0003\u0004",
                    "{",
                    "a,b\n\"",
                    "<div>".repeat(5000),
                    "a,".repeat(20_000),
                    "﻿",
                    "---\n:::\n")) {
                String body = "--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name
                        + "\"\r\nContent-Type: application/octet-stream\r\n\r\n" + content + "\r\n--b--\r\n";
                calls.add(new Call(
                        method,
                        path,
                        "multipart/form-data; boundary=b",
                        utf8(body),
                        "file " + start(name) + " " + start(content)));
            }
        }
        return calls;
    }

    private static String start(String text) {
        String plain = text.replaceAll("[^\\x20-\\x7e]", "?");
        return plain.length() <= 40 ? plain : plain.substring(0, 40) + "…" + text.length();
    }

    private static String encoded(String value) {
        return URLEncoder.encode(value, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
