package com.shuttle.core.bench;

import java.util.Collection;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.openjdk.jmh.results.Result;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Runs the benchmarks of the core, or those of a pattern, and prints their figures with the ratios that matter. */
public final class CoreBench {

    private static final String ALL = "com\\.shuttle\\.core\\.bench\\..*";

    /** By class, method, and size or type. */
    private final Map<String, Result<?>> results = new TreeMap<>();

    private CoreBench(Collection<RunResult> run) {
        for (RunResult result : run) {
            String size = Stream.of("phrasings", "type", "steps")
                    .map(result.getParams()::getParam)
                    .filter(Objects::nonNull)
                    .map(value -> " " + value)
                    .findFirst()
                    .orElse("");
            String name = result.getParams().getBenchmark().replaceAll(".*[.$](\\w+\\.\\w+)$", "$1");
            results.put(name + size, result.getPrimaryResult());
            result.getSecondaryResults().forEach((more, figure) -> results.put(name + "." + more + size, figure));
        }
    }

    public static void main(String[] args) throws RunnerException {
        CoreBench bench = new CoreBench(new Runner(new OptionsBuilder()
                        .include(args.length > 0 ? args[0] : ALL)
                        .forks(1)
                        .warmupIterations(5)
                        .warmupTime(TimeValue.seconds(2))
                        .measurementIterations(3)
                        .measurementTime(TimeValue.seconds(1))
                        .jvmArgs(
                                "--enable-native-access=ALL-UNNAMED", "--add-modules", "jdk.incubator.vector", "-Xmx2g")
                        .verbosity(VerboseMode.SILENT)
                        .build())
                .run());
        System.out.println("Core, one thread");
        bench.flows();
        bench.turns();
        bench.knowledge();
    }

    private void flows() {
        for (String steps : new String[] {"100", "1000", "5000"}) {
            print("threads and lanes of %6s steps %,10.0f us   (aim for 1,000: 20,000)", steps, "Lanes.lanes " + steps);
        }
        for (String steps : new String[] {"50", "200", "500"}) {
            print("map of %6s steps %,10.0f us", steps, "Maps.map " + steps);
        }
        for (String what : new String[] {"change", "write", "compare"}) {
            print("flow of 500 steps: %-8s %,10.0f us", what, "Changes." + what);
        }
    }

    private void turns() {
        for (String kind : new String[] {"picked", "typedOption", "typedAnswer"}) {
            print("turns a second, 200 steps, %-12s %,12.0f   (aim 100,000)", kind, "EngineBench." + kind);
        }
        print("messages a second at %s, 10 facts ahead %,8.0f   (aim 500)", "40 options", "EngineBench.richMessage");
        for (String type : ReadingBench.TYPES) {
            compare(
                    "readings a second, %-12s %,12.0f   (aim 20,000), plain library call %,12.0f, ratio %.4f",
                    type, "ReadingBench.reading " + type, "ReadingBench.plain " + type);
        }
        print("cues decided a second among %s %,12.0f   (aim 200,000)", "twenty", "CueBench.decided");
        print("readings of five things at %s %,10.0f a second", "once", "TurnBench.severalReadings");
        print("turns of an interview of %s %,8.0f a second", "12 facts", "TurnBench.interviewOfTwelveFacts");
        compare(
                "%s %,10.0f a second, the same in Java %,12.0f, ratio %.4f",
                "expressions", "TurnBench.expression", "TurnBench.expressionInJava");
    }

    private void knowledge() {
        for (String people : new String[] {"1", "50", "500"}) {
            print(
                    "free times of %3s people in 60 days %,8.2f ms   (aim 5 for 50)",
                    people, "SlotsBench.freeTimes " + people);
        }
        for (String size : new String[] {"100", "1000", "10000", "50000"}) {
            print("index of %6s phrasings, vectors at hand %,8.0f ms", size, "IndexBench.build " + size);
            print("index of %6s phrasings, memory          %,8.0f MB", size, "IndexBench.build.megabytes " + size);
            print("index of %6s phrasings, one entry more  %,8.0f ms", size, "IndexBench.change " + size);
            compare(
                    "asking %6s phrasings %,8.0f us, embedding alone %,8.0f us, ratio %.2f   (aim 1.3)",
                    size, "SearchBench.ask " + size, "SearchBench.embeddingAlone " + size);
            Result<?> ask = results.get("SearchBench.ask " + size);
            if (ask != null) {
                System.out.printf(
                        "  asking %6s phrasings p50 %,.0f us, p95 %,.0f us%n",
                        size,
                        ask.getStatistics().getPercentile(50),
                        ask.getStatistics().getPercentile(95));
            }
        }
    }

    /** One line, where its figure was measured. */
    private void print(String line, String what, String figure) {
        Result<?> result = results.get(figure);
        if (result != null) {
            System.out.printf("  " + line + "%n", what, mean(result));
        }
    }

    /** Of all runs; what is counted beside the time would be added up otherwise. */
    private static double mean(Result<?> result) {
        return result.getStatistics().getMean();
    }

    /** One line of a figure, what it is compared with, and their ratio. */
    private void compare(String line, String what, String figure, String beside) {
        Result<?> result = results.get(figure);
        Result<?> other = results.get(beside);
        if (result != null && other != null) {
            System.out.printf("  " + line + "%n", what, mean(result), mean(other), mean(result) / mean(other));
        }
    }
}
