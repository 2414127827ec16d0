package com.shuttle.core.knowledge;

/**
 * Reads texts such that a question and a text that answers it point alike. Some models want to be told which of the two a text
 * is. Implementations are thread-safe.
 */
public interface SentenceModel {

    /** Names the model, so that what another made of a text is not used. */
    String name();

    /** Reads a text of the knowledge; vectors always have the same dimension. */
    Embedding ofText(String text);

    /** The same for a visitor's question. */
    Embedding ofQuestion(String question);
}
