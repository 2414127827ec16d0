package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Calibration.Evidence;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Finding.Why;
import com.shuttle.core.knowledge.WordIndex.QueryWord;
import com.shuttle.core.knowledge.WordIndex.Shares;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.apache.lucene.util.VectorUtil;

/**
 * Finds the answer to a question in a fixed {@link Content}, by words and by meaning.
 *
 * <p>What can be found are <i>units</i>: entries, and passages of articles. Each is scored by the cosine of the
 * question to the nearest of its wordings (for a passage: its heading and sentences), the cosine to its answer, and the
 * share of the question's words in both; {@link Calibration} makes one confidence of these. Every wording is compared
 * with (10,000 take well under the time of one embedding), so nothing is missed by an approximate search.
 *
 * <p>Immutable and thread-safe. Answering costs one embedding, or two for a question that leans on the one before.
 */
public final class KnowledgeIndex {

    /** How many matches a finding lists at the most. */
    public static final int LISTED = 8;

    /** How many units the word search may bring in. */
    private static final int BY_WORDS = 30;

    /** How many units the search by meaning brings in, or more where several are equally near. */
    private static final int BY_MEANING = 24;

    private record Unit(String ref, Source source, String title, List<String> wordings, List<String> answers) {}

    private final List<Unit> units = new ArrayList<>();
    private final Vectors vectors = new Vectors();
    /** For each unit the index of its first wording; one more at the end. */
    private final int[] firstOf;

    private final int[] unitOf;
    private final String[] wordingOf;
    private final float[][] answerVectors;
    private final WordIndex words;
    private final Spelling spelling;
    private final Function<String, float[]> embed;
    private final Calibration calibration;

    /**
     * @param known unit vectors of stored sentences; called here for every wording and answer
     * @param embed unit vectors of questions; called whenever one is asked
     * @param isWord whether a lower-case word is a word of the language, and so no misspelling of another
     */
    public KnowledgeIndex(
            Content content,
            Function<String, float[]> known,
            Function<String, float[]> embed,
            Predicate<String> isWord,
            Calibration calibration) {
        this.embed = embed;
        this.calibration = calibration;
        for (Entry entry : content.entries()) {
            units.add(new Unit(
                    entry.ref(), Source.ENTRY, entry.phrasings().getFirst(), entry.phrasings(), entry.answers()));
        }
        for (Article article : content.articles()) {
            for (Passages.Passage passage : Passages.of(article)) {
                List<String> wordings = new ArrayList<>(List.of(passage.heading()));
                wordings.addAll(passage.sentences());
                units.add(new Unit(
                        article.ref(),
                        Source.ARTICLE,
                        passage.heading(),
                        wordings,
                        List.of(String.join(" ", passage.sentences()))));
            }
        }
        int count = units.stream().mapToInt(unit -> unit.wordings().size()).sum();
        firstOf = new int[units.size() + 1];
        unitOf = new int[count];
        wordingOf = new String[count];
        answerVectors = new float[units.size()][];
        int at = 0;
        for (int u = 0; u < units.size(); u++) {
            firstOf[u] = at;
            for (String wording : units.get(u).wordings()) {
                vectors.add(known.apply(wording));
                unitOf[at] = u;
                wordingOf[at++] = wording;
            }
            answerVectors[u] = known.apply(units.get(u).answers().getFirst());
        }
        firstOf[units.size()] = at;
        vectors.fill();
        words = new WordIndex(
                units.stream()
                        .map(unit -> unit.source() == Source.ENTRY
                                ? String.join(" \n", unit.wordings())
                                : unit.wordings().getFirst())
                        .toList(),
                units.stream().map(unit -> String.join(" \n", unit.answers())).toList(),
                content.synonyms());
        spelling = new Spelling(
                units.stream().flatMap(unit -> Stream.concat(unit.wordings().stream(), unit.answers().stream())),
                isWord);
    }

    /**
     * Answers the last of {@code turns}; those before it are the visitor's earlier questions and serve to complete it.
     *
     * @param turns at least one
     */
    public Finding ask(List<String> turns) {
        String question = turns.getLast();
        Finding alone = find(question);
        if (turns.size() < 2 || !FollowUp.leansOnBefore(question)) {
            return alone;
        }
        Finding completed = find(turns.get(turns.size() - 2) + " " + question);
        return completed.confidence() > alone.confidence() ? completed : alone;
    }

