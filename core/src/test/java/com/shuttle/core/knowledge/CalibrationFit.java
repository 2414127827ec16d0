package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.KnowledgeIndex.Scored;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Fits {@link Calibration} to the made-up collections and prints its weights, what each kind of evidence brings, and how
 * well confidences hold on collections left out of the fit.
 *
 * <p>usage: folders with {@code kb.json} and {@code queries.jsonl} to measure too; they are never fitted to.
 */
final class CalibrationFit {

    /** A question's candidates: their evidence, which of them are right, and whether it is covered at all. */
    private record Case(double[][] evidence, boolean[] right, boolean covered) {}

    /** What was fitted: weights of the evidence, then of 1, score and lead. */
    private record Fit(double[] weights, double[] confidence) {}

    private static final String[] KINDS = {"whole", "sentence", "wording", "answer", "words"};

    /** Words bring nothing that the models do not on these collections, but names and numbers no model knows need them. */
    private static final double LEAST_FOR_WORDS = 0.05;

    private CalibrationFit() {}

    public static void main(String[] folders) throws IOException {
        Meaning meaning = remembered(Meaning.of(Meaning.shipped()));
        List<List<Case>> sets = new ArrayList<>();
        for (Labelled labelled : Labelled.shipped()) {
            sets.add(cases(labelled, meaning));
        }
        double[] spread = spread(sets);
        for (boolean[] with : ablations()) {
            Fit fit = fit(flat(sets), spread, with);
            System.out.println(name(with) + ": weights " + Arrays.toString(fit.weights()));
            System.out.println("  of 1, score, lead " + Arrays.toString(fit.confidence()));
            System.out.println("  usual rival " + rival(flat(sets), fit));
            print(name(with) + ", left out", leftOut(sets, spread, with));
        }
        for (String folder : folders) {
            List<Case> held = cases(Labelled.folder(Path.of(folder)), meaning);
            for (boolean[] with : ablations()) {
                print(name(with) + ", " + folder, outcomes(held, fit(flat(sets), spread, with)));
            }
        }
    }

    private static boolean[] allOf() {
        boolean[] all = new boolean[Evidence.SIZE];
        Arrays.fill(all, true);
        return all;
    }

    private static List<boolean[]> ablations() {
        return List.of(
                new boolean[] {false, false, false, false, true},
                new boolean[] {true, true, false, false, false},
                new boolean[] {false, false, true, false, false},
                new boolean[] {false, false, false, true, false},
                new boolean[] {true, true, true, false, false},
                new boolean[] {true, false, true, true, false},
                new boolean[] {true, true, true, true, false},
                allOf());
    }

    private static String name(boolean[] with) {
        List<String> names = new ArrayList<>();
        for (int i = 0; i < with.length; i++) {
            if (with[i]) {
                names.add(KINDS[i]);
            }
        }
        return String.join("+", names);
    }

    private static Meaning remembered(Meaning meaning) {
        Map<String, float[]> kept = new ConcurrentHashMap<>();
        return new Meaning() {
            @Override
            public float[] ofText(Model model, String text) {
                return kept.computeIfAbsent(model + "<" + text, key -> meaning.ofText(model, text));
            }

            @Override
            public float[] ofQuestion(Model model, String question) {
                return kept.computeIfAbsent(model + ">" + question, key -> meaning.ofQuestion(model, question));
            }
        };
    }

    private static List<Case> cases(Labelled labelled, Meaning meaning) {
        KnowledgeIndex index = new KnowledgeIndex(labelled.content(), meaning, Calibration.USUAL);
        List<Case> cases = new ArrayList<>();
        for (Labelled.Question question : labelled.questions()) {
            List<Scored> scored = index.scored(String.join(" ", question.turns()));
            double[][] evidence =
                    scored.stream().map(one -> one.evidence().values()).toArray(double[][]::new);
            boolean[] right = new boolean[evidence.length];
            for (int i = 0; i < right.length; i++) {
                right[i] = question.accept().contains(scored.get(i).ref());
            }
            cases.add(new Case(evidence, right, !question.accept().isEmpty()));
        }
        return cases;
    }

    private static List<Case> flat(List<List<Case>> sets) {
        return sets.stream().flatMap(List::stream).toList();
    }

