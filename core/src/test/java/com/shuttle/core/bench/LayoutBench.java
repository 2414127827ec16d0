package com.shuttle.core.bench;

import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Edited;
import com.shuttle.core.edit.FlowDiff;
import com.shuttle.core.edit.FlowEditor;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.script.Flows;
import com.shuttle.core.script.MapLayout;
import com.shuttle.core.script.ScriptLayout;
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

/** Time to lay out and to change flows of several sizes, on one thread. */
public class LayoutBench {

    private LayoutBench() {}

    /** Threads and lanes of the script. */
    @State(Scope.Thread)
    @BenchmarkMode(Mode.AverageTime)
    @OutputTimeUnit(TimeUnit.MICROSECONDS)
    public static class Lanes {
        @Param({"100", "1000", "5000"})
        public int steps;

        private Flow flow = Flow.empty("f", "F");

        @Setup
        public void make() {
            flow = Flows.written(steps, 20);
        }

        @Benchmark
        public ScriptLayout lanes() {
            return ScriptLayout.of(flow);
        }
    }

    /** The map. */
    @State(Scope.Thread)
    @BenchmarkMode(Mode.AverageTime)
    @OutputTimeUnit(TimeUnit.MICROSECONDS)
    public static class Maps {
        @Param({"50", "200", "500"})
        public int steps;

        private Flow flow = Flow.empty("f", "F");

        @Setup
        public void make() {
            flow = Flows.written(steps, 20);
        }

        @Benchmark
        public MapLayout map() {
            return MapLayout.of(flow);
        }
    }

    /** One change to a flow of 500 steps: as a value, written down, and compared with what was. */
    @State(Scope.Thread)
    @BenchmarkMode(Mode.AverageTime)
    @OutputTimeUnit(TimeUnit.MICROSECONDS)
    public static class Changes {
        private final Flow flow = Flows.written(500, 20);
        private final Flow other = ((Edited.Done) FlowEditor.apply(flow, new Edit.Move("n9", 40))).flow();
        private int number;

        @Benchmark
        public Edited change() {
            return FlowEditor.apply(flow, new Edit.Set("n250", "text.0", "Changed " + number++));
        }

        @Benchmark
        public String write() {
            return FlowJson.write(flow);
        }

        @Benchmark
        public List<FlowDiff.Change> compare() {
            return FlowDiff.between(flow, other);
        }
    }
}
