package com.shuttle.core.knowledge;

import org.apache.lucene.util.VectorUtil;

/**
 * A text as a model reads it word piece by word piece: for each piece a vector that tells what it means where it stands. The
 * vectors have unit length and are kept rounded to 8 bits a component with a scale of their own; cosines of rounded ones are
 * within about 0.01 of the true ones. Immutable by agreement: the arrays are not copied.
 *
 * @param ids     of the pieces, in the vocabulary that the shipped models share
 * @param vectors of the same number, all of one dimension
 * @param steps   of the same number: what one of a vector's units is worth
 */
public record Tokens(int[] ids, byte[][] vectors, float[] steps) {

    static final Tokens NONE = new Tokens(new int[0], new byte[0][], new float[0]);

    /** @param vectors of any length but 0; they are brought to unit length */
    static Tokens of(int[] ids, float[][] vectors) {
        byte[][] rounded = new byte[ids.length][];
        float[] steps = new float[ids.length];
        for (int i = 0; i < ids.length; i++) {
            Vector vector = Vector.of(Vector.unit(vectors[i]));
            rounded[i] = vector.rounded();
            steps[i] = vector.step();
        }
        return new Tokens(ids, rounded, steps);
    }

    int size() {
        return ids.length;
    }

    /** The cosine of one of these to one of others, both of the same model. */
    float cosine(int own, Tokens others, int other) {
        return VectorUtil.dotProduct(vectors[own], others.vectors[other]) * steps[own] * others.steps[other];
    }
}
