package com.shuttle.core.acts;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/**
 * Fits the multinomial logistic regression of {@link ActWeights}: stochastic gradients with steps of their own for each weight
 * (AdaGrad, Duchi, Hazan and Singer 2011), drawn to zero, in an order that hangs on a seed alone, so that it always comes to the
 * same.
 */
final class ActTraining {

    /** Marks that stand in fewer clauses are left out. */
    private static final int LEAST = 3;

    private static final int ROUNDS = 14;
    private static final double STEP = 0.08;
    private static final double DRAWN = 1e-3;

    /** Errors below this teach nothing that would be worth their time. */
    private static final double TOO_LITTLE = 2e-3;

    /** A clause with what it does. */
    record Example(Features features, Kind kind) {}

    private final List<String> marks = new ArrayList<>();
    private final Map<String, Integer> index = new HashMap<>();
    private final float[][] weights;
    private final float[][] squares;
    private final int figures;

    private ActTraining(List<Example> examples) {
        Map<String, Integer> counts = new HashMap<>();
        examples.forEach(one -> one.features().words().forEach(mark -> counts.merge(mark, 1, Integer::sum)));
        counts.entrySet().stream()
                .filter(entry -> entry.getValue() >= LEAST)
                .map(Map.Entry::getKey)
                .sorted()
                .forEach(mark -> {
                    index.put(mark, marks.size());
                    marks.add(mark);
                });
        figures = examples.getFirst().features().figures().length;
        weights = new float[Kind.values().length][1 + figures + marks.size()];
        squares = new float[weights.length][weights[0].length];
        for (float[] row : squares) {
            Arrays.fill(row, 1e-3f);
        }
    }

    static ActWeights fit(List<Example> examples, String hash, float sharpness) {
        ActTraining training = new ActTraining(examples);
        List<Example> order = new ArrayList<>(examples);
        Random random = new Random(7);
        for (int round = 0; round < ROUNDS; round++) {
            Collections.shuffle(order, random);
            double step = STEP * (1 - round / (double) ROUNDS);
            order.forEach(one -> training.learn(one, step));
        }
        return ActWeights.of(hash, sharpness, training.marks, training.weights);
    }

    private void learn(Example one, double step) {
        float[] own = one.features().figures();
        int[] present = one.features().words().stream()
                .filter(index::containsKey)
                .mapToInt(mark -> 1 + figures + index.get(mark))
                .sorted()
                .toArray();
        double[] sums = new double[weights.length];
        for (int k = 0; k < sums.length; k++) {
            float[] row = weights[k];
            float sum = row[0];
            for (int i = 0; i < figures; i++) {
                sum += row[1 + i] * own[i];
            }
            for (int at : present) {
                sum += row[at];
            }
            sums[k] = sum;
        }
        double[] odds = ActWeights.softmax(sums);
        for (int k = 0; k < odds.length; k++) {
            float off = (float) (odds[k] - (k == one.kind().ordinal() ? 1 : 0));
            if (Math.abs(off) > TOO_LITTLE) {
                float[] row = weights[k];
                float[] squared = squares[k];
                move(row, squared, 0, off, step);
                for (int i = 0; i < figures; i++) {
                    if (own[i] != 0) {
                        move(row, squared, 1 + i, off * own[i], step);
                    }
                }
                for (int at : present) {
                    move(row, squared, at, off, step);
                }
            }
        }
    }

    private static void move(float[] row, float[] squared, int at, float gradient, double step) {
        float drawn = gradient + (float) DRAWN * row[at];
        squared[at] += drawn * drawn;
        row[at] -= (float) (step * drawn / Math.sqrt(squared[at]));
    }
}
