package com.shuttle.core.conversation;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * Signals whose address was given out before their step was reached.
 *
 * @param keys    by the place of the step that will wait, as flow and step with a slash between
 * @param brought what has come for a key before anything waited for it
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record Signals(Map<String, String> keys, Map<String, Brought> brought) {

    /** None was given out. */
    public static final Signals NONE = new Signals(Map.of(), Map.of());

    /** What came with a signal. @param body null where it was no JSON */
    public record Brought(String text, @Nullable JsonNode body) {}

    public Signals {
        keys = keys == null ? Map.of() : Map.copyOf(keys);
        brought = brought == null ? Map.of() : Map.copyOf(brought);
    }

    static Signals orNone(@Nullable Signals signals) {
        return signals == null ? NONE : signals;
    }

    /** Whether a key was given out and nothing has come for it. */
    public boolean awaits(String key) {
        return keys.containsValue(key) && !brought.containsKey(key);
    }
}