    private Finding find(String question) {
        if (units.isEmpty() || question.isBlank()) {
            return Finding.NOTHING;
        }
        String repaired = spelling.repaired(question);
        List<QueryWord> typed = words.words(repaired);
        List<Match> ranked = score(repaired, typed).stream()
                .sorted(Comparator.comparingDouble(Scored::confidence)
                        .reversed()
                        .thenComparing(Scored::ref))
                .limit(LISTED)
                .map(scored -> match(scored, typed))
                .toList();
        double confidence = ranked.getFirst().confidence();
        return new Finding(calibration.outcome(confidence), confidence, ranked);
    }

    /** A candidate with what speaks for it; {@code nearest} is the index of the wording nearest in meaning. */
    record Scored(int unit, String ref, double confidence, Evidence evidence, int nearest) {}

    /** For fitting the calibration: all candidates for a question. */
    List<Scored> score(String question) {
        String repaired = spelling.repaired(question);
        return score(repaired, words.words(repaired));
    }

    /** The best unit of each ref among the candidates, in no particular order. */
    private List<Scored> score(String question, List<QueryWord> typed) {
        float[] asked = embed.apply(question);
        Map<Integer, Shares> shares = words.search(typed, BY_WORDS);
        Set<Integer> candidates = new LinkedHashSet<>(shares.keySet());
        candidates.addAll(nearest(asked));
        double[] meaning = new double[units.size()];
        int[] nearest = new int[units.size()];
        double first = -1;
        double second = -1;
        for (int u : candidates) {
            meaning[u] = -1;
            for (int i = firstOf[u]; i < firstOf[u + 1]; i++) {
                double cosine = vectors.exactly(asked, i);
                if (cosine > meaning[u]) {
                    meaning[u] = cosine;
                    nearest[u] = i;
                }
            }
            second = Math.max(second, Math.min(first, meaning[u]));
            first = Math.max(first, meaning[u]);
        }
        Map<String, Scored> best = new LinkedHashMap<>();
        for (int u : candidates) {
            Shares share = shares.getOrDefault(u, Shares.NONE);
            double rival = units.size() == 1 ? meaning[u] : meaning[u] == first ? second : first;
            Evidence evidence = new Evidence(
                    meaning[u],
                    VectorUtil.dotProduct(asked, answerVectors[u]),
                    share.inWordings(),
                    share.inAnswers(),
                    meaning[u] - rival);
            String ref = units.get(u).ref();
            best.merge(
                    ref,
                    new Scored(u, ref, calibration.confidence(evidence), evidence, nearest[u]),
                    (a, b) -> a.confidence() >= b.confidence() ? a : b);
        }
        return List.copyOf(best.values());
    }

    private Match match(Scored scored, List<QueryWord> typed) {
        Unit unit = units.get(scored.unit());
        Evidence evidence = scored.evidence();
        Why why = new Why(wordingOf[scored.nearest()], evidence.meaning(), evidence.words(), shared(typed, unit));
        return new Match(unit.ref(), unit.source(), unit.title(), scored.confidence(), unit.answers(), why);
    }

    /** The units nearest in meaning, by rough cosines, in no particular order. */
    private List<Integer> nearest(float[] asked) {
        float[] rough = vectors.roughly(asked);
        float[] best = new float[units.size()];
        Arrays.fill(best, -1);
        for (int i = 0; i < rough.length; i++) {
            best[unitOf[i]] = Math.max(best[unitOf[i]], rough[i]);
        }
        int most = Math.min(BY_MEANING, best.length);
        float[] sorted = best.clone();
        Arrays.sort(sorted);
        float least = sorted[sorted.length - most];
        List<Integer> nearest = new ArrayList<>();
        for (int u = 0; u < best.length; u++) {
            if (best[u] >= least) {
                nearest.add(u);
            }
        }
        return nearest;
    }

    private static List<String> shared(List<QueryWord> typed, Unit unit) {
        Set<String> stems = WordIndex.stems(String.join(" ", unit.wordings()));
        return typed.stream()
                .filter(word -> word.forms().stream().anyMatch(stems::contains))
                .map(QueryWord::typed)
                .toList();
    }
}
