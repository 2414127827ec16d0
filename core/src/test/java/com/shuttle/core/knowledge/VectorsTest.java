package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

class VectorsTest {

    private static float[] unit(Random random) {
        float[] vector = new float[384];
        double square = 0;
        for (int i = 0; i < vector.length; i++) {
            vector[i] = (float) random.nextGaussian();
            square += vector[i] * vector[i];
        }
        for (int i = 0; i < vector.length; i++) {
            vector[i] /= (float) Math.sqrt(square);
        }
        return vector;
    }

    @Test
    void roughCosinesAreNearTheExactOnes() {
        Random random = new Random(3);
        Vectors vectors = new Vectors(
                Stream.generate(() -> Vector.of(unit(random))).limit(300).toList());
        float[] asked = unit(random);
        float[] rough = vectors.roughly(asked);
        assertThat(rough).hasSize(300);
        for (int i = 0; i < rough.length; i++) {
            assertThat((double) rough[i]).isCloseTo(vectors.exactly(asked, i), Offset.offset(0.012));
        }
    }

    @Test
    void aVectorIsNearestToItself() {
        Random random = new Random(4);
        float[] own = unit(random);
        Vectors vectors = new Vectors(List.of(Vector.of(unit(random)), Vector.of(own)));
        assertThat(vectors.exactly(own, 1)).isCloseTo(1, Offset.offset(1e-5));
        assertThat(vectors.roughly(own)[1]).isGreaterThan(vectors.roughly(own)[0]);
    }

    @Test
    void withoutVectorsThereAreNoCosinesAndZerosDoNoHarm() {
        assertThat(new Vectors(List.of()).roughly(new float[384])).isEmpty();
        Vectors zero = new Vectors(List.of(Vector.of(new float[384])));
        assertThat(zero.roughly(new float[384])).containsExactly(0);
    }
}
