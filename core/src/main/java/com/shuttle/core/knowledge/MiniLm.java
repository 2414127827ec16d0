package com.shuttle.core.knowledge;

import dev.langchain4j.model.embedding.onnx.allminilml6v2q.AllMiniLmL6V2QuantizedEmbeddingModel;
import java.util.concurrent.Executors;

/**
 * The all-MiniLM-L6-v2 sentence embedding (384 dimensions, quantised to 8 bits), which ships inside its jar and runs in
 * the process. Loading takes about a second; load once and share.
 */
public final class MiniLm implements SentenceModel {

    private final AllMiniLmL6V2QuantizedEmbeddingModel model = new AllMiniLmL6V2QuantizedEmbeddingModel(
            Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().factory()));

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
}
