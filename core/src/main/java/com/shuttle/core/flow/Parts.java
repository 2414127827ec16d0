package com.shuttle.core.flow;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Makes the parts of a step, which files may leave out, complete and immutable. */
final class Parts {

    private Parts() {}

    static String text(@Nullable String text) {
        return text == null ? "" : text;
    }

    /** The first words of a text, for lists. */
    static String beginning(String text) {
        String bare = text.strip();
        return bare.length() <= 48 ? bare : bare.substring(0, 47).strip() + "…";
    }

    static List<String> atLeastOne(@Nullable List<String> wordings) {
        return wordings == null || wordings.isEmpty() ? List.of("") : List.copyOf(wordings);
    }

    static Map<String, Target> frozen(@Nullable Map<String, Target> exits) {
        return exits == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(exits));
    }
}
