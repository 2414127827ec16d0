package com.shuttle.core.knowledge;

import dev.langchain4j.model.embedding.onnx.allminilml6v2q.AllMiniLmL6V2QuantizedEmbeddingModel;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.Executors;
import tools.jackson.databind.json.JsonMapper;

/**
 * The all-MiniLM-L6-v2 sentence embedding (384 dimensions, quantised to 8 bits), which ships inside its jar and runs in
 * the process. Loading takes about a second; load once and share.
 */
public final class MiniLm implements SentenceModel {

    private final AllMiniLmL6V2QuantizedEmbeddingModel model = new AllMiniLmL6V2QuantizedEmbeddingModel(
            Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().factory()));

    private final Set<String> words = vocabulary();

    @Override
    public String name() {
        return "all-minilm-l6-v2-q";
    }

    @Override
    public float[] embed(String sentence) {
        float[] vector =
                model.embed(sentence.isBlank() ? "?" : sentence).content().vector();
        double square = 0;
        for (float x : vector) {
            square += x * x;
        }
        float scale = square == 0 ? 0 : (float) (1 / Math.sqrt(square));
        float[] unit = new float[vector.length];
        for (int i = 0; i < vector.length; i++) {
            unit[i] = vector[i] * scale;
        }
        return unit;
    }

    @Override
    public boolean isWord(String word) {
        return words.contains(word);
    }

    /** The whole words of the model's vocabulary; pieces of words begin with {@code ##}. */
    private static Set<String> vocabulary() {
        try (InputStream in = MiniLm.class.getResourceAsStream("/all-minilm-l6-v2-q-tokenizer.json")) {
            if (in == null) {
                throw new IllegalStateException("missing resource all-minilm-l6-v2-q-tokenizer.json");
            }
            Set<String> words = new HashSet<>();
            for (String entry :
                    JsonMapper.shared().readTree(in).at("/model/vocab").propertyNames()) {
                if (!entry.startsWith("##")) {
                    words.add(entry);
                }
            }
            return words;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
