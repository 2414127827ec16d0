package com.shuttle.core.reading;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Word lists that ship beside this package: words separated by white space, lines that begin with # left out. */
final class WordLists {

    private WordLists() {}

    /** @throws IllegalStateException if there is no such list */
    static Set<String> load(String name) {
        return phrases(name).stream()
                .flatMap(line -> Stream.of(Regex.split(line, "\\s+")))
                .collect(Collectors.toUnmodifiableSet());
    }

    /** A list of phrases, one a line. @throws IllegalStateException if there is no such list */
    static List<String> phrases(String name) {
        try (InputStream in = WordLists.class.getResourceAsStream(name)) {
            if (in == null) {
                throw new IllegalStateException("missing resource " + name);
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .map(String::strip)
                    .filter(line -> !line.isEmpty() && !line.startsWith("#"))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
