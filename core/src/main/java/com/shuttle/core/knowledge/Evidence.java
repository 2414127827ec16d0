package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Meaning.Model;

/**
 * What speaks for a unit as the answer to a question: for each model the kinds of {@link Kind}, then {@link #SENTENCE} and
 * {@link #WORDS}.
 *
 * @param values {@value #SIZE} of them, cosines of -1 to 1 and shares of 0 to 1 but for {@link Kind#BEYOND}, which is a sum
 */
record Evidence(double[] values) {

    /** How one model compares a question with a unit. */
    enum Kind {
        /** Cosine to title and answer as one text. */
        WHOLE,
        /** Cosine to the nearest stored wording. */
        WORDING,
        /** How near each piece of the question has one in the unit, by its rarity in the collection. */
        COVERED,
        /** The same, by its rarity in the language. */
        TELLING,
        /** How much nearer than in other units, by rarity in the collection. */
        BEYOND,
        /** How near each piece of title and answer has one in the question. */
        RETURNED,
        /** The same of the nearest wording. */
        REWORDED
    }

    private static final int KINDS = Kind.values().length;

    /** Cosine to the nearest single sentence of the answer, by the model for sentences. */
    static final int SENTENCE = KINDS * Model.values().length;

    /** Share of the question's words found in the unit, weighted by rarity. */
    static final int WORDS = SENTENCE + 1;

    static final int SIZE = WORDS + 1;

    /** Where a kind of evidence stands among the values. */
    static int at(Model model, Kind kind) {
        return model.ordinal() * KINDS + kind.ordinal();
    }

    double of(Model model, Kind kind) {
        return values[at(model, kind)];
    }

    /** The mean over the models. */
    double mean(Kind kind) {
        double sum = 0;
        for (Model model : Model.values()) {
            sum += of(model, kind);
        }
        return sum / Model.values().length;
    }

    double sentence() {
        return values[SENTENCE];
    }

    double words() {
        return values[WORDS];
    }

    /** A share of this and the rest of another. */
    Evidence mixed(double share, Evidence other) {
        double[] mixed = new double[SIZE];
        for (int i = 0; i < SIZE; i++) {
            mixed[i] = share * values[i] + (1 - share) * other.values[i];
        }
        return new Evidence(mixed);
    }
}
