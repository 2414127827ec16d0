package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

class ViewTest {

    private static final int SIZE = 64;

    private static float[] unitVector(Random random) {
        float[] vector = new float[SIZE];
        double square = 0;
        for (int i = 0; i < SIZE; i++) {
            vector[i] = (float) random.nextGaussian();
            square += vector[i] * vector[i];
        }
        for (int i = 0; i < SIZE; i++) {
            vector[i] /= (float) Math.sqrt(square);
        }
        return vector;
    }

    /** Against comparing with each text by hand. */
    @Property(tries = 100)
    void aUnitIsAsNearAsItsNearestText(@ForAll @IntRange(min = 1, max = 20) int units, @ForAll long seed) {
        Random random = new Random(seed);
        Map<String, float[]> vectors = new HashMap<>();
        List<List<String>> texts = new ArrayList<>();
        for (int u = 0; u < units; u++) {
            List<String> own = new ArrayList<>();
            for (int t = 0; t <= random.nextInt(4); t++) {
                own.add(u + "/" + t);
                vectors.put(u + "/" + t, unitVector(random));
            }
            texts.add(own);
        }
        View view = new View(texts.stream()
                .map(own -> own.stream().map(vectors::get).map(Vector::of).toList())
                .toList());
        float[] asked = unitVector(random);
        float[] roughly = view.roughly(asked);
        for (int u = 0; u < units; u++) {
            String nearest = texts.get(u).stream()
                    .max((a, b) ->
                            Double.compare(Vector.cosine(asked, vectors.get(a)), Vector.cosine(asked, vectors.get(b))))
                    .orElseThrow();
            double cosine = Vector.cosine(asked, vectors.get(nearest));
            assertThat(view.exactly(asked, u)).isEqualTo(cosine);
            assertThat((double) roughly[u]).isCloseTo(cosine, Offset.offset(0.02));
            assertThat(texts.get(u).get(view.nearest(asked, u))).isEqualTo(nearest);
            assertThat(view.each(asked, u)).hasSize(texts.get(u).size()).contains(cosine);
        }
    }

    @Test
    void anEmptyViewHasNothingNear() {
        assertThat(new View(List.of()).roughly(new float[SIZE])).isEmpty();
    }
}