    /** The mean standard deviation of each kind of evidence within a question's candidates. */
    private static double[] spread(List<List<Case>> sets) {
        double[] spread = new double[Evidence.SIZE];
        List<Case> cases = flat(sets);
        for (Case one : cases) {
            for (int k = 0; k < spread.length; k++) {
                int kind = k;
                double mean = Arrays.stream(one.evidence())
                        .mapToDouble(e -> e[kind])
                        .average()
                        .orElse(0);
                spread[k] += Math.sqrt(Arrays.stream(one.evidence())
                                .mapToDouble(e -> (e[kind] - mean) * (e[kind] - mean))
                                .average()
                                .orElse(0))
                        / cases.size();
            }
        }
        return spread;
    }

    private static Fit fit(List<Case> cases, double[] spread, boolean[] with) {
        double[] weights = ranking(cases, spread, with);
        return new Fit(weights, confidence(cases, weights));
    }

    /** Conditional logit by gradient ascent, weights not negative; ties to the units of the same source do not arise. */
    private static double[] ranking(List<Case> cases, double[] spread, boolean[] with) {
        double[] w = new double[spread.length];
        for (int k = 0; k < w.length; k++) {
            w[k] = with[k] ? 0.5 : 0;
        }
        for (int round = 0; round < 1500; round++) {
            double[] gradient = new double[w.length];
            int count = 0;
            for (Case one : cases) {
                if (!one.covered()) {
                    continue;
                }
                count++;
                double[] p = softmax(one, w, spread);
                double right = 0;
                for (int i = 0; i < p.length; i++) {
                    right += one.right()[i] ? p[i] : 0;
                }
                for (int i = 0; i < p.length; i++) {
                    double wanted = one.right()[i] && right > 0 ? p[i] / right : 0;
                    for (int k = 0; k < w.length; k++) {
                        gradient[k] += (wanted - p[i]) * one.evidence()[i][k] / spread[k];
                    }
                }
            }
            for (int k = 0; k < w.length; k++) {
                double least = with[k] && k == w.length - 1 ? LEAST_FOR_WORDS : 0;
                w[k] = with[k] ? Math.max(least, w[k] + 0.2 * (gradient[k] / count - 0.06 * w[k])) : 0;
            }
        }
        for (int k = 0; k < w.length; k++) {
            w[k] /= spread[k];
        }
        return w;
    }

    private static double[] softmax(Case one, double[] w, double[] spread) {
        double[] s = new double[one.evidence().length];
        for (int i = 0; i < s.length; i++) {
            for (int k = 0; k < w.length; k++) {
                s[i] += w[k] * one.evidence()[i][k] / spread[k];
            }
        }
        double most = Arrays.stream(s).max().orElse(0);
        double sum = 0;
        for (int i = 0; i < s.length; i++) {
            s[i] = Math.exp(s[i] - most);
            sum += s[i];
        }
        for (int i = 0; i < s.length; i++) {
            s[i] /= sum;
        }
        return s;
    }

    /** The best candidate: its score, its lead, and whether it is right. */
    private record Best(double score, double lead, int rank, boolean covered) {
        boolean right() {
            return rank == 0;
        }
    }

    private static Best best(Case one, double[] weights) {
        double[] s = new double[one.evidence().length];
        for (int i = 0; i < s.length; i++) {
            for (int k = 0; k < weights.length; k++) {
                s[i] += weights[k] * one.evidence()[i][k];
            }
        }
        double first = Arrays.stream(s).max().orElseThrow();
        double second = Arrays.stream(s).filter(x -> x < first).max().orElse(first);
        double right = -1e9;
        for (int i = 0; i < s.length; i++) {
            right = one.right()[i] ? Math.max(right, s[i]) : right;
        }
        double of = right;
        int rank = one.covered() ? (int) Arrays.stream(s).filter(x -> x > of).count() : 99;
        return new Best(first, first - second, rank, one.covered());
    }

    private static double rival(List<Case> cases, Fit fit) {
        return cases.stream()
                .map(one -> best(one, fit.weights()))
                .mapToDouble(best -> best.score() - best.lead())
                .average()
                .orElseThrow();
    }

