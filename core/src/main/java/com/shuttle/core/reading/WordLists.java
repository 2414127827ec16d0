package com.shuttle.core.reading;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Set;

/** Word lists that ship beside this package: words separated by white space, lines that begin with # left out. */
final class WordLists {

    private WordLists() {}

    /** @throws IllegalStateException if there is no such list */
    static Set<String> load(String name) {
        Set<String> words = new HashSet<>();
        try (InputStream in = WordLists.class.getResourceAsStream(name)) {
            if (in == null) {
                throw new IllegalStateException("missing resource " + name);
            }
            BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8));
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (!line.startsWith("#")) {
                    words.addAll(Set.of(line.strip().isEmpty() ? new String[0] : distinct(line)));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return Set.copyOf(words);
    }

    private static String[] distinct(String line) {
        return java.util.Arrays.stream(Regex.split(line.strip(), "\\s+"))
                .distinct()
                .toArray(String[]::new);
    }
}
