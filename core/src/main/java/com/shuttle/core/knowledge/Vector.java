package com.shuttle.core.knowledge;

import org.apache.lucene.util.VectorUtil;

/**
 * A unit vector kept twice: whole, and rounded to 8 bits a component with a scale of its own (its largest component becomes
 * 127). The rounded form takes a quarter of the memory to read, which is what a comparison with thousands costs; cosines
 * of rounded vectors are within about 0.01 of the true ones. Immutable by agreement: the arrays are not copied.
 *
 * @param whole   of length 1, or all zeros
 * @param rounded {@code whole} divided by {@code step}
 */
record Vector(float[] whole, byte[] rounded, float step) {

    static Vector of(float[] whole) {
        float largest = 1e-9f;
        for (float x : whole) {
            largest = Math.max(largest, Math.abs(x));
        }
        float step = largest / 127;
        byte[] rounded = new byte[whole.length];
        for (int i = 0; i < whole.length; i++) {
            rounded[i] = (byte) Math.round(whole[i] / step);
        }
        return new Vector(whole, rounded, step);
    }

    /** The same direction with length 1; zeros stay as they are. */
    static float[] unit(float[] any) {
        float square = VectorUtil.dotProduct(any, any);
        float scale = square == 0 ? 0 : (float) (1 / Math.sqrt(square));
        float[] unit = new float[any.length];
        for (int i = 0; i < any.length; i++) {
            unit[i] = any[i] * scale;
        }
        return unit;
    }

    /** The cosine of two unit vectors. */
    static double cosine(float[] a, float[] b) {
        return VectorUtil.dotProduct(a, b);
    }
}
