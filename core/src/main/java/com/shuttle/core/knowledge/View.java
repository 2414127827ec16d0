package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Read.Look;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** One way to look at the units: some texts of each, as one model reads them. A unit is as near as its nearest text. Immutable. */
final class View {

    private final Vectors vectors;
    /** For each unit the index of its first text; one more at the end. */
    private final int[] firstOf;

    private final List<List<String>> texts;

    /**
     * @param texts of each unit, at least one each
     * @param each  the vectors of those texts
     */
    View(List<List<String>> texts, List<List<Vector>> each) {
        this.texts = texts;
        firstOf = new int[texts.size() + 1];
        List<Vector> all = new ArrayList<>();
        for (int u = 0; u < texts.size(); u++) {
            firstOf[u] = all.size();
            all.addAll(each.get(u));
        }
        firstOf[texts.size()] = all.size();
        vectors = new Vectors(all);
    }

    /** The units, looked at in one way. */
    static View of(List<Read> units, Look look) {
        return new View(
                units.stream().map(read -> look.texts(read.unit())).toList(),
                units.stream().map(read -> read.vectors().get(look)).toList());
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
