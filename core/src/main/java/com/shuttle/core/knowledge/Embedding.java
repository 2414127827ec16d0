package com.shuttle.core.knowledge;

import java.nio.ByteBuffer;
import java.util.Arrays;

/**
 * What a model makes of a text: one vector for all of it, and one for each of its word pieces.
 *
 * @param whole of unit length
 */
public record Embedding(float[] whole, Tokens tokens) {

    /** @param vectors of the pieces, of any length but 0 */
    public static Embedding of(float[] whole, int[] ids, float[][] vectors) {
        return new Embedding(whole, Tokens.of(ids, vectors));
    }

    /** A reading without pieces, for models that give none. */
    public static Embedding of(float[] whole) {
        return new Embedding(whole, Tokens.NONE);
    }

    /** To be kept: the dimension and the vector, then the dimension and number of the pieces, and of each its id, step and vector. */
    public byte[] bytes() {
        int dimension = tokens.size() == 0 ? 0 : tokens.vectors()[0].length;
        ByteBuffer bytes = ByteBuffer.allocate(3 * Integer.BYTES
                + whole.length * Float.BYTES
                + tokens.size() * (Integer.BYTES + Float.BYTES + dimension));
        bytes.putInt(whole.length);
        for (float x : whole) {
            bytes.putFloat(x);
        }
        bytes.putInt(dimension).putInt(tokens.size());
        for (int i = 0; i < tokens.size(); i++) {
            bytes.putInt(tokens.ids()[i]).putFloat(tokens.steps()[i]).put(tokens.vectors()[i]);
        }
        return bytes.array();
    }

    /** What was kept by {@link #bytes}. */
    public static Embedding of(byte[] kept) {
        ByteBuffer bytes = ByteBuffer.wrap(kept);
        float[] whole = new float[bytes.getInt()];
        for (int i = 0; i < whole.length; i++) {
            whole[i] = bytes.getFloat();
        }
        int dimension = bytes.getInt();
        int size = bytes.getInt();
        int[] ids = new int[size];
        float[] steps = new float[size];
        byte[][] vectors = new byte[size][dimension];
        for (int i = 0; i < size; i++) {
            ids[i] = bytes.getInt();
            steps[i] = bytes.getFloat();
            bytes.get(vectors[i]);
        }
        return new Embedding(whole, new Tokens(ids, vectors, steps));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Embedding(float[] otherWhole, Tokens otherTokens)
                && Arrays.equals(whole, otherWhole)
                && Arrays.equals(tokens.ids(), otherTokens.ids())
                && Arrays.equals(tokens.steps(), otherTokens.steps())
                && Arrays.deepEquals(tokens.vectors(), otherTokens.vectors());
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(whole);
    }
}
