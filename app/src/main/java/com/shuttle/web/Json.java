package com.shuttle.web;

import java.util.List;
import java.util.Map;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** JSON as the stores keep it. Thread-safe. */
public final class Json {

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .build();

    private static final TypeReference<List<String>> STRINGS = new TypeReference<>() {};

    private static final TypeReference<Map<String, String>> TEXTS = new TypeReference<>() {};

    private Json() {}

    public static String write(Object value) {
        return MAPPER.writeValueAsString(value);
    }

    /** Writes a value so that it keeps its type's name. */
    public static <T> String writeAs(T value, Class<T> type) {
        return MAPPER.writerFor(type).writeValueAsString(value);
    }

    /** Writes a list so that each element keeps its type's name. */
    public static <T> String writeAll(List<? extends T> values, Class<T> type) {
        return MAPPER.writerFor(MAPPER.getTypeFactory().constructCollectionType(List.class, type))
                .writeValueAsString(values);
    }

    public static <T> T read(String json, Class<T> type) {
        return MAPPER.readValue(json, type);
    }

    public static <T> List<T> readAll(String json, Class<T> type) {
        return MAPPER.readValue(json, MAPPER.getTypeFactory().constructCollectionType(List.class, type));
    }

    public static Map<String, String> texts(String json) {
        return MAPPER.readValue(json, TEXTS);
    }

    public static List<String> strings(String json) {
        return MAPPER.readValue(json, STRINGS);
    }
}
