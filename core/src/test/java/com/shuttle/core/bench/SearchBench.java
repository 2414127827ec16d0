package com.shuttle.core.bench;

import com.shuttle.core.knowledge.Calibration;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.KnowledgeIndex;
import com.shuttle.core.knowledge.Meaning;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Asking among many phrasings, beside the embedding of the question by the three models alone. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class SearchBench {

    private static final List<String> OPENINGS = List.of(
            "How do I",
            "Can I",
            "Where can I",
            "What does it cost to",
            "When may we",
            "Is it possible to",
            "Who helps me to");
    private static final List<String> VERBS = List.of(
            "book",
            "cancel",
            "visit",
            "hire",
            "repair",
            "borrow",
            "return",
            "photograph",
            "join",
            "reach",
            "open",
            "carry");
    private static final List<String> THINGS = List.of(
            "the dome",
            "a telescope",
            "the café",
            "a guide",
            "the archive",
            "a workshop",
            "the terrace",
            "a locker",
            "the tower",
            "a school visit",
            "the night tour",
            "a voucher",
            "the car park",
            "a wheelchair",
            "the garden",
            "a meteorite");
    private static final List<String> WHENS = List.of(
            "", "on Sunday", "at night", "in winter", "with children", "for a group", "without a ticket", "next year");

    @Param({"100", "1000", "10000", "50000"})
    int phrasings;

    private Meaning meaning;
    private KnowledgeIndex index;
    private final Random random = new Random(7);

    @Setup
    public void setUp() {
        Meaning shipped = Meaning.of(Meaning.shipped());
        Map<String, float[]> vectors = new HashMap<>();
        meaning = new Meaning() {
            @Override
            public float[] ofText(Model model, String text) {
                return vectors.computeIfAbsent(text, SearchBench::madeUp);
            }

            @Override
            public float[] ofQuestion(Model model, String question) {
                return shipped.ofQuestion(model, question);
            }
        };
        List<Entry> entries = new ArrayList<>();
        while (entries.size() * 4 < phrasings) {
            List<String> same = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                same.add(question());
            }
            entries.add(new Entry("e" + entries.size(), same, List.of("Answer to " + same.getFirst()), ""));
        }
        index = new KnowledgeIndex(new Content(entries, List.of(), List.of()), meaning, Calibration.USUAL);
    }

    /** Stored vectors only need the right size here: comparing with them takes the same time whatever they hold. */
    private static float[] madeUp(String text) {
        Random random = new Random(text.hashCode());
        float[] vector = new float[384];
        for (int i = 0; i < vector.length; i++) {
            vector[i] = (float) random.nextGaussian() / 20;
        }
        return vector;
    }

    private String question() {
        return of(OPENINGS) + " " + of(VERBS) + " " + of(THINGS) + " " + of(WHENS) + " number " + random.nextInt(1000)
                + "?";
    }

    private String of(List<String> words) {
        return words.get(random.nextInt(words.size()));
    }

    @Benchmark
    public Finding ask() {
        return index.ask(List.of(question()));
    }

    @Benchmark
    public float embeddingAlone() {
        String question = question();
        float sum = 0;
        for (Meaning.Model model : Meaning.Model.values()) {
            sum += meaning.ofQuestion(model, question)[0];
        }
        return sum;
    }
}
