package com.shuttle.core.knowledge;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.lucene.analysis.Analyzer;
import org.apache.lucene.analysis.TokenStream;
import org.apache.lucene.analysis.en.EnglishAnalyzer;
import org.apache.lucene.analysis.tokenattributes.CharTermAttribute;
import org.apache.lucene.analysis.tokenattributes.OffsetAttribute;

/**
 * The words of all units, stemmed and without stop words as Lucene's English analysis has it. The share of a question's
 * words that a unit has is weighted by their inverse document frequency as in BM25 (Robertson and Zaragoza 2009), so that
 * rare words tell more and a word the collection does not have at all counts against every unit. Immutable; thread-safe.
 */
final class WordIndex {

    /** A typed word, its index forms (stem first, then synonyms), and its weight (inverse document frequency). */
    record QueryWord(String typed, Set<String> forms, double weight) {}

    private static final Analyzer ANALYZER = new EnglishAnalyzer();

    private final int units;
    private final Map<String, BitSet> unitsWith = new HashMap<>();
    private final Synonyms synonyms;

    /** @param stems of each unit */
    WordIndex(List<Set<String>> stems, Synonyms synonyms) {
        this.units = stems.size();
        this.synonyms = synonyms;
        for (int u = 0; u < units; u++) {
            for (String stem : stems.get(u)) {
                unitsWith.computeIfAbsent(stem, s -> new BitSet()).set(u);
            }
        }
    }

    /** The telling words of a question, stop words left out, each once. */
    List<QueryWord> words(String question) {
        Map<String, QueryWord> words = new LinkedHashMap<>();
        try (TokenStream tokens = ANALYZER.tokenStream("", question)) {
            CharTermAttribute term = tokens.addAttribute(CharTermAttribute.class);
            OffsetAttribute offset = tokens.addAttribute(OffsetAttribute.class);
            tokens.reset();
            while (tokens.incrementToken()) {
                String stem = term.toString();
                if (!words.containsKey(stem)) {
                    Set<String> forms = new LinkedHashSet<>(List.of(stem));
                    forms.addAll(synonyms.ofStem(stem));
                    String typed = question.substring(offset.startOffset(), offset.endOffset());
                    words.put(
                            stem, new QueryWord(typed, forms, weight(with(forms).cardinality())));
                }
            }
            tokens.end();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return List.copyOf(words.values());
    }

    /** The share of the words that each unit has, 0 to 1; 0 everywhere where there are no words. */
    double[] shares(List<QueryWord> words) {
        double[] shares = new double[units];
        double all = words.stream().mapToDouble(QueryWord::weight).sum();
        for (QueryWord word : words) {
            with(word.forms()).stream().forEach(unit -> shares[unit] += word.weight() / all);
        }
        return shares;
    }

    /** The words, as typed, that a unit has; single letters say nothing to anybody. */
    List<String> shared(List<QueryWord> words, int unit) {
        List<String> shared = new ArrayList<>();
        for (QueryWord word : words) {
            if (word.typed().length() > 1 && with(word.forms()).get(unit)) {
                shared.add(word.typed());
            }
        }
        return shared;
    }

    private BitSet with(Set<String> forms) {
        BitSet any = new BitSet();
        forms.forEach(form -> any.or(unitsWith.getOrDefault(form, new BitSet())));
        return any;
    }

    /** Inverse document frequency as BM25 has it: ln(1 + (N - n + 0.5) / (n + 0.5)). */
    private double weight(int frequency) {
        return Math.log(1 + (units - frequency + 0.5) / (frequency + 0.5));
    }

    /** The index forms of a text's words. */
    static Set<String> stems(String text) {
        Set<String> stems = new LinkedHashSet<>();
        try (TokenStream tokens = ANALYZER.tokenStream("", text)) {
            CharTermAttribute term = tokens.addAttribute(CharTermAttribute.class);
            tokens.reset();
            while (tokens.incrementToken()) {
                stems.add(term.toString());
            }
            tokens.end();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return stems;
    }
}
