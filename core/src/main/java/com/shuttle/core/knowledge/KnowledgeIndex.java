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
    private static final int BY_WORDS = 50;

    private record Unit(String ref, Source source, String title, List<String> wordings, List<String> answers) {}

    private final List<Unit> units = new ArrayList<>();
    private final float[][] vectors;
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
        vectors = new float[count][];
        unitOf = new int[count];
        wordingOf = new String[count];
        answerVectors = new float[units.size()][];
        int at = 0;
        for (int u = 0; u < units.size(); u++) {
            for (String wording : units.get(u).wordings()) {
                vectors[at] = known.apply(wording);
                unitOf[at] = u;
                wordingOf[at++] = wording;
            }
            answerVectors[u] = known.apply(units.get(u).answers().getFirst());
        }
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
        List<Match> ranked = score(question).stream()
                .map(Scored::match)
                .sorted(Comparator.comparingDouble(Match::confidence).reversed().thenComparing(Match::ref))
                .limit(LISTED)
                .toList();
        double confidence = ranked.getFirst().confidence();
        return new Finding(calibration.outcome(confidence), confidence, ranked);
    }

    /** A match with what speaks for it. */
    record Scored(Match match, Evidence evidence) {}

    /** The best match of each ref among the candidates, in no particular order. */
    List<Scored> score(String typedQuestion) {
        String question = spelling.repaired(typedQuestion);
        float[] asked = embed.apply(question);
        double[] meaning = new double[units.size()];
        int[] nearest = new int[units.size()];
        Arrays.fill(meaning, -1);
        for (int i = 0; i < vectors.length; i++) {
            double cosine = VectorUtil.dotProduct(asked, vectors[i]);
            if (cosine > meaning[unitOf[i]]) {
                meaning[unitOf[i]] = cosine;
                nearest[unitOf[i]] = i;
            }
        }
        List<QueryWord> typed = words.words(question);
        Map<Integer, Shares> shares = words.search(typed, BY_WORDS);
        double[] topTwo = topTwo(meaning);
        Map<String, Scored> best = new LinkedHashMap<>();
        for (int u : candidates(meaning, shares.keySet())) {
            Shares share = shares.getOrDefault(u, Shares.NONE);
            double rival = units.size() == 1 ? meaning[u] : meaning[u] == topTwo[0] ? topTwo[1] : topTwo[0];
            Evidence evidence = new Evidence(
                    meaning[u],
                    VectorUtil.dotProduct(asked, answerVectors[u]),
                    share.inWordings(),
                    share.inAnswers(),
                    meaning[u] - rival);
            Unit unit = units.get(u);
            Why why = new Why(wordingOf[nearest[u]], meaning[u], share.inWordings(), shared(typed, unit));
            Match match = new Match(
                    unit.ref(), unit.source(), unit.title(), calibration.confidence(evidence), unit.answers(), why);
            best.merge(
                    unit.ref(),
                    new Scored(match, evidence),
                    (a, b) -> a.match().confidence() >= b.match().confidence() ? a : b);
        }
        return List.copyOf(best.values());
    }

    /** The units nearest in meaning, and all that share words. */
    private static Set<Integer> candidates(double[] meaning, Set<Integer> byWords) {
        Set<Integer> candidates = new LinkedHashSet<>(byWords);
        double least = Arrays.stream(meaning)
                .map(m -> -m)
                .sorted()
                .limit(3L * LISTED)
                .map(m -> -m)
                .min()
                .orElse(-1);
        for (int u = 0; u < meaning.length; u++) {
            if (meaning[u] >= least) {
                candidates.add(u);
            }
        }
        return candidates;
    }

    private static double[] topTwo(double[] meaning) {
        double first = -1;
        double second = -1;
        for (double m : meaning) {
            if (m > first) {
                second = first;
                first = m;
            } else if (m > second) {
                second = m;
            }
        }
        return new double[] {first, second};
    }

    private static List<String> shared(List<QueryWord> typed, Unit unit) {
        Set<String> stems = WordIndex.stems(String.join(" ", unit.wordings()));
        return typed.stream()
                .filter(word -> word.forms().stream().anyMatch(stems::contains))
                .map(QueryWord::typed)
                .toList();
    }
}
