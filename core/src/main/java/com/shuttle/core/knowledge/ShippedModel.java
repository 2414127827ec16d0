package com.shuttle.core.knowledge;

import ai.djl.huggingface.tokenizers.Encoding;
import ai.djl.huggingface.tokenizers.HuggingFaceTokenizer;
import ai.onnxruntime.OnnxTensor;
import ai.onnxruntime.OrtEnvironment;
import ai.onnxruntime.OrtException;
import ai.onnxruntime.OrtSession;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * Encoders of the BERT family (384 dimensions, quantised to 8 bits) that ship inside their jars and run in the process, on the
 * thread that asks. Loading one takes about a second; load once and share. Thread-safe.
 */
public final class ShippedModel implements SentenceModel {

    /** Words beyond these say nothing new, and cost. */
    private static final int MOST_WORDS = 256;

    /** The same for a question, which somebody waits for. */
    private static final int QUESTION_WORDS = 70;

    /** Longest part of a question that is looked at, in UTF-16 units: some write without spaces. */
    private static final int QUESTION = 400;

    /** What the models can take, the marks of beginning and end included. */
    private static final String MOST_PIECES = "512";

    /** How one vector is made of those of the pieces. */
    private enum Pooling {
        /** Their mean. */
        MEAN,
        /** That of the mark at the beginning. */
        FIRST
    }

    private final String name;
    private final OrtSession session;
    private final HuggingFaceTokenizer tokenizer;
    private final Pooling pooling;
    private final @Nullable Projection projection;
    private final String beforeTexts;
    private final String beforeQuestions;

    private ShippedModel(String name, String file, Pooling pooling, String beforeTexts, String beforeQuestions) {
        this.name = name;
        this.pooling = pooling;
        this.projection = "none".equals(System.getProperty("shuttle.projection")) ? null : Projection.of(name);
        this.beforeTexts = beforeTexts;
        this.beforeQuestions = beforeQuestions;
        try (InputStream model = resource(file + ".onnx");
                InputStream pieces = resource(file + "-tokenizer.json");
                OrtSession.SessionOptions options = new OrtSession.SessionOptions()) {
            // One question is short: a second thread costs more than it brings, and others ask meanwhile.
            options.setIntraOpNumThreads(1);
            options.setInterOpNumThreads(1);
            session = OrtEnvironment.getEnvironment().createSession(model.readAllBytes(), options);
            tokenizer = HuggingFaceTokenizer.newInstance(
                    pieces,
                    Map.of(
                            "padding",
                            "false",
                            "truncation",
                            "true",
                            "maxLength",
                            MOST_PIECES,
                            "modelMaxLength",
                            MOST_PIECES));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (OrtException e) {
            throw new IllegalStateException("The model " + file + " could not be loaded", e);
        }
    }

    private static InputStream resource(String file) {
        return Objects.requireNonNull(ShippedModel.class.getResourceAsStream("/" + file), file);
    }

    /** all-MiniLM-L6-v2: trained on pairs of sentences of like meaning; texts and questions are the same to it. */
    public static SentenceModel miniLm() {
        return new ShippedModel("all-minilm-l6-v2-q", "all-minilm-l6-v2-q", Pooling.MEAN, "", "");
    }

    /** bge-small-en-v1.5: trained to find passages; the instruction it may be given before a question brings nothing here. */
    public static SentenceModel bgeSmall() {
        return new ShippedModel("bge-small-en-v15-q", "bge-small-en-v1.5-q", Pooling.FIRST, "", "");
    }

    /** e5-small-v2: trained on questions and what answers them on the web; wants to be told which is which. */
    public static SentenceModel e5Small() {
        return new ShippedModel("e5-small-v2-q", "e5-small-v2-q", Pooling.MEAN, "passage: ", "query: ");
    }

    @Override
    public String name() {
        return name;
    }

    @Override
    public Embedding ofText(String text) {
        return read(beforeTexts, text, MOST_WORDS);
    }

    @Override
    public Embedding ofQuestion(String question) {
        String bare = question.strip();
        return read(beforeQuestions, bare.substring(0, Math.min(bare.length(), QUESTION)), QUESTION_WORDS);
    }

    private Embedding read(String before, String text, int most) {
        String[] words = text.strip().split("\\s+", most + 1);
        String cut =
                words.length > most ? text.strip().substring(0, text.strip().length() - words[most].length()) : text;
        Encoding pieces = tokenizer.encode(before + (cut.isBlank() ? "?" : cut));
        float[][] vectors = run(pieces);
        // The first piece is a mark of the beginning, the last one of the end; then there is what stands before the
        // text.
        int from = before.isEmpty() ? 1 : tokenizer.encode(before).getIds().length - 1;
        int to = Math.max(from, vectors.length - 1);
        int[] ids = new int[to - from];
        for (int i = 0; i < ids.length; i++) {
            ids[i] = (int) pieces.getIds()[from + i];
        }
        float[][] own = Arrays.copyOfRange(vectors, from, to);
        return Embedding.of(
                Vector.unit(pooling == Pooling.FIRST ? vectors[0] : mean(vectors)),
                ids,
                projection == null
                        ? own
                        : Arrays.stream(own).map(projection::of).toArray(float[][]::new));
    }

    private float[][] run(Encoding pieces) {
        OrtEnvironment environment = OrtEnvironment.getEnvironment();
        try (OnnxTensor ids = OnnxTensor.createTensor(environment, new long[][] {pieces.getIds()});
                OnnxTensor mask = OnnxTensor.createTensor(environment, new long[][] {pieces.getAttentionMask()});
                OnnxTensor types = OnnxTensor.createTensor(environment, new long[][] {pieces.getTypeIds()});
                OrtSession.Result result =
                        session.run(Map.of("input_ids", ids, "attention_mask", mask, "token_type_ids", types))) {
            return ((float[][][]) result.get(0).getValue())[0];
        } catch (OrtException e) {
            throw new IllegalStateException("The model " + name + " could not be run", e);
        }
    }

    private static float[] mean(float[][] vectors) {
        float[] mean = new float[vectors[0].length];
        for (float[] vector : vectors) {
            for (int i = 0; i < mean.length; i++) {
                mean[i] += vector[i] / vectors.length;
            }
        }
        return mean;
    }
}
