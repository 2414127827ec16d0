package com.shuttle.core.knowledge;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.util.Objects;
import org.apache.lucene.util.VectorUtil;

/**
 * The directions in which a model's vectors of word pieces differ most: {@value #TO} of the 384, which is a third of the memory
 * and of the time to compare them, and ranks about as well. They are the first principal components (Pearson 1901) of the
 * made-up collections' pieces, not centred, so that cosines stay about what they were; {@code ProjectionFit} among the tests
 * finds and writes them. Immutable; thread-safe.
 */
final class Projection {

    static final int TO = 128;

    private final float[][] directions;

    /** @param directions of unit length and at right angles to one another */
    Projection(float[][] directions) {
        this.directions = directions;
    }

    /** The one that ships for a model. */
    static Projection of(String model) {
        try (InputStream in = Objects.requireNonNull(
                Projection.class.getResourceAsStream(model + ".projection"), model + ".projection")) {
            ByteBuffer bytes = ByteBuffer.wrap(in.readAllBytes());
            int from = bytes.remaining() / TO - Float.BYTES;
            float[][] directions = new float[TO][from];
            for (float[] direction : directions) {
                float step = bytes.getFloat();
                for (int i = 0; i < from; i++) {
                    direction[i] = bytes.get() * step;
                }
            }
            return new Projection(directions);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** As {@link #of(String)} reads it: for each direction its step and its components, rounded to 8 bits. */
    byte[] bytes() {
        ByteBuffer bytes = ByteBuffer.allocate(directions.length * (Float.BYTES + directions[0].length));
        for (float[] direction : directions) {
            Vector rounded = Vector.of(direction);
            bytes.putFloat(rounded.step()).put(rounded.rounded());
        }
        return bytes.array();
    }

    /** A vector's components in these directions. */
    float[] of(float[] vector) {
        float[] components = new float[directions.length];
        for (int i = 0; i < components.length; i++) {
            components[i] = VectorUtil.dotProduct(directions[i], vector);
        }
        return components;
    }
}
