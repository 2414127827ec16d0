package com.shuttle.core.knowledge;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Map;

/**
 * Where the vectors of texts come from, by model. The shell keeps those already worked out; implementations are
 * thread-safe.
 */
public interface Meaning {

    /** The three models, by what each is asked for; see the package's documentation for why these. */
    enum Model {
        /** Reads whole units and single sentences. */
        SENTENCES,
        /** Compares a question with stored wordings of questions. */
        WORDINGS,
        /** Finds the text that answers. */
        ANSWERS
    }

    /** The unit vector of a text of the knowledge. */
    float[] ofText(Model model, String text);

    /** The unit vector of a visitor's question. */
    float[] ofQuestion(Model model, String question);

    /** Nothing kept: every call runs a model. */
    static Meaning of(Map<Model, SentenceModel> models) {
        return new Meaning() {
            @Override
            public float[] ofText(Model model, String text) {
                return requireNonNull(models.get(model)).ofText(text);
            }

            @Override
            public float[] ofQuestion(Model model, String question) {
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
