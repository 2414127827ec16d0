package com.shuttle.core.bench;

import com.shuttle.core.knowledge.Calibration;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Embedding;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.KnowledgeIndex;
import com.shuttle.core.knowledge.Meaning;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.AuxCounters;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Making an index where all vectors are at hand, and making it anew for one entry more. */
@State(Scope.Thread)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class IndexBench {

    @Param({"100", "1000", "10000", "50000"})
    int phrasings;

    private final MadeUp madeUp = new MadeUp(7);
    private final Map<String, Embedding> vectors = new HashMap<>();
    private Meaning meaning;
    private Content content;
    private KnowledgeIndex index;

    /** What is counted beside the time. */
    @AuxCounters(AuxCounters.Type.EVENTS)
    @State(Scope.Thread)
    public static class Taken {
        public double megabytes;
    }

    @Setup
    public void setUp() {
        Meaning random = MadeUp.meaning(Meaning.of(Map.of()));
        meaning = new Meaning() {
            @Override
            public Embedding readText(Model model, String text) {
                return vectors.computeIfAbsent(model + text, key -> random.readText(model, text));
            }

            @Override
            public Embedding readQuestion(Model model, String question) {
                return random.readQuestion(model, question);
            }
        };
        content = MadeUp.content(madeUp.entries(phrasings));
        index = new KnowledgeIndex(content, meaning, Calibration.USUAL);
    }

    /** {@code megabytes} tells what comes on top of the whole vectors, which were there before: 1.5 kB each. */
    @Benchmark
    public KnowledgeIndex build(Taken taken) {
        long before = used();
        KnowledgeIndex made = new KnowledgeIndex(content, meaning, Calibration.USUAL);
        taken.megabytes = (used() - before) / 1e6;
        return made;
    }

    /** So long it takes until an entry that was added is found, reading it from the database and embedding it aside. */
    @Benchmark
    public KnowledgeIndex change() {
        List<Entry> more = new ArrayList<>(content.entries());
        more.add(madeUp.entry("new"));
        return new KnowledgeIndex(MadeUp.content(more), meaning, Calibration.USUAL, List.of(index), (done, of) -> {});
    }

    private static long used() {
        System.gc();
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }
}
