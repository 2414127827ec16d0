package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Meaning.Model;
import com.shuttle.core.knowledge.Ranking.Scored;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * Fits how much a question borrows from what the conversation is about ({@link Leaning}) to questions in a subject ({@code
 * subjects/questions.txt}) and to the collections' own questions, each with a subject drawn at random, which must not draw it away.
 * By conditional logit, on what evidence alone and evidence together say of each candidate.
 */
public final class SubjectFit {

    private static final int WEIGHTS = 4;

    /** How sharply scores tell the likelihood of candidates, as the calibration has it for leads. */
    private static final double SHARPNESS = 0.3;

    private static final double DRAWN = 0.1;
    private static final int ROUNDS = 400;
    private static final double STEP = 0.02;

    /** A candidate by the question alone and by subject and question together. */
    private record Candidate(boolean right, Evidence alone, Evidence both) {}

    /** @param figures 1, the rarest piece, the next, and the sum of all */
    private record Case(String set, boolean inSubject, double[] figures, List<Candidate> candidates) {}

    private SubjectFit() {}

    /** Fits, writes the weights, and returns the part of the page of proof that tells of subjects. @param folder of the weights */
    public static String section(Path folder) throws IOException {
        List<Case> cases = cases();
        StringBuilder page = new StringBuilder("""

                ## What a question is about

                Questions that say little by themselves, each where the conversation is about something ("how much is that", while a party is
                being booked), and questions that say it themselves, with a subject drawn at random. How much a question borrows was fitted to
                five collections and measured on the sixth. *First*: the right source comes first; *answered*: it is answered, rightly or wrongly.

                | | questions | first | among three | answered rightly | wrongly |
                | --- | --- | --- | --- | --- | --- |
                """);
        double[] none = {-100, 0, 0, 0};
        double[] all = fit(cases);
        Files.write(folder.resolve("leaning.weights"), Leaning.file(all));
        for (boolean inSubject : new boolean[] {true, false}) {
            List<Case> some =
                    cases.stream().filter(one -> one.inSubject() == inSubject).toList();
            String name = inSubject ? "in a subject" : "of themselves";
            page.append(row(name + ", by themselves", some, one -> none));
            page.append(row(name + ", completed, left out", some, leftOut(cases)));
            page.append(row(name + ", completed, seen", some, one -> all));
        }
        return page.toString();
    }

    private static Function<Case, double[]> leftOut(List<Case> cases) {
        Map<String, double[]> fits = new LinkedHashMap<>();
        cases.stream()
                .map(Case::set)
                .distinct()
                .forEach(set -> fits.put(
                        set,
                        fit(cases.stream().filter(one -> !one.set().equals(set)).toList())));
        return one -> fits.getOrDefault(one.set(), new double[WEIGHTS]);
    }

    // The samples

    private static List<Case> cases() throws IOException {
        Meaning meaning = Meaning.of(Meaning.shipped());
        Map<String, Labelled> collections = new LinkedHashMap<>();
        Map<String, KnowledgeIndex> indexes = new LinkedHashMap<>();
        for (Labelled labelled : Labelled.shipped()) {
            String name = labelled.name().replace(".txt", "");
            collections.put(name, labelled);
            indexes.put(name, new KnowledgeIndex(labelled.content(), meaning, Calibration.USUAL));
        }
        List<Case> cases = new ArrayList<>();
        Map<String, List<String>> subjects = new LinkedHashMap<>();
        String set = "";
        for (String line : Files.readAllLines(Path.of("src/test/resources/subjects/questions.txt"))) {
            String[] parts = line.split(" \\| ");
            if (line.startsWith("@")) {
                set = line.substring(1).strip();
            } else if (parts.length == 3) {
                subjects.computeIfAbsent(set, name -> new ArrayList<>()).add(parts[0]);
                cases.add(of(set, true, parts[1], parts[0], refs(collections.get(set), parts[2]), indexes, meaning));
            }
        }
        Random random = new Random(4);
        for (Map.Entry<String, Labelled> one : collections.entrySet()) {
            List<String> own = subjects.get(one.getKey());
            for (Labelled.Question question : one.getValue().questions()) {
                if (question.turns().size() == 1 && !question.accept().isEmpty()) {
                    String subject = own.get(random.nextInt(own.size()));
                    cases.add(of(
                            one.getKey(),
                            false,
                            question.turns().getLast(),
                            subject,
                            question.accept(),
                            indexes,
                            meaning));
                }
            }
        }
        return cases;
    }

    private static List<String> refs(Labelled labelled, String title) {
        return Stream.concat(
                        labelled.content().entries().stream()
                                .filter(entry -> entry.phrasings().contains(title))
                                .map(Entry::ref),
                        labelled.content().articles().stream()
                                .filter(article -> article.title().equals(title))
                                .map(Article::ref))
                .toList();
    }

