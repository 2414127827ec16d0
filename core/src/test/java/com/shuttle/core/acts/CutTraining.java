package com.shuttle.core.acts;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Fits the logistic regression of {@link Cutting}, by the same method as {@link ActTraining}. */
final class CutTraining {

    private static final int ROUNDS = 12;
    private static final double STEP = 0.15;
    private static final double DRAWN = 1e-3;
    private static final int LEAST = 3;

    /** Weights below this are left out. */
    private static final double TOO_LITTLE = 0.05;

    private record Seen(List<String> marks, boolean begins) {}

    private final Map<String, Float> weights = new HashMap<>();
    private final Map<String, Float> squares = new HashMap<>();

    private CutTraining() {}

    /** By what stands around a gap, in the order of the alphabet. */
    static Map<String, Float> fit(List<Samples.Message> messages) {
        Map<String, Integer> counts = new HashMap<>();
        List<Seen> seen = new ArrayList<>();
        for (Samples.Message message : messages) {
            Set<Integer> starts = starts(message);
            for (Cutting.Gap gap : Cutting.gaps(message.text())) {
                seen.add(new Seen(gap.marks(), starts.contains(gap.at())));
                gap.marks().forEach(mark -> counts.merge(mark, 1, Integer::sum));
            }
        }
        CutTraining training = new CutTraining();
        Random random = new Random(7);
        for (int round = 0; round < ROUNDS; round++) {
            Collections.shuffle(seen, random);
            double step = STEP * (1 - round / (double) ROUNDS);
            seen.forEach(one -> training.learn(
                    one.marks().stream()
                            .filter(mark -> counts.get(mark) >= LEAST)
                            .toList(),
                    one.begins(),
                    step));
        }
        return training.weights.entrySet().stream()
                .filter(entry -> Math.abs(entry.getValue()) > TOO_LITTLE)
                .collect(Collectors.toMap(
                        Map.Entry::getKey,
                        entry -> Math.round(entry.getValue() * 1000) / 1000f,
                        (a, b) -> a,
                        TreeMap::new));
    }

    static Set<Integer> starts(Samples.Message message) {
        return message.clauses().stream()
                .map(Samples.Clause::start)
                .filter(start -> start > 0)
                .collect(Collectors.toSet());
    }

    private void learn(List<String> marks, boolean begins, double step) {
        double sum = marks.stream()
                .mapToDouble(mark -> weights.getOrDefault(mark, 0f))
                .sum();
        double off = 1 / (1 + Math.exp(-sum)) - (begins ? 1 : 0);
        for (String mark : marks) {
            float weight = weights.getOrDefault(mark, 0f);
            float gradient = (float) (off + DRAWN * weight);
            float squared = squares.getOrDefault(mark, 1e-2f) + gradient * gradient;
            squares.put(mark, squared);
            weights.put(mark, (float) (weight - step * gradient / Math.sqrt(squared)));
        }
    }
}
