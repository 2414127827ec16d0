package com.shuttle.core.service;

import com.shuttle.core.service.Service.BodyForm;
import com.shuttle.core.service.Service.Care;
import com.shuttle.core.service.Service.Input;
import com.shuttle.core.service.Service.Output;
import com.shuttle.core.service.Service.Request;
import com.shuttle.core.service.Service.Result;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.core.JsonPointer;
import tools.jackson.databind.JsonNode;

/**
 * Makes services of the operations of an OpenAPI description (3.0 and 3.1). Parameters and the parts of a flat body become
 * inputs, parts of the replies that are values become outputs, and each reply that is named by its status a result. References
 * within the file are followed, a bounded number of times; those into other files are not. Pure functions.
 */
public final class OpenApi {

    private static final List<String> METHODS = List.of("get", "post", "put", "patch", "delete");
    private static final int MOST_OPERATIONS = 300;
    private static final int MOST_PARTS = 30;
    private static final int DEEPEST = 4;
    private static final int MOST_REFERENCES = 20;

    private final JsonNode file;

    private OpenApi(JsonNode file) {
        this.file = file;
    }

    /**
     * What a file describes.
     *
     * @param address of its first server; empty where it names none, or only a path
     * @param way     how one gets in: {@code none}, {@code header}, {@code query}, {@code basic} or {@code oauth}
     * @param who     name of the header or part of the query; empty for others
     * @param tokens  where OAuth gives tokens; may be empty
     */
    public record Description(
            String title, String address, String way, String who, String tokens, List<Operation> operations) {}

    /** One operation. @param service what is made of it @param left what of it could not be taken over, in words; may be empty */
    public record Operation(String method, String path, Service service, String left) {}

    /** Empty where the file is no such description. */
    public static Optional<Description> read(JsonNode file) {
        boolean known = file.path("openapi").asString("").startsWith("3.")
                && file.path("paths").isObject();
        return known ? Optional.of(new OpenApi(file).description()) : Optional.empty();
    }

    private Description description() {
        List<Operation> operations = new ArrayList<>();
        for (Map.Entry<String, JsonNode> path : file.path("paths").properties()) {
            JsonNode item = resolved(path.getValue());
            for (String method : METHODS) {
                if (item.path(method).isObject() && operations.size() < MOST_OPERATIONS) {
                    operations.add(operation(method, path.getKey(), item, item.path(method)));
                }
            }
        }
        String address = file.at("/servers/0/url").asString("").replaceFirst("/+$", "");
        JsonNode scheme = JSON_NONE;
        for (Map.Entry<String, JsonNode> one :
                file.at("/components/securitySchemes").properties()) {
            scheme = scheme.isMissingNode() ? resolved(one.getValue()) : scheme;
        }
        String type = scheme.path("type").asString("");
        boolean inHeader = scheme.path("in").asString("").equals("header");
        String way = switch (type) {
            case "apiKey" -> inHeader ? "header" : "query";
            case "http" -> scheme.path("scheme").asString("").equalsIgnoreCase("basic") ? "basic" : "header";
            case "oauth2" -> "oauth";
            default -> "none";
        };
        String who = type.equals("http") && way.equals("header")
                ? "Authorization"
                : scheme.path("name").asString("");
        return new Description(
                file.at("/info/title").asString("A service"),
                address.matches("https?://.*") ? address : "",
                way,
                who,
                scheme.at("/flows/clientCredentials/tokenUrl").asString(""),
                operations);
    }

    private static final JsonNode JSON_NONE = tools.jackson.databind.node.MissingNode.getInstance();

    private Operation operation(String method, String path, JsonNode item, JsonNode operation) {
        Map<String, Input> inputs = new LinkedHashMap<>();
        List<String> left = new ArrayList<>();
        StringBuilder query = new StringBuilder();
        List<Service.Header> headers = new ArrayList<>();
        String filled = path;
        for (JsonNode parameter : parameters(item, operation)) {
            String name = parameter.path("name").asString("");
            String key = free(inputs, name);
            JsonNode schema = resolved(parameter.path("schema"));
            switch (parameter.path("in").asString("")) {
                case "path" -> filled = filled.replace("{" + name + "}", "{{" + key + "}}");
                case "query" -> {
                    if (!parameter.path("required").asBoolean(false) && query.length() > 200) {
                        continue;
                    }
                    query.append(query.isEmpty() ? "?" : "&")
                            .append(name)
                            .append("={{")
                            .append(key)
                            .append("}}");
                }
                case "header" -> headers.add(new Service.Header(name, "{{" + key + "}}"));
                default -> {
                    left.add(name);
                    continue;
                }
            }
            boolean needed = parameter.path("required").asBoolean(false)
                    || parameter.path("in").asString("").equals("path");
            String example = parameter.path("example").asString(example(schema));
            inputs.put(key, new Input(key, kind(schema), needed, example));
        }
        Request body = body(operation, inputs, left);
        Request request =
                new Request(method.toUpperCase(Locale.ROOT), filled + query, headers, body.form(), body.body());
        Service service = new Service(
                name(method, path, operation),
                operation.path("summary").asString(""),
                List.copyOf(inputs.values()),
                request,
                outputs(operation),
                results(operation),
                new Care(10, 3, false));
        return new Operation(request.method(), path, service, String.join(", ", left));
    }

