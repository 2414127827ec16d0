package com.shuttle.standins;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The descriptions that stand-ins give of themselves. */
final class OpenApiFile {

    private OpenApiFile() {}

    static JsonNode of(String name) {
        try (InputStream in = OpenApiFile.class.getResourceAsStream(name)) {
            if (in == null) {
                throw new IllegalStateException("missing resource " + name);
            }
            return JsonMapper.shared().readTree(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
