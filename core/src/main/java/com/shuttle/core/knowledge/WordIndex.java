package com.shuttle.core.knowledge;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
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
import org.apache.lucene.document.Document;
import org.apache.lucene.document.Field;
import org.apache.lucene.document.TextField;
import org.apache.lucene.index.DirectoryReader;
import org.apache.lucene.index.IndexWriter;
import org.apache.lucene.index.IndexWriterConfig;
import org.apache.lucene.index.Term;
import org.apache.lucene.search.BooleanClause;
import org.apache.lucene.search.BooleanQuery;
import org.apache.lucene.search.DisjunctionMaxQuery;
import org.apache.lucene.search.IndexSearcher;
import org.apache.lucene.search.Query;
import org.apache.lucene.search.ScoreDoc;
import org.apache.lucene.search.TermQuery;
import org.apache.lucene.store.ByteBuffersDirectory;

/**
 * The words of all units, in two fields: the wordings of the question, and the answers. Scores are BM25 (Robertson and
 * Zaragoza 2009, as Lucene computes it, k1 = 1.2, b = 0.75) divided by the most that the question could score, which is the
 * sum of its words' inverse document frequencies; so they lie between 0 and 1 and a word unknown to the collection
 * counts against a match. Immutable; thread-safe.
 */
final class WordIndex implements AutoCloseable {

    static final String WORDINGS = "wordings";
    static final String ANSWERS = "answers";

    /** A typed word, its index forms (stem first, then synonyms), and its weight (inverse document frequency). */
    record QueryWord(String typed, Set<String> forms, double weight) {}

    /** The share of a question's words found in a unit, in each field. */
    record Shares(double inWordings, double inAnswers) {
        static final Shares NONE = new Shares(0, 0);
    }

    private static final Analyzer ANALYZER = new EnglishAnalyzer();

    private final ByteBuffersDirectory directory = new ByteBuffersDirectory();
    private final DirectoryReader reader;
    private final IndexSearcher searcher;
    private final Map<String, Set<String>> synonyms = new LinkedHashMap<>();

    /** Indexes unit {@code i} under document number {@code i}. Both lists have the same length. */
    WordIndex(List<String> wordings, List<String> answers, List<List<String>> synonymGroups) {
        for (List<String> group : synonymGroups) {
            Set<String> stems = new LinkedHashSet<>();
            group.forEach(word -> stems.addAll(stems(word)));
            stems.forEach(stem ->
                    synonyms.computeIfAbsent(stem, s -> new LinkedHashSet<>()).addAll(stems));
        }
        try {
            try (IndexWriter writer = new IndexWriter(directory, new IndexWriterConfig(ANALYZER))) {
                for (int i = 0; i < wordings.size(); i++) {
                    Document document = new Document();
                    document.add(new TextField(WORDINGS, wordings.get(i), Field.Store.NO));
                    document.add(new TextField(ANSWERS, answers.get(i), Field.Store.NO));
                    writer.addDocument(document);
                }
                writer.forceMerge(1);
            }
            reader = DirectoryReader.open(directory);
            searcher = new IndexSearcher(reader);
            searcher.setQueryCache(null);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The telling words of a question, stop words left out, each once. */
    List<QueryWord> words(String question) {
        Map<String, QueryWord> words = new LinkedHashMap<>();
        try (TokenStream tokens = ANALYZER.tokenStream(WORDINGS, question)) {
            CharTermAttribute term = tokens.addAttribute(CharTermAttribute.class);
            OffsetAttribute offset = tokens.addAttribute(OffsetAttribute.class);
            tokens.reset();
            while (tokens.incrementToken()) {
                String stem = term.toString();
                if (!words.containsKey(stem)) {
                    Set<String> forms = new LinkedHashSet<>(List.of(stem));
                    forms.addAll(synonyms.getOrDefault(stem, Set.of()));
                    int frequency = 0;
                    for (String form : forms) {
                        frequency = Math.max(
                                frequency,
                                Math.max(
                                        reader.docFreq(new Term(WORDINGS, form)),
                                        reader.docFreq(new Term(ANSWERS, form))));
                    }
                    String typed = question.substring(offset.startOffset(), offset.endOffset());
                    words.put(stem, new QueryWord(typed, forms, weight(frequency)));
                }
            }
            tokens.end();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return List.copyOf(words.values());
    }

    /** The shares of the {@code most} best units by each field; units that share no word are absent. */
    Map<Integer, Shares> search(List<QueryWord> words, int most) {
        double all = words.stream().mapToDouble(QueryWord::weight).sum();
        if (all == 0 || reader.numDocs() == 0) {
            return Map.of();
        }
        Map<Integer, Double> wordings = search(words, WORDINGS, most, all);
        Map<Integer, Double> answers = search(words, ANSWERS, most, all);
        Map<Integer, Shares> shares = new LinkedHashMap<>();
        Set<Integer> units = new LinkedHashSet<>(wordings.keySet());
        units.addAll(answers.keySet());
        for (int unit : units) {
            shares.put(unit, new Shares(wordings.getOrDefault(unit, 0.0), answers.getOrDefault(unit, 0.0)));
        }
        return shares;
    }

    private Map<Integer, Double> search(List<QueryWord> words, String field, int most, double all) {
        BooleanQuery.Builder query = new BooleanQuery.Builder();
        words.forEach(word -> query.add(one(word, field), BooleanClause.Occur.SHOULD));
        Map<Integer, Double> found = new LinkedHashMap<>();
        try {
            for (ScoreDoc hit : searcher.search(query.build(), most).scoreDocs) {
                found.put(hit.doc, Math.min(1, hit.score / all));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return found;
    }

    private Query one(QueryWord word, String field) {
        List<Query> forms = new ArrayList<>();
        word.forms().forEach(form -> forms.add(new TermQuery(new Term(field, form))));
        return forms.size() == 1 ? forms.getFirst() : new DisjunctionMaxQuery(forms, 0);
    }

    /** The index forms of a text's words. */
    static Set<String> stems(String text) {
        Set<String> stems = new LinkedHashSet<>();
        try (TokenStream tokens = ANALYZER.tokenStream(WORDINGS, text)) {
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

    /** Inverse document frequency as BM25 has it: ln(1 + (N - n + 0.5) / (n + 0.5)). */
    private double weight(int frequency) {
        int n = Math.min(frequency, reader.numDocs());
        return Math.log(1 + (reader.numDocs() - n + 0.5) / (n + 0.5));
    }

    @Override
    public void close() throws IOException {
        reader.close();
        directory.close();
    }
}
