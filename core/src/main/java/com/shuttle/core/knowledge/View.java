package com.shuttle.core.knowledge;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** One way to look at the units: some texts of each, as one model reads them. A unit is as near as its nearest text. Immutable. */
final class View {

    private final Vectors vectors;
    /** For each unit the index of its first text; one more at the end. */
    private final int[] firstOf;

    /** @param each the vectors of each unit's texts, at least one each */
    View(List<List<Vector>> each) {
        firstOf = new int[each.size() + 1];
        List<Vector> all = new ArrayList<>();
        for (int u = 0; u < each.size(); u++) {
            firstOf[u] = all.size();
            all.addAll(each.get(u));
        }
        firstOf[each.size()] = all.size();
        vectors = new Vectors(all);
    }

    /** Approximate cosines of the units' nearest texts. */
    float[] roughly(float[] asked) {
        float[] each = vectors.roughly(asked);
        float[] best = new float[firstOf.length - 1];
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

    /** Which of a unit's texts is nearest. */
    int nearest(float[] asked, int unit) {
        double[] each = each(asked, unit);
        int best = 0;
        for (int i = 1; i < each.length; i++) {
            best = each[i] > each[best] ? i : best;
        }
        return best;
    }
}
