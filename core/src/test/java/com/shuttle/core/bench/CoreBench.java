package com.shuttle.core.bench;

import java.util.Collection;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.openjdk.jmh.results.Result;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Runs the benchmarks of the core, or those of a pattern, and tells their figures with the ratios that matter. */
public final class CoreBench {

    private static final String PART = "Core, one thread";
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
        bench.flows();
        bench.turns();
        bench.knowledge();
    }

    private void flows() {
        for (String steps : new String[] {"100", "1000", "5000"}) {
            tell(
                    "threads and lanes of " + steps + " steps",
                    "us",
                    "Lanes.lanes " + steps,
                    figure -> steps.equals("1000") ? figure.atMost(20_000) : figure);
        }
        for (String steps : new String[] {"50", "200", "500"}) {
            tell("map of " + steps + " steps", "us", "Maps.map " + steps, plain());
        }
        for (String what : new String[] {"change", "write", "compare"}) {
            tell("flow of 500 steps: " + what, "us", "Changes." + what, plain());
        }
    }

    private void turns() {
        for (String kind : new String[] {"picked", "typedOption", "typedAnswer"}) {
            tell("turns of 200 steps, " + kind, "/s", "EngineBench." + kind, figure -> figure.atLeast(100_000));
        }
        tell("messages at 40 options, 10 facts ahead", "/s", "EngineBench.richMessage", figure -> figure.atLeast(500));
        tell(
                "the same with the odds of what they do",
                "/s",
                "EngineBench.listenedMessage",
                figure -> figure.atLeast(66));
        tell("a label typed, with the same", "/s", "EngineBench.typedLabel", figure -> figure.atLeast(10_000));
        for (String type : ReadingBench.TYPES) {
            compare(
                    "readings of " + type + " beside a library's call",
                    "/s",
                    "ReadingBench.reading " + type,
                    "ReadingBench.plain " + type,
                    figure -> figure.atLeast(20_000));
        }
        tell("cues decided among twenty", "/s", "CueBench.decided", figure -> figure.atLeast(200_000));
        tell("readings of five things at once", "/s", "TurnBench.severalReadings", plain());
        tell("turns of an interview of 12 facts", "/s", "TurnBench.interviewOfTwelveFacts", plain());
        compare(
                "expressions beside the same in Java",
                "/s",
                "TurnBench.expression",
                "TurnBench.expressionInJava",
                plain());
    }

    private void knowledge() {
        for (String people : new String[] {"1", "50", "500"}) {
            tell(
                    "free times of " + people + " people in 60 days",
                    "ms",
                    "SlotsBench.freeTimes " + people,
                    figure -> people.equals("50") ? figure.atMost(5) : figure);
        }
        for (String size : new String[] {"100", "1000", "10000", "50000"}) {
            String phrasings = size + " phrasings";
            tell("index of " + phrasings + ", vectors at hand", "ms", "IndexBench.build " + size, plain());
            tell("index of " + phrasings + ", memory", "MB", "IndexBench.build.megabytes " + size, plain());
            tell("index of " + phrasings + ", one entry more", "ms", "IndexBench.change " + size, plain());
            compare(
                    "asking " + phrasings + " beside embedding alone",
                    "us",
                    "SearchBench.ask " + size,
                    "SearchBench.embeddingAlone " + size,
                    figure -> figure.ratioAtMost(1.3));
            Result<?> ask = results.get("SearchBench.ask " + size);
            if (ask != null) {
                Figure.of(
                                PART,
                                "asking " + phrasings + ", 95 of 100 within",
                                ask.getStatistics().getPercentile(95),
                                "us")
                        .tell();
            }
        }
    }

    private static UnaryOperator<Figure> plain() {
        return UnaryOperator.identity();
    }

    /** Tells a figure, where it was measured. */
    private void tell(String what, String unit, String figure, UnaryOperator<Figure> aim) {
        Result<?> result = results.get(figure);
        if (result != null) {
            aim.apply(Figure.of(PART, what, mean(result), unit)).tell();
        }
    }

    /** Of all runs; what is counted beside the time would be added up otherwise. */
    private static double mean(Result<?> result) {
        return result.getStatistics().getMean();
    }

    /** Tells a figure and what it is compared with. */
    private void compare(String what, String unit, String figure, String beside, UnaryOperator<Figure> aim) {
        Result<?> other = results.get(beside);
        if (other != null) {
            tell(what, unit, figure, measured -> aim.apply(measured.beside(mean(other))));
        }
    }
}
