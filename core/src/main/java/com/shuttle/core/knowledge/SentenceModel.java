package com.shuttle.core.knowledge;

/**
 * Turns texts into vectors such that a question and a text that answers it point alike. Some models want to be told which
 * of the two a text is. Implementations are thread-safe.
 */
public interface SentenceModel {

    /** Names the model, so that stored vectors of another are not used. */
    String name();

    /** A vector of unit length, always of the same dimension, for a text of the knowledge. */
    float[] ofText(String text);

    /** The same for a visitor's question. */
    float[] ofQuestion(String question);
}
