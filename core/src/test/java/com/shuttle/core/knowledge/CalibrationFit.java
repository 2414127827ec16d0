package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Evidence.Kind;
import com.shuttle.core.knowledge.Meaning.Model;
import com.shuttle.core.knowledge.Ranking.Scored;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.stream.IntStream;

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

    /** How strongly weights are drawn to their mean, as a share of a question's log-likelihood each. */
    private static final double RIDGE = 0.3;

    private CalibrationFit() {}

    public static void main(String[] folders) throws IOException {
        Meaning meaning = remembered(Meaning.of(Meaning.shipped()));
        List<List<Case>> sets = new ArrayList<>();
        for (Labelled labelled : Labelled.shipped()) {
            sets.add(cases(labelled, meaning));
        }
        double[] spread = spread(sets);
        ablations().forEach((name, with) -> {
            Fit fit = fit(flat(sets), spread, with);
            System.out.println(name + ": weights " + Arrays.toString(fit.weights()));
            System.out.println("  of 1, score, lead, covered " + Arrays.toString(fit.confidence()));
            System.out.println("  usual rival " + rival(flat(sets), fit));
            print(name + ", left out", leftOut(sets, spread, with));
        });
        for (String folder : folders) {
            List<Case> held = cases(Labelled.folder(Path.of(folder)), meaning);
            ablations()
                    .forEach((name, with) -> print(
                            name + ", " + Path.of(folder).getFileName(),
                            outcomes(held, fit(flat(sets), spread, with))));
        }
    }

    private static Map<String, boolean[]> ablations() {
        Map<String, boolean[]> ablations = new LinkedHashMap<>();
        ablations.put("whole vectors", with(kind -> kind == Kind.WHOLE || kind == Kind.WORDING, true));
        ablations.put("pieces", with(kind -> kind != Kind.WHOLE && kind != Kind.WORDING, false));
        ablations.put("all", with(kind -> true, true));
        return ablations;
    }

    private static boolean[] with(Predicate<Kind> kinds, boolean others) {
        boolean[] with = new boolean[Evidence.SIZE];
        for (Model model : Model.values()) {
            for (Kind kind : Kind.values()) {
                with[Evidence.at(model, kind)] = kinds.test(kind);
            }
        }
        with[Evidence.SENTENCE] = others;
        with[Evidence.WORDS] = others;
        return with;
    }

    private static Meaning remembered(Meaning meaning) {
        Map<String, Embedding> kept = new ConcurrentHashMap<>();
        return new Meaning() {
            @Override
            public Embedding readText(Model model, String text) {
                return kept.computeIfAbsent(model + "<" + text, key -> meaning.readText(model, text));
            }

            @Override
            public Embedding readQuestion(Model model, String question) {
                return kept.computeIfAbsent(model + ">" + question, key -> meaning.readQuestion(model, question));
            }
        };
    }

    private static List<Case> cases(Labelled labelled, Meaning meaning) {
        KnowledgeIndex index = new KnowledgeIndex(labelled.content(), meaning, Calibration.USUAL);
        List<Case> cases = new ArrayList<>();
        for (Labelled.Question question : labelled.questions()) {
            List<Scored> scored = index.scored(Inquiry.of(question.turns()));
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

    /** Conditional logit by gradient ascent, weights not negative and drawn to their mean; ties to the units of the same source do not arise. */
    private static double[] ranking(List<Case> cases, double[] spread, boolean[] with) {
        double[] w = new double[spread.length];
        for (int k = 0; k < w.length; k++) {
            w[k] = with[k] ? 0.2 : 0;
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
            double mean = 0;
            int used = 0;
            for (int k = 0; k < w.length; k++) {
                mean += w[k];
                used += with[k] ? 1 : 0;
            }
            mean /= used;
            for (int k = 0; k < w.length; k++) {
                w[k] = with[k] ? Math.max(0, w[k] + 0.02 * (gradient[k] / count - RIDGE * (w[k] - mean))) : 0;
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
    private record Best(double score, double lead, double coverage, int rank, boolean covered) {
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
        int best = IntStream.range(0, s.length)
                .filter(i -> s[i] == first)
                .findFirst()
                .orElseThrow();
        double coverage = new Evidence(one.evidence()[best]).mean(Kind.COVERED);
        return new Best(first, first - second, coverage, rank, one.covered());
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
        double[] c = new double[4];
        for (int round = 0; round < 40; round++) {
            double[][] system = new double[4][5];
            for (int i = 0; i < 4; i++) {
                system[i][i] = 0.5;
                system[i][4] = -0.5 * c[i];
            }
            for (Best best : bests) {
                double[] x = {1, best.score(), best.lead(), best.coverage()};
                double p = chance(c, best);
                for (int i = 0; i < 4; i++) {
                    for (int j = 0; j < 4; j++) {
                        system[i][j] += p * (1 - p) * x[i] * x[j];
                    }
                    system[i][4] += ((best.right() ? 1 : 0) - p) * x[i];
                }
            }
            double[] step = solve(system);
            for (int i = 0; i < 4; i++) {
                c[i] += step[i];
            }
        }
        return c;
    }

    private static double chance(double[] c, Best best) {
        return 1 / (1 + Math.exp(-(c[0] + c[1] * best.score() + c[2] * best.lead() + c[3] * best.coverage())));
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
            if (!in.isEmpty() && name.startsWith("all")) {
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
