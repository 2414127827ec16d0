package com.shuttle.core.bench;

import com.shuttle.core.knowledge.Calibration;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.KnowledgeIndex;
import com.shuttle.core.knowledge.Meaning;
import java.util.List;
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
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class SearchBench {

    @Param({"100", "1000", "10000", "50000"})
    int phrasings;

    private final MadeUp madeUp = new MadeUp(7);
    private Meaning meaning;
    private KnowledgeIndex index;

    @Setup
    public void setUp() {
        meaning = MadeUp.meaning(Meaning.of(Meaning.shipped()));
        index = new KnowledgeIndex(MadeUp.content(madeUp.entries(phrasings)), meaning, Calibration.USUAL);
    }

    @Benchmark
    public Finding ask() {
        return index.ask(List.of(madeUp.question()));
    }

    @Benchmark
    public float embeddingAlone() {
        String question = madeUp.question();
        float sum = 0;
        for (Meaning.Model model : Meaning.Model.values()) {
            sum += meaning.ofQuestion(model, question)[0];
        }
        return sum;
    }
}