    private static Case of(
            String set,
            boolean inSubject,
            String question,
            String subject,
            List<String> accept,
            Map<String, KnowledgeIndex> indexes,
            Meaning meaning) {
        KnowledgeIndex index = indexes.get(set);
        Map<String, Scored> both = new LinkedHashMap<>();
        index.scored(Inquiry.of(List.of(subject + " " + question))).forEach(one -> both.put(one.ref(), one));
        List<Candidate> candidates = index.scored(Inquiry.of(List.of(question))).stream()
                .filter(one -> both.containsKey(one.ref()))
                .map(one -> new Candidate(
                        accept.contains(one.ref()),
                        one.evidence(),
                        both.get(one.ref()).evidence()))
                .toList();
        return new Case(
                set,
                inSubject,
                Leaning.figures(
                        meaning.readQuestion(Model.SENTENCES, question).tokens().ids()),
                candidates);
    }

    // The fit

    private static double share(double[] weights, Case one) {
        double sum = 0;
        for (int i = 0; i < WEIGHTS; i++) {
            sum += weights[i] * one.figures()[i];
        }
        return 1 / (1 + Math.exp(-sum));
    }

    private static double[] fit(List<Case> cases) {
        List<Case> known = cases.stream()
                .filter(one -> one.candidates().stream().anyMatch(Candidate::right))
                .toList();
        double inSubject = known.stream().filter(Case::inSubject).count();
        // Both kinds of question count alike, so that neither is given up for the other.
        double weightOfOthers = 2 * inSubject / (known.size() - inSubject);
        double[][][] scores = known.stream()
                .map(one -> one.candidates().stream()
                        .map(c -> new double[] {Calibration.score(c.alone()), Calibration.score(c.both())})
                        .toArray(double[][]::new))
                .toArray(double[][][]::new);
        double[] weights = {4, -5, -0.5, -1};
        for (int round = 0; round < ROUNDS; round++) {
            double[] gradient = new double[WEIGHTS];
            for (int k = 0; k < known.size(); k++) {
                Case one = known.get(k);
                double share = share(weights, one);
                double slope =
                        (one.inSubject() ? 1 : weightOfOthers) * share * (1 - share) * towards(one, scores[k], share);
                for (int i = 0; i < WEIGHTS; i++) {
                    gradient[i] += slope * one.figures()[i];
                }
            }
            for (int i = 0; i < WEIGHTS; i++) {
                weights[i] += STEP * (gradient[i] - (i == 0 ? 0 : DRAWN * weights[i]));
            }
        }
        return weights;
    }

    /** How the log-likelihood of the right candidates rises with the share. */
    private static double towards(Case one, double[][] scores, double share) {
        double most =
                Arrays.stream(scores).mapToDouble(s -> mixed(s, share)).max().orElse(0);
        double all = 0;
        double right = 0;
        double allSlope = 0;
        double rightSlope = 0;
        for (int c = 0; c < scores.length; c++) {
            double likely = Math.exp(SHARPNESS * (mixed(scores[c], share) - most));
            double slope = SHARPNESS * (scores[c][1] - scores[c][0]) * likely;
            all += likely;
            allSlope += slope;
            if (one.candidates().get(c).right()) {
                right += likely;
                rightSlope += slope;
            }
        }
        return rightSlope / Math.max(right, 1e-9) - allSlope / all;
    }

    private static double mixed(double[] scores, double share) {
        return share * scores[1] + (1 - share) * scores[0];
    }

    // The figures

    private static String row(String name, List<Case> cases, Function<Case, double[]> weights) {
        int first = 0;
        int three = 0;
        int rightly = 0;
        int wrongly = 0;
        for (Case one : cases) {
            double share = share(weights.apply(one), one);
            double used = share < Leaning.LEAST ? 0 : share;
            List<Candidate> ranked = one.candidates().stream()
                    .sorted(Comparator.comparingDouble(
                            (Candidate c) -> -Calibration.score(c.both().mixed(used, c.alone()))))
                    .toList();
            Evidence best =
                    ranked.getFirst().both().mixed(used, ranked.getFirst().alone());
            double rival = Calibration.score(
                    ranked.get(1).both().mixed(used, ranked.get(1).alone()));
            boolean answered = Calibration.confidence(best, rival) >= Calibration.USUAL.answerFrom();
            boolean right = ranked.getFirst().right();
            first += right ? 1 : 0;
            three += ranked.stream().limit(3).anyMatch(Candidate::right) ? 1 : 0;
            rightly += answered && right ? 1 : 0;
            wrongly += answered && !right ? 1 : 0;
        }
        double all = cases.size();
        return String.format(
                Locale.ROOT,
                "| %s | %d | %.2f | %.2f | %.2f | %.2f |%n",
                name,
                cases.size(),
                first / all,
                three / all,
                rightly / all,
                wrongly / all);
    }
}
