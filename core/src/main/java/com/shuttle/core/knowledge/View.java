package com.shuttle.core.knowledge;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;

/** One way to look at the units: some texts of each, as one model reads them. A unit is as near as its nearest text. Immutable. */
final class View {

    private final Vectors vectors = new Vectors();
    /** For each unit the index of its first text; one more at the end. */
    private final int[] firstOf;

    private final List<List<String>> texts;

    /** @param texts of each unit, at least one each */
    View(List<List<String>> texts, Function<String, float[]> vector) {
        this.texts = texts;
        firstOf = new int[texts.size() + 1];
        int at = 0;
        for (int u = 0; u < texts.size(); u++) {
            firstOf[u] = at;
            for (String text : texts.get(u)) {
                vectors.add(vector.apply(text));
                at++;
            }
        }
        firstOf[texts.size()] = at;
        vectors.fill();
    }

    /** Approximate cosines of the units' nearest texts. */
    float[] roughly(float[] asked) {
        float[] each = vectors.roughly(asked);
        float[] best = new float[texts.size()];
        Arrays.fill(best, -1);
        for (int u = 0; u < best.length; u++) {
            for (int i = firstOf[u]; i < firstOf[u + 1]; i++) {
                best[u] = Math.max(best[u], each[i]);
            }
        }
        return best;
    }

    /** The cosine of a unit's nearest text. */
    double exactly(float[] asked, int unit) {
        double best = -1;
        for (int i = firstOf[unit]; i < firstOf[unit + 1]; i++) {
            best = Math.max(best, vectors.exactly(asked, i));
        }
        return best;
    }

    /** The cosine of each of a unit's texts, in their order. */
    double[] each(float[] asked, int unit) {
        double[] each = new double[firstOf[unit + 1] - firstOf[unit]];
        for (int i = 0; i < each.length; i++) {
            each[i] = vectors.exactly(asked, firstOf[unit] + i);
        }
        return each;
    }

    /** The text of a unit that is nearest. */
    String nearest(float[] asked, int unit) {
        double[] each = each(asked, unit);
        int best = 0;
        for (int i = 1; i < each.length; i++) {
            best = each[i] > each[best] ? i : best;
        }
        return texts.get(unit).get(best);
    }
}
