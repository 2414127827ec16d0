package com.shuttle.core.knowledge;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.knowledge.Evidence.Kind;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Meaning.Model;
import com.shuttle.core.knowledge.Read.Texts;
import com.shuttle.core.knowledge.WordIndex.QueryWord;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Ranks the units of a collection as answers to a question. Vectors of whole texts, rounded, choose about {@value #CANDIDATES}
 * units out of all of them; those are then compared in every way that {@link Evidence} names. Immutable; thread-safe.
 */
final class Ranking {

    /** On 120 units one right one in eighty is not among so many. */
    private static final int CANDIDATES = 100;

    /** The confidence that a question stored word for word at least has. */
    private static final double WORD_FOR_WORD = 0.98;

    private final List<Read> reads;
    private final View wholes;
    private final View sentences;
    private final View wordings;
    private final View answers;
    private final WordIndex words;
    private final Interaction interaction;
    private final Meaning meaning;
    /** Units by their wordings, in normal form. */
    private final Map<String, Set<Integer>> byWording = new HashMap<>();

    Ranking(List<Read> reads, Synonyms synonyms, Meaning meaning) {
        this.reads = reads;
        this.meaning = meaning;
        for (int u = 0; u < reads.size(); u++) {
            if (reads.get(u).unit().source() == Source.ENTRY) {
                for (String normal : reads.get(u).normals()) {
                    byWording.computeIfAbsent(normal, n -> new HashSet<>()).add(u);
                }
            }
        }
        wholes = new View(reads.stream()
                .map(read -> List.of(read.by(Model.SENTENCES).whole()))
                .toList());
        sentences = new View(reads.stream().map(Read::sentences).toList());
        wordings = new View(
                reads.stream().map(read -> read.by(Model.WORDINGS).wordings()).toList());
        answers = new View(reads.stream()
                .map(read -> List.of(read.by(Model.ANSWERS).whole()))
                .toList());
        words = new WordIndex(reads.stream().map(Read::stems).toList(), synonyms);
        interaction = new Interaction(reads);
    }

    /** A question as it is looked for. */
    final class Asked {
        private final String normal;
        private final List<QueryWord> typed;
        private final Map<Model, Embedding> readings = new EnumMap<>(Model.class);
        private final Map<Model, Interaction.Question> pieces;

        /**
         * @param typed    as somebody wrote it
         * @param repaired with its misspellings mended
         */
        Asked(String typed, String repaired) {
            normal = Words.normal(typed);
            this.typed = words.words(repaired);
            for (Model model : Model.values()) {
                readings.put(model, meaning.readQuestion(model, repaired));
            }
            pieces = interaction.ask(readings);
        }

        private float[] by(Model model) {
            return requireNonNull(readings.get(model)).whole();
        }
    }

    /** A candidate with what speaks for it. */
    record Scored(int unit, String ref, Evidence evidence, double score, double confidence) {
        private static Scored of(int unit, String ref, Evidence evidence) {
            return new Scored(unit, ref, evidence, Calibration.score(evidence), 0);
        }

        private Scored sure(double of) {
            return new Scored(unit, ref, evidence, score, of);
        }
    }

    /** The best unit of each ref among the candidates, in no particular order. */
    List<Scored> scored(Asked asked) {
        double[] shares = words.shares(asked.typed);
        Set<Integer> candidates = new LinkedHashSet<>(stored(asked));
        candidates.addAll(candidates(asked, shares));
        return confident(
                asked,
                candidates.stream()
                        .map(unit -> Scored.of(unit, ref(unit), evidence(asked, unit, shares[unit], -1)))
                        .toList());
    }

    /**
     * The same for a question that leans on something.
     *
     * @param both  the two together
     * @param share how much of the evidence is that for both
     */
    List<Scored> scored(Asked asked, Asked both, double share) {
        double[] shares = words.shares(asked.typed);
        double[] sharesOfBoth = words.shares(both.typed);
        Set<Integer> candidates = new LinkedHashSet<>(stored(asked));
        candidates.addAll(candidates(asked, shares));
        candidates.addAll(candidates(both, sharesOfBoth));
        return confident(
                asked,
                candidates.stream()
                        .map(unit -> Scored.of(
                                unit,
                                ref(unit),
                                evidence(both, unit, sharesOfBoth[unit], -1)
                                        .mixed(share, evidence(asked, unit, shares[unit], -1))))
                        .toList());
    }

    private Set<Integer> stored(Asked asked) {
        return byWording.getOrDefault(asked.normal, Set.of());
    }

    private String ref(int unit) {
        return reads.get(unit).unit().ref();
    }

    /** The best unit of each ref, with how likely it is right. */
    private List<Scored> confident(Asked asked, List<Scored> scored) {
        Map<String, Scored> best = new LinkedHashMap<>();
        for (Scored one : scored) {
            best.merge(one.ref(), one, (a, b) -> a.score() >= b.score() ? a : b);
        }
        double first = leastRival(best.size());
        double second = first;
        for (Scored one : best.values()) {
            second = Math.max(second, Math.min(first, one.score()));
            first = Math.max(first, one.score());
        }
        Set<Integer> stored = stored(asked);
        List<Scored> all = new ArrayList<>();
        for (Scored one : best.values()) {
            double confidence = Calibration.confidence(one.evidence(), one.score() == first ? second : first);
            all.add(one.sure(stored.contains(one.unit()) ? Math.max(confidence, WORD_FOR_WORD) : confidence));
        }
        return all;
    }

    /**
     * What a rival scores at the least: few units seldom have one that comes near by chance, and one source alone has none.
     *
     * @param sources that were compared
     */
    double leastRival(int sources) {
        return sources < 2 || reads.size() < Calibration.FEW ? Calibration.USUAL_RIVAL : Double.NEGATIVE_INFINITY;
    }

    /**
     * Everything that speaks for a unit but the words shared, as if it did not have one of its wordings.
     *
     * @param without the wording's index; the unit has others
     */
    Evidence without(int unit, int without, Asked asked) {
        return evidence(asked, unit, words.shares(asked.typed)[unit], without);
    }

    private Evidence evidence(Asked asked, int unit, double share, int without) {
        double[] values = new double[Evidence.SIZE];
        for (Model model : Model.values()) {
            Texts texts = reads.get(unit).by(model);
            float[] question = asked.by(model);
            double wording = -1;
            for (int w = 0; w < texts.wordings().size(); w++) {
                if (w != without) {
                    wording = Math.max(
                            wording,
                            Vector.cosine(question, texts.wordings().get(w).whole()));
                }
            }
            values[Evidence.at(model, Kind.WHOLE)] =
                    Vector.cosine(question, texts.whole().whole());
            values[Evidence.at(model, Kind.WORDING)] = wording;
            interaction.compare(model, requireNonNull(asked.pieces.get(model)), reads.get(unit), without, values);
        }
        values[Evidence.SENTENCE] = sentences.exactly(asked.by(Model.SENTENCES), unit);
        values[Evidence.WORDS] = share;
        return new Evidence(values);
    }

    /** The units that may be among the best, by rounded vectors; more where several are equally near. */
    private List<Integer> candidates(Asked asked, double[] shares) {
        float[] whole = wholes.roughly(asked.by(Model.SENTENCES));
        float[] sentence = sentences.roughly(asked.by(Model.SENTENCES));
        float[] wording = wordings.roughly(asked.by(Model.WORDINGS));
        float[] answer = answers.roughly(asked.by(Model.ANSWERS));
        double[] rough = new double[reads.size()];
        for (int u = 0; u < rough.length; u++) {
            rough[u] = Calibration.rough(whole[u], sentence[u], wording[u], answer[u], shares[u]);
        }
        double[] sorted = rough.clone();
        Arrays.sort(sorted);
        double least = sorted[sorted.length - Math.min(CANDIDATES, sorted.length)];
        return IntStream.range(0, rough.length)
                .filter(u -> rough[u] >= least)
                .boxed()
                .toList();
    }

    /** The cosine of a question to each sentence of a unit. */
    double[] sentences(Asked asked, int unit) {
        return sentences.each(asked.by(Model.SENTENCES), unit);
    }

    /** The stored wording of a unit that is nearest to a question. */
    String nearestWording(Asked asked, int unit) {
        return reads.get(unit).unit().wordings().get(wordings.nearest(asked.by(Model.WORDINGS), unit));
    }

    /** The question's words that a unit has, as typed. */
    List<String> sharedWords(Asked asked, int unit) {
        return words.shared(asked.typed, unit);
    }
}
