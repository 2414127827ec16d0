package com.shuttle.core.acts;

import com.shuttle.core.acts.ActTraining.Example;
import com.shuttle.core.engine.Corpora;
import com.shuttle.core.knowledge.Embedding;
import com.shuttle.core.knowledge.Meaning;
import com.shuttle.core.knowledge.SentenceModel;
import com.shuttle.core.knowledge.SubjectFit;
import com.shuttle.core.reading.Context;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Learns what clauses do from the samples: writes the weights that ship, and the page that says how well they do on trades and on
 * manners of writing that were left out. Always comes to the same from the same samples.
 */
public final class Learn {

    /** Trades are left out in so many parts, each once. */
    private static final int PARTS = 5;

    /** From here on a clause is taken for what it is said to be, without asking anybody else. */
    private static final double SURE = 0.8;

    /** The clock of the samples' visitors. */
    static final Context CONTEXT = new Context("GB", LocalDateTime.of(2026, 4, 15, 10, 0));

    record Row(String file, String trade, Example example) {}

    /** What was said of a clause that was left out, and what it is. */
    record Said(Row row, Odds odds) {
        Act is() {
            return row.example().kind().act();
        }

        boolean right() {
            return odds.act() == is();
        }

        boolean sure() {
            return odds.of(odds.act()) >= SURE;
        }
    }

    private Learn() {}

    /** @param args the folder for the weights, the page, and the file of the scores of conversations */
    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args[0]);
        Files.write(folder.resolve("cuts.weights"), cuts(CutTraining.fit(Samples.all())));
        List<Row> rows = rows(keeping(Meaning.shipped()));
        List<Said> byTrade = leftOut(rows, parts(rows));
        List<Said> byFile = leftOut(rows, Row::file);
        float sharpness = sharpness(byFile);
        ActWeights weights = ActTraining.fit(rows.stream().map(Row::example).toList(), Samples.hash(), sharpness);
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(folder.resolve("acts.weights")))) {
            weights.write(out);
        }
        String scores = Corpora.file();
        Files.writeString(Path.of(args[2]), scores);
        Files.writeString(
                Path.of(args[1]),
                new ActPage(rows.size(), byTrade, byFile, CutFigures.byFile(), sharpness).text()
                        + cost(rows.size())
                        + Turns.section()
                        + SubjectFit.section(folder.resolveSibling("knowledge"))
                        + Corpora.section(scores));
    }

    private static String cost(int clauses) {
        double each = clauses / (double) Samples.all().size();
        return """

                ## What a message costs

                %.2f clauses in the mean of the samples, and %d sentence vectors a clause; nothing where an option is picked or its label
                typed. `./shuttle bench` measures how many messages a second that is.
                """.formatted(each, Meaning.Model.values().length);
    }

    private static List<String> cuts(Map<String, Float> weights) {
        return weights.entrySet().stream()
                .map(entry -> entry.getValue() + "\t" + entry.getKey())
                .toList();
    }

    /** Vectors are asked for again and again. */
    static Meaning keeping(Map<Meaning.Model, SentenceModel> models) {
        Map<String, Embedding> kept = new ConcurrentHashMap<>();
        Meaning meaning = Meaning.of(models);
        return new Meaning() {
            @Override
            public Embedding readText(Model model, String text) {
                return kept.computeIfAbsent(
                        model + "<" + text,
                        key -> Embedding.of(meaning.readText(model, text).whole()));
            }

            @Override
            public Embedding readQuestion(Model model, String question) {
                return kept.computeIfAbsent(
                        model + ">" + question,
                        key -> Embedding.of(
                                meaning.readQuestion(model, question).whole()));
            }
        };
    }

    static List<Row> rows(Meaning meaning) {
        return Samples.all().parallelStream()
                .flatMap(message -> IntStream.range(0, message.clauses().size())
                        .mapToObj(i -> new Row(message.file(), message.trade(), example(message, i, meaning))))
                .toList();
    }

    static Example example(Samples.Message message, int index, Meaning meaning) {
        Samples.Clause clause = message.clauses().get(index);
        return new Example(
                Features.of(clause.text(), index, message.clauses().size(), message.situation(), CONTEXT, meaning),
                clause.kind());
    }

    private static Function<Row, String> parts(List<Row> rows) {
        List<String> trades = rows.stream().map(Row::trade).distinct().sorted().toList();
        return row -> Integer.toString(trades.indexOf(row.trade()) % PARTS);
    }

    /** What is said of each row by what was learnt from all others, those of its own part left out. */
    static List<Said> leftOut(List<Row> rows, Function<Row, String> part) {
        Map<String, List<Row>> parts =
                rows.stream().collect(Collectors.groupingBy(part, LinkedHashMap::new, Collectors.toList()));
        return parts.entrySet().parallelStream()
                .flatMap(left -> {
                    Set<Row> out = Set.copyOf(left.getValue());
                    ActWeights weights = ActTraining.fit(
                            rows.stream()
                                    .filter(row -> !part.apply(row).equals(left.getKey()))
                                    .map(Row::example)
                                    .toList(),
                            "",
                            1);
                    return left.getValue().stream()
                            .map(row -> new Said(row, weights.odds(row.example().features())));
                })
                .toList();
    }

    /** What sums are to be multiplied with, so that what is said of other manners of writing is as likely as it is said to be. */
    private static float sharpness(List<Said> said) {
        return (float) IntStream.rangeClosed(4, 14)
                .mapToDouble(tenths -> tenths / 10.0)
                .boxed()
                .min(Comparator.comparingDouble(power -> loss(said, power)))
                .orElseThrow()
                .doubleValue();
    }

    /** Mean surprise, where odds are raised to a power and made to sum to one again. */
    private static double loss(List<Said> said, double power) {
        return said.stream()
                .mapToDouble(one -> {
                    double[] raised = Arrays.stream(one.odds().kinds())
                            .map(p -> Math.pow(p, power))
                            .toArray();
                    double total = Arrays.stream(raised).sum();
                    double right = 0;
                    for (Kind kind : Kind.values()) {
                        right += kind.act() == one.is() ? raised[kind.ordinal()] / total : 0;
                    }
                    return -Math.log(Math.max(1e-9, right));
                })
                .average()
                .orElse(0);
    }
}
