package com.shuttle.core.service;

import com.shuttle.core.reading.Value;
import com.shuttle.core.service.Service.Output;
import com.shuttle.core.service.Service.Result;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonPointer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Tells what a reply means. Pure functions. */
public final class Replies {

    private static final JsonMapper JSON = JsonMapper.shared();

    private Replies() {}

    /** @param body of the reply; may be empty */
    public static CallResult read(Service service, int status, String body) {
        JsonNode tree = tree(body);
        Optional<Result> result = service.results().stream()
                .filter(one -> fits(one, status, tree))
                .findFirst();
        if (result.isEmpty()) {
            return CallResult.failed("No result fits the reply, which has the status " + status + ".");
        }
        if (service.outputs().isEmpty()) {
            return CallResult.came(result.get().key(), Map.of());
        }
        if (tree == null) {
            return body.isBlank()
                    ? CallResult.came(result.get().key(), Map.of())
                    : CallResult.failed("The reply is no JSON.");
        }
        Map<String, Value> outputs = new LinkedHashMap<>();
        for (Output output : service.outputs()) {
            JsonNode node = tree.at(JsonPointer.compile(output.pointer()));
            if (node.isMissingNode() || node.isNull()) {
                continue;
            }
            Optional<Value> value = output.kind().read(node);
            if (value.isEmpty()) {
                return CallResult.failed("What the reply has at %s is no %s."
                        .formatted(output.pointer(), output.kind().label()));
            }
            outputs.put(output.key(), value.get());
        }
        return CallResult.came(result.get().key(), outputs);
    }

    private static boolean fits(Result result, int status, @Nullable JsonNode tree) {
        if (!fits(result.status(), status)) {
            return false;
        }
        if (result.pointer().isEmpty()) {
            return true;
        }
        JsonNode node = tree == null ? null : tree.at(JsonPointer.compile(result.pointer()));
        return node != null
                && !node.isMissingNode()
                && !node.isNull()
                && (result.value().isEmpty()
                        || node.isValueNode() && node.asString().equalsIgnoreCase(result.value()));
    }

    /** Whether a status is one of those written, such as {@code 2xx, 404}. */
    static boolean fits(String pattern, int status) {
        for (String one : pattern.split(",")) {
            String each = one.strip().toLowerCase(java.util.Locale.ROOT);
            if (each.equals(Integer.toString(status)) || each.equals(status / 100 + "xx")) {
                return true;
            }
        }
        return false;
    }

    private static @Nullable JsonNode tree(String body) {
        try {
            return body.isBlank() ? null : JSON.readTree(body);
        } catch (JacksonException e) {
            return null;
        }
    }
}
