package com.shuttle.core.flow;

import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Steps as JSON trees, for changing one part of a step of any kind. Pure functions. */
public final class StepJson {

    static final JsonMapper MAPPER = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .build();

    private StepJson() {}

    /** The JSON form of a step. */
    public static ObjectNode tree(Step step) {
        return (ObjectNode) MAPPER.valueToTree(step);
    }

    /**
     * The step of a JSON form.
     *
     * @throws IllegalArgumentException if it is none
     */
    public static Step step(JsonNode tree) {
        try {
            return MAPPER.treeToValue(tree, Step.class);
        } catch (JacksonException e) {
            throw new IllegalArgumentException("no step: " + e.getOriginalMessage(), e);
        }
    }

    /** A step with one property replaced; null removes it. */
    public static Step with(Step step, String property, @Nullable Object value) {
        ObjectNode tree = tree(step);
        if (value == null) {
            tree.remove(property);
        } else {
            tree.set(property, MAPPER.valueToTree(value));
        }
        return step(tree);
    }
}
