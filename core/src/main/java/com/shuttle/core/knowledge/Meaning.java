package com.shuttle.core.knowledge;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Map;

/**
 * Where the readings of texts come from, by model. The shell keeps those already worked out; implementations are
 * thread-safe.
 */
public interface Meaning {

    /** The three models; see the package's documentation for why these. */
    enum Model {
        /** Trained on pairs of sentences of like meaning. */
        SENTENCES,
        /** Trained to find passages. */
        WORDINGS,
        /** Trained on questions and what answers them. */
        ANSWERS
    }

    /** A text of the knowledge, read piece by piece. */
    Embedding readText(Model model, String text);

    /** A visitor's question, read piece by piece. */
    Embedding readQuestion(Model model, String question);

    /** The unit vector of a text of the knowledge as a whole. */
    default float[] ofText(Model model, String text) {
        return readText(model, text).whole();
    }

    /** The unit vector of a visitor's question as a whole. */
    default float[] ofQuestion(Model model, String question) {
        return readQuestion(model, question).whole();
    }

    /** Nothing kept: every call runs a model. */
    static Meaning of(Map<Model, SentenceModel> models) {
        return new Meaning() {
            @Override
            public Embedding readText(Model model, String text) {
                return requireNonNull(models.get(model)).ofText(text);
            }

            @Override
            public Embedding readQuestion(Model model, String question) {
                return requireNonNull(models.get(model)).ofQuestion(question);
            }
        };
    }

    /** The models that ship, freshly loaded. */
    static Map<Model, SentenceModel> shipped() {
        return Map.of(
                Model.SENTENCES, ShippedModel.miniLm(),
                Model.WORDINGS, ShippedModel.bgeSmall(),
                Model.ANSWERS, ShippedModel.e5Small());
    }

    /** Cosines of a question to texts. */
    default double[] closeness(String question, List<String> texts) {
        float[] asked = ofQuestion(Model.SENTENCES, question);
        return texts.stream()
                .mapToDouble(text -> Vector.cosine(asked, ofText(Model.SENTENCES, text)))
                .toArray();
    }
}