    private static String name(String method, String path, JsonNode operation) {
        String id = operation.path("operationId").asString("");
        String words = id.isBlank()
                ? method + " " + path.replaceAll("[{}/]+", " ")
                : id.replaceAll("([a-z0-9])([A-Z])", "$1 $2").replaceAll("[_.-]+", " ");
        String plain = words.strip().toLowerCase(Locale.ROOT);
        return plain.isEmpty() ? path : plain.substring(0, 1).toUpperCase(Locale.ROOT) + plain.substring(1);
    }

    private List<JsonNode> parameters(JsonNode item, JsonNode operation) {
        Map<String, JsonNode> all = new LinkedHashMap<>();
        for (JsonNode holder : List.of(item, operation)) {
            for (JsonNode one : holder.path("parameters")) {
                JsonNode parameter = resolved(one);
                all.put(
                        parameter.path("in").asString("") + " "
                                + parameter.path("name").asString(""),
                        parameter);
            }
        }
        return List.copyOf(all.values());
    }

    /** The text of a request: of JSON with its parts as placeholders, parts within parts too. */
    private Request body(JsonNode operation, Map<String, Input> inputs, List<String> left) {
        JsonNode content = resolved(operation.path("requestBody")).path("content");
        JsonNode json = schemaOf(content);
        if (!json.isMissingNode()) {
            return new Request("", "", List.of(), BodyForm.JSON, object(json, inputs, left, "", 1, true));
        }
        JsonNode form =
                resolved(content.path("application/x-www-form-urlencoded").path("schema"));
        if (!form.isMissingNode()) {
            StringBuilder lines = new StringBuilder();
            parts(form).forEach((name, schema) -> {
                String key = free(inputs, name);
                inputs.put(key, new Input(key, kind(schema), required(form).contains(name), example(schema)));
                lines.append(name).append("={{").append(key).append("}}\n");
            });
            return new Request("", "", List.of(), BodyForm.FORM, lines.toString());
        }
        if (content.isObject() && !content.isEmpty()) {
            left.add("its text, which is neither JSON nor a form");
        }
        return Request.PLAIN;
    }

    private String object(
            JsonNode schema, Map<String, Input> inputs, List<String> left, String within, int depth, boolean needed) {
        String indent = "  ".repeat(depth);
        List<String> lines = new ArrayList<>();
        Set<String> required = required(schema);
        parts(schema).forEach((name, part) -> {
            boolean must = needed && required.contains(name);
            String quoted = indent + "\"" + name.replace("\"", "") + "\": ";
            if (type(part).equals("object") || part.has("allOf") || part.has("properties")) {
                if (depth < DEEPEST) {
                    lines.add(quoted + object(part, inputs, left, within + name + "_", depth + 1, must));
                } else {
                    left.add(within + name);
                }
            } else if (type(part).equals("array")) {
                left.add(within + name);
            } else {
                String key = free(inputs, within + name);
                inputs.put(key, new Input(key, kind(part), must, example(part)));
                lines.add(quoted + "{{" + key + "}}");
            }
        });
        return lines.isEmpty() ? "{}" : "{\n" + String.join(",\n", lines) + "\n" + "  ".repeat(depth - 1) + "}";
    }

    private List<Output> outputs(JsonNode operation) {
        Map<String, Output> outputs = new LinkedHashMap<>();
        for (Map.Entry<String, JsonNode> reply : operation.path("responses").properties()) {
            JsonNode schema = schemaOf(resolved(reply.getValue()).path("content"));
            if (!schema.isMissingNode()) {
                outputs(schema, "", "", 1, outputs);
            }
        }
        return List.copyOf(outputs.values());
    }

