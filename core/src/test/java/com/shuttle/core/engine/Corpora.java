package com.shuttle.core.engine;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.engine.SimulatedVisitor.Manner;
import com.shuttle.core.engine.Wordings.Half;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Predicate;

/**
 * Whole conversations of which is known what is to be noted in the end: those written down, by kind, and simulated ones, by
 * manner and by half of the wordings. What goes wrong with the half that is held out is counted and not told, since whoever reads
 * it builds for it.
 */
public final class Corpora {

    /** Where the scores are kept, among the test resources. */
    private static final String KEPT = "/listening/scores.txt";

    private static final Map<String, Visitors> WRITTEN = Map.of("clay", ClayBarn.VISITORS, "bikes", BikeShed.VISITORS);

    /** Simulated conversations of each manner, half and domain. */
    private static final int EACH = 40;

    /** How many conversations of a class come out right. */
    record Score(int right, int all) {
        private static final Score NONE = new Score(0, 0);

        private Score with(boolean well) {
            return new Score(right + (well ? 1 : 0), all + 1);
        }

        static Score of(String text) {
            String[] parts = text.split(" of ");
            return new Score(Integer.parseInt(parts[0].strip()), Integer.parseInt(parts[1].strip()));
        }

        @Override
        public String toString() {
            return right + " of " + all;
        }
    }

    private Corpora() {}

    /** Of every class, in the order of their names. */
    static Map<String, Score> scores() throws IOException {
        Map<String, Score> scores = new TreeMap<>();
        for (String name : WRITTEN.keySet()) {
            for (Visitors.Script script : Visitors.scripts("/listening/" + name + ".txt")) {
                add(
                        scores,
                        name + ", " + script.kind(),
                        faults(requireNonNull(WRITTEN.get(name)), script).isEmpty());
            }
        }
        Wordings wordings = new Wordings("/simulation/wordings.txt");
        for (Half half : Half.values()) {
            for (Manner manner : Manner.values()) {
                String kind = "simulated, " + manner.name().toLowerCase(Locale.ROOT) + ", "
                        + half.name().toLowerCase(Locale.ROOT).replace('_', ' ');
                for (Domain domain : Domain.ALL) {
                    for (int i = 0; i < EACH; i++) {
                        Visitors.Script script =
                                new SimulatedVisitor(domain, wordings, half, 31L * i + manner.ordinal()).script(manner);
                        add(scores, kind, faults(domain.bot(), script).isEmpty());
                    }
                }
            }
        }
        return scores;
    }

    private static String faults(Visitors bot, Visitors.Script script) {
        return bot.play(script).fault();
    }

    private static void add(Map<String, Score> scores, String kind, boolean well) {
        scores.put(kind, scores.getOrDefault(kind, Score.NONE).with(well));
    }

    /** What is wrong with the conversations of a kind that were written down. */
    static List<String> wrong(Predicate<String> kinds) throws IOException {
        List<String> wrong = new ArrayList<>();
        for (Map.Entry<String, Visitors> bot : WRITTEN.entrySet()) {
            for (Visitors.Script script : Visitors.scripts("/listening/" + bot.getKey() + ".txt")) {
                String fault = faults(bot.getValue(), script);
                if (kinds.test(bot.getKey() + ", " + script.kind()) && !fault.isEmpty()) {
                    wrong.add(script.line() + ": " + fault);
                }
            }
        }
        return wrong;
    }

    /** The scores as they were when they were last written down. */
    static Map<String, Score> kept() throws IOException {
        try (InputStream in = requireNonNull(Corpora.class.getResourceAsStream(KEPT))) {
            Map<String, Score> kept = new LinkedHashMap<>();
            new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("#"))
                    .map(line -> line.split(": "))
                    .forEach(parts -> kept.put(parts[0], Score.of(parts[1])));
            return kept;
        }
    }

    /** The scores to be kept, as the file has them. */
    public static String file() throws IOException {
        StringBuilder file =
                new StringBuilder("# Conversations that come out right, by class; made by ./shuttle learn.\n");
        scores().forEach((kind, score) ->
                file.append(kind).append(": ").append(score).append('\n'));
        return file.toString();
    }

    /** The part of the page of proof that tells them. */
    public static String section(String file) {
        StringBuilder page = new StringBuilder("""

                ## Whole conversations

                Conversations in which everything is noted as it was meant, and nothing asked that was told: written down by hand, of which
                every second was not looked at while listening was built, and simulated ones, put together of wordings of which one
                half is held out. Nothing is learnt from them.

                | class | right |
                | --- | --- |
                """);
        file.lines()
                .filter(line -> !line.startsWith("#"))
                .map(line -> line.split(": "))
                .forEach(parts -> page.append("| %s | %s |\n".formatted(parts[0], parts[1])));
        return page.toString();
    }
}
