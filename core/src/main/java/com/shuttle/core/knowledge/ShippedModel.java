package com.shuttle.core.knowledge;

import dev.langchain4j.model.embedding.EmbeddingModel;
import dev.langchain4j.model.embedding.onnx.allminilml6v2q.AllMiniLmL6V2QuantizedEmbeddingModel;
import dev.langchain4j.model.embedding.onnx.bgesmallenv15q.BgeSmallEnV15QuantizedEmbeddingModel;
import dev.langchain4j.model.embedding.onnx.e5smallv2q.E5SmallV2QuantizedEmbeddingModel;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;

/**
 * Sentence embeddings (384 dimensions, quantised to 8 bits) that ship inside their jars and run in the process. Loading
 * one takes about a second; load once and share.
 */
public final class ShippedModel implements SentenceModel {

    /** Words beyond these say nothing new, and cost. */
    private static final int MOST_WORDS = 256;

    /** The same for a question, which somebody waits for. */
    private static final int QUESTION_WORDS = 70;

    /** Longest part of a question that is looked at, in UTF-16 units: some write without spaces. */
    private static final int QUESTION = 400;

    private final String name;
    private final EmbeddingModel model;
    private final String beforeTexts;
    private final String beforeQuestions;

    private ShippedModel(String name, EmbeddingModel model, String beforeTexts, String beforeQuestions) {
        this.name = name;
        this.model = model;
        this.beforeTexts = beforeTexts;
        this.beforeQuestions = beforeQuestions;
    }

    /** all-MiniLM-L6-v2: trained on pairs of sentences of like meaning; texts and questions are the same to it. */
    public static SentenceModel miniLm() {
        return new ShippedModel("all-minilm-l6-v2-q", new AllMiniLmL6V2QuantizedEmbeddingModel(thread()), "", "");
    }

    /** bge-small-en-v1.5: trained to find passages; wants an instruction before a question. */
    public static SentenceModel bgeSmall() {
        return new ShippedModel(
                "bge-small-en-v15-q",
                new BgeSmallEnV15QuantizedEmbeddingModel(thread()),
                "",
                "Represent this sentence for searching relevant passages: ");
    }

    /** e5-small-v2: trained on questions and what answers them on the web; wants to be told which is which. */
    public static SentenceModel e5Small() {
        return new ShippedModel(
                "e5-small-v2-q", new E5SmallV2QuantizedEmbeddingModel(thread()), "passage: ", "query: ");
    }

    private static Executor thread() {
        return Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().factory());
    }

    @Override
    public String name() {
        return name;
    }

    @Override
    public float[] ofText(String text) {
        return embed(beforeTexts, text, MOST_WORDS);
    }

    @Override
    public float[] ofQuestion(String question) {
        String bare = question.strip();
        return embed(beforeQuestions, bare.substring(0, Math.min(bare.length(), QUESTION)), QUESTION_WORDS);
    }

    private float[] embed(String before, String text, int most) {
        String[] words = text.strip().split("\\s+", most + 1);
        String cut =
                words.length > most ? text.strip().substring(0, text.strip().length() - words[most].length()) : text;
        float[] vector =
                model.embed(before + (cut.isBlank() ? "?" : cut)).content().vector();
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
