package com.shuttle.core.knowledge;

/**
 * What speaks for a unit as the answer to a question: cosines, -1 to 1, and a share.
 *
 * @param whole    title and answer, by the model for sentences
 * @param sentence the nearest sentence of the answer, by the same
 * @param wording  the nearest stored wording, by the model for wordings
 * @param answer   title and answer, by the model for answers
 * @param words    share of the question's words found in the unit, weighted by rarity, 0 to 1
 */
record Evidence(double whole, double sentence, double wording, double answer, double words) {

    static final int SIZE = 5;

    /** In the order of the components. */
    double[] values() {
        return new double[] {whole, sentence, wording, answer, words};
    }
}
