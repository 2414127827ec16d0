package com.shuttle.core.knowledge;

import java.util.ArrayList;
import java.util.List;
import org.apache.lucene.util.VectorUtil;

/**
 * Unit vectors that are compared with all at once. Each is kept twice: whole, and rounded to 8 bits a component with a scale of its own
 * (its largest component becomes 127). The rounded ones take a quarter of the memory to read, which is what a
 * comparison with thousands costs; their cosines are within about 0.01 of the true ones, good enough to choose whom to
 * compare exactly. Immutable once filled; thread-safe then.
 */
final class Vectors {

    private final List<float[]> whole = new ArrayList<>();
    private final List<byte[]> rounded = new ArrayList<>();
    private final List<Float> scales = new ArrayList<>();
    private byte[][] bytes = new byte[0][];
    private float[] scale = new float[0];

    /** Adds a vector; its index is the number of those added before. */
    void add(float[] vector) {
        byte[] small = new byte[vector.length];
        scales.add(round(vector, small));
        whole.add(vector);
        rounded.add(small);
    }

    /** To be called once, after the last vector was added. */
    void fill() {
        bytes = rounded.toArray(byte[][]::new);
        scale = new float[scales.size()];
        for (int i = 0; i < scale.length; i++) {
            scale[i] = scales.get(i);
        }
    }

    /** Approximate cosines of a unit vector to all of these, by index. */
    float[] roughly(float[] asked) {
        byte[] small = new byte[asked.length];
        float own = round(asked, small);
        float[] cosines = new float[bytes.length];
        for (int i = 0; i < bytes.length; i++) {
            cosines[i] = VectorUtil.dotProduct(small, bytes[i]) * own * scale[i];
        }
        return cosines;
    }

    /** The cosine of a unit vector to the one of this index. */
    double exactly(float[] asked, int index) {
        return VectorUtil.dotProduct(asked, whole.get(index));
    }

    /** The cosine of two unit vectors. */
    static double cosine(float[] a, float[] b) {
        return VectorUtil.dotProduct(a, b);
    }

    private static float round(float[] vector, byte[] into) {
        float largest = 1e-9f;
        for (float x : vector) {
            largest = Math.max(largest, Math.abs(x));
        }
        float step = largest / 127;
        for (int i = 0; i < vector.length; i++) {
            into[i] = (byte) Math.round(vector[i] / step);
        }
        return step;
    }
}
