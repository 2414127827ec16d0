package com.shuttle.core.flow;

import java.util.List;

/**
 * One option of a {@link Step.Choice}.
 *
 * @param id    unique within its step, lower-case letters, digits and dashes
 * @param label what the visitor reads
 * @param also  other words that visitors type for it; may be empty
 */
public record Option(String id, String label, List<String> also) {
    public Option {
        also = also == null ? List.of() : List.copyOf(also);
    }

    /** The id of the exit that picking this option takes. */
    public String exit() {
        return "option:" + id;
    }
}