    /** Logistic regression of being right on 1, score and lead: Newton's method with a small ridge. */
    private static double[] confidence(List<Case> cases, double[] weights) {
        List<Best> bests = cases.stream().map(one -> best(one, weights)).toList();
        double[] c = new double[3];
        for (int round = 0; round < 40; round++) {
            double[][] system = new double[3][4];
            for (int i = 0; i < 3; i++) {
                system[i][i] = 0.5;
                system[i][3] = -0.5 * c[i];
            }
            for (Best best : bests) {
                double[] x = {1, best.score(), best.lead()};
                double p = chance(c, best);
                for (int i = 0; i < 3; i++) {
                    for (int j = 0; j < 3; j++) {
                        system[i][j] += p * (1 - p) * x[i] * x[j];
                    }
                    system[i][3] += ((best.right() ? 1 : 0) - p) * x[i];
                }
            }
            double[] step = solve(system);
            for (int i = 0; i < 3; i++) {
                c[i] += step[i];
            }
        }
        return c;
    }

    private static double chance(double[] c, Best best) {
        return 1 / (1 + Math.exp(-(c[0] + c[1] * best.score() + c[2] * best.lead())));
    }

    /** Gauss-Jordan on an augmented matrix with a dominant diagonal. */
    private static double[] solve(double[][] a) {
        int n = a.length;
        for (int i = 0; i < n; i++) {
            double pivot = a[i][i];
            for (int j = 0; j <= n; j++) {
                a[i][j] /= pivot;
            }
            for (int k = 0; k < n; k++) {
                double factor = a[k][i];
                for (int j = 0; k != i && j <= n; j++) {
                    a[k][j] -= factor * a[i][j];
                }
            }
        }
        return Arrays.stream(a).mapToDouble(row -> row[n]).toArray();
    }

    /** A best match with its confidence. */
    private record Outcome(Best best, double confidence) {}

    private static List<Outcome> outcomes(List<Case> cases, Fit fit) {
        return cases.stream()
                .map(one -> best(one, fit.weights()))
                .map(best -> new Outcome(best, chance(fit.confidence(), best)))
                .toList();
    }

    /** Each collection measured by what was fitted to the others. */
    private static List<Outcome> leftOut(List<List<Case>> sets, double[] spread, boolean[] with) {
        List<Outcome> outcomes = new ArrayList<>();
        for (List<Case> out : sets) {
            outcomes.addAll(outcomes(
                    out, fit(flat(sets.stream().filter(set -> set != out).toList()), spread, with)));
        }
        return outcomes;
    }

    private static void print(String name, List<Outcome> outcomes) {
        double covered = outcomes.stream().filter(o -> o.best().covered()).count();
        double others = outcomes.size() - covered;
        double first = outcomes.stream().filter(o -> o.best().right()).count() / covered;
        double three = outcomes.stream().filter(o -> o.best().rank() < 3).count() / covered;
        System.out.printf(Locale.ROOT, "%-60s first %.3f  three %.3f", name, first, three);
        for (double from : new double[] {0.5, 0.55, 0.6, 0.62, 0.65, 0.7}) {
            double right = outcomes.stream()
                            .filter(o -> o.confidence() >= from && o.best().right())
                            .count()
                    / covered;
            double wrong = outcomes.stream()
                            .filter(o -> o.confidence() >= from
                                    && o.best().covered()
                                    && !o.best().right())
                            .count()
                    / covered;
            double refused = outcomes.stream()
                            .filter(o -> o.confidence() < from && !o.best().covered())
                            .count()
                    / others;
            System.out.printf(Locale.ROOT, "  | %.2f: %.2f %.2f %.2f", from, right, wrong, refused);
        }
        System.out.println();
        for (int band = 0; band < 10; band++) {
            double from = band / 10.0;
            List<Outcome> in = outcomes.stream()
                    .filter(o -> o.confidence() >= from && o.confidence() < from + 0.1)
                    .toList();
            if (!in.isEmpty() && name.contains("+words")) {
                System.out.printf(
                        Locale.ROOT,
                        "    %.1f to %.1f: %3d questions, mean confidence %.2f, right %.2f%n",
                        from,
                        from + 0.1,
                        in.size(),
                        in.stream().mapToDouble(Outcome::confidence).average().orElse(0),
                        in.stream().filter(o -> o.best().right()).count() / (double) in.size());
            }
        }
    }
}
