package com.shuttle.core.bench;

import java.util.Collection;
import java.util.Map;
import java.util.TreeMap;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Runs the benchmarks of the core and prints their figures with the ratios that matter. */
public final class CoreBench {

    private CoreBench() {}

    public static void main(String[] args) throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(args.length > 0 ? args[0] : "com\\.shuttle\\.core\\.bench\\..*")
                        .forks(1)
                        .warmupIterations(3)
                        .warmupTime(TimeValue.seconds(1))
                        .measurementIterations(3)
                        .measurementTime(TimeValue.seconds(1))
                        .jvmArgs(
                                "--enable-native-access=ALL-UNNAMED", "--add-modules", "jdk.incubator.vector", "-Xmx2g")
                        .verbosity(VerboseMode.SILENT)
                        .build())
                .run();
        Map<String, Double> figures = new TreeMap<>();
        for (RunResult result : results) {
            String name = result.getParams().getBenchmark().replaceAll(".*[.$](\\w+\\.\\w+)$", "$1");
            String size = result.getParams().getParam("phrasings");
            size = size == null ? result.getParams().getParam("type") : size;
            size = size == null ? result.getParams().getParam("steps") : size;
            figures.put(
                    name + (size == null ? "" : " " + size),
                    result.getPrimaryResult().getScore());
        }
        System.out.println("Core, one thread");
        for (String steps : new String[] {"100", "1000", "5000"}) {
            System.out.printf(
                    "  threads and lanes of %6s steps %,10.0f us   (aim for 1,000: 20,000)%n",
                    steps, figures.get("Lanes.lanes " + steps));
        }
        for (String steps : new String[] {"50", "200", "500"}) {
            System.out.printf("  map of %6s steps %,10.0f us%n", steps, figures.get("Maps.map " + steps));
        }
        for (String what : new String[] {"change", "write", "compare"}) {
            System.out.printf("  flow of 500 steps: %-8s %,10.0f us%n", what, figures.get("Changes." + what));
        }
        for (String kind : new String[] {"picked", "typedOption", "typedAnswer"}) {
            System.out.printf(
                    "  turns a second, 200 steps, %-12s %,12.0f   (aim 100,000)%n",
                    kind, figures.get("EngineBench." + kind));
        }
        for (String type : ReadingBench.TYPES) {
            double read = figures.get("ReadingBench.reading " + type);
            double plain = figures.get("ReadingBench.plain " + type);
            System.out.printf(
                    "  readings a second, %-12s %,12.0f   (aim 20,000), plain library call %,12.0f, ratio %.4f%n",
                    type, read, plain, read / plain);
        }
        System.out.printf(
                "  readings of five things at once %,10.0f a second%n", figures.get("TurnBench.severalReadings"));
        System.out.printf(
                "  turns of an interview of 12 facts %,8.0f a second%n",
                figures.get("TurnBench.interviewOfTwelveFacts"));
        double expression = figures.get("TurnBench.expression");
        double java = figures.get("TurnBench.expressionInJava");
        System.out.printf(
                "  expressions %,10.0f a second, the same in Java %,12.0f, ratio %.4f%n",
                expression, java, expression / java);
        if (!figures.containsKey("SearchBench.ask 1000")) {
            return;
        }
        for (String size : new String[] {"1000", "10000"}) {
            double ask = figures.get("SearchBench.ask " + size);
            double alone = figures.get("SearchBench.embeddingAlone " + size);
            System.out.printf(
                    "  asking %6s phrasings %,8.0f us, embedding alone %,8.0f us, ratio %.2f   (aim 1.3)%n",
                    size, ask, alone, ask / alone);
        }
    }
}
