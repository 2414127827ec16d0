package com.shuttle.core.knowledge;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashSet;
import java.util.Set;
import tools.jackson.databind.json.JsonMapper;

/** The whole words of the language: those of the shipped models' vocabulary, whose pieces of words begin with {@code ##}. */
final class Vocabulary {

    private static final Set<String> WORDS = read();

    private Vocabulary() {}

    /** @param word in lower case */
    static boolean has(String word) {
        return WORDS.contains(word);
    }

    private static Set<String> read() {
        String name = "/all-minilm-l6-v2-q-tokenizer.json";
        try (InputStream in = Vocabulary.class.getResourceAsStream(name)) {
            if (in == null) {
                throw new IllegalStateException("missing resource " + name);
            }
            Set<String> words = new HashSet<>();
            for (String entry :
                    JsonMapper.shared().readTree(in).at("/model/vocab").propertyNames()) {
                if (!entry.startsWith("##")) {
                    words.add(entry);
                }
            }
            return Set.copyOf(words);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