    private void outputs(JsonNode schema, String pointer, String within, int depth, Map<String, Output> outputs) {
        parts(schema).forEach((name, part) -> {
            String at = pointer + "/" + name.replace("~", "~0").replace("/", "~1");
            String key = key(within + name);
            if (outputs.size() >= MOST_PARTS || key.isEmpty()) {
                return;
            }
            if (type(part).equals("array")) {
                JsonNode items = resolved(part.path("items"));
                if (parts(items).isEmpty()) {
                    outputs.putIfAbsent(key, new Output(key, Kind.LIST, at, example(part)));
                } else if (depth < DEEPEST) {
                    outputs(items, at + "/0", within, depth + 1, outputs);
                }
            } else if (!parts(part).isEmpty()) {
                if (depth < DEEPEST) {
                    outputs(part, at, within + name + "_", depth + 1, outputs);
                }
            } else {
                outputs.putIfAbsent(key, new Output(key, kind(part), at, example(part)));
            }
        });
    }

    /** One for each reply that the service means: those of success, and what it says of a refusal (404, 409, 410, 422). */
    private List<Result> results(JsonNode operation) {
        List<Result> results = new ArrayList<>();
        Set<String> keys = new HashSet<>();
        for (Map.Entry<String, JsonNode> reply : operation.path("responses").properties()) {
            String status = reply.getKey().toLowerCase(Locale.ROOT);
            if (!status.matches("2(\\d\\d|xx)|404|409|410|422")) {
                continue;
            }
            String said =
                    resolved(reply.getValue()).path("description").asString("").strip();
            String name = said.isEmpty() || said.length() > 40 ? status : said;
            String key = key(name);
            if (keys.add(key.isEmpty() ? "status_" + status : key)) {
                results.add(new Result(key.isEmpty() ? "status_" + status : key, name, status, "", ""));
            }
        }
        if (results.isEmpty()) {
            results.add(new Result("done", "done", "2xx", "", ""));
        }
        return results;
    }

    // Schemas

    private JsonNode schemaOf(JsonNode content) {
        for (Map.Entry<String, JsonNode> one : content.properties()) {
            if (one.getKey().matches("application/(.*\\+)?json.*")) {
                return resolved(one.getValue().path("schema"));
            }
        }
        return JSON_NONE;
    }

    private JsonNode resolved(JsonNode node) {
        JsonNode at = node;
        for (int i = 0; i < MOST_REFERENCES && at.path("$ref").isString(); i++) {
            String reference = at.path("$ref").asString();
            at = reference.startsWith("#/") ? file.at(JsonPointer.compile(reference.substring(1))) : JSON_NONE;
        }
        return at.path("$ref").isString() ? JSON_NONE : at;
    }

    /** The parts of an object, those of all it is put together from. */
    private Map<String, JsonNode> parts(JsonNode schema) {
        Map<String, JsonNode> parts = new LinkedHashMap<>();
        gather(schema, parts, new HashSet<>(), 0);
        return parts;
    }

    private void gather(JsonNode schema, Map<String, JsonNode> parts, Set<String> required, int depth) {
        JsonNode whole = resolved(schema);
        if (depth > DEEPEST) {
            return;
        }
        whole.path("allOf").forEach(one -> gather(one, parts, required, depth + 1));
        whole.path("required").forEach(name -> required.add(name.asString("")));
        for (Map.Entry<String, JsonNode> part : whole.path("properties").properties()) {
            if (parts.size() < MOST_PARTS) {
                parts.putIfAbsent(part.getKey(), resolved(part.getValue()));
            }
        }
    }

    private Set<String> required(JsonNode schema) {
        Set<String> required = new HashSet<>();
        gather(schema, new LinkedHashMap<>(), required, 0);
        return required;
    }

    private static String type(JsonNode schema) {
        JsonNode type = schema.path("type");
        if (type.isArray()) {
            for (JsonNode one : type) {
                if (!one.asString("").equals("null")) {
                    return one.asString("");
                }
            }
        }
        return type.asString("");
    }

    private static Kind kind(JsonNode schema) {
        return switch (type(schema)) {
            case "integer", "number" -> Kind.NUMBER;
            case "boolean" -> Kind.YES_NO;
            default -> schema.path("format").asString("").startsWith("date") ? Kind.DATE : Kind.TEXT;
        };
    }

    private static String example(JsonNode schema) {
        for (JsonNode one : List.of(
                schema.path("example"),
                schema.path("examples").path(0),
                schema.path("default"),
                schema.path("enum").path(0))) {
            if (one.isValueNode() && !one.isNull()) {
                return one.asString("");
            }
        }
        return "";
    }

    private static String free(Map<String, Input> inputs, String name) {
        String plain = key(name);
        String wanted = plain.isEmpty() ? "value" : plain;
        String key = wanted;
        for (int n = 2; inputs.containsKey(key); n++) {
            key = wanted + "_" + n;
        }
        return key;
    }

    private static String key(String name) {
        String key = name.replaceAll("([a-z0-9])([A-Z])", "$1_$2")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "_")
                .replaceAll("^[_0-9]+|_+$", "");
        return key.length() <= 40 ? key : key.substring(0, 40);
    }
}
