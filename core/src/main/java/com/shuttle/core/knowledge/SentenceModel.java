package com.shuttle.core.knowledge;

/** Turns a sentence into a vector such that sentences of like meaning point alike. Implementations are thread-safe. */
public interface SentenceModel {

    /** Names the model, so that stored vectors of another are not used. */
    String name();

    /** A vector of unit length, always of the same dimension. */
    float[] embed(String sentence);

    /** Whether the model has this lower-case word as a whole, and so its language does. */
    boolean isWord(String word);
}
