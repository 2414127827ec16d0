package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.engine.SimulatedVisitor.Manner;
import com.shuttle.core.engine.Wordings.Half;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;

/**
 * Thousands of conversations of simulated visitors, whose truth is known. Counted by manner and by half of the wordings;
 * the floors are for the half that was not looked at while listening was built.
 */
class SimulationTest {

    private static final Wordings WORDINGS = new Wordings("/simulation/wordings.txt");

    /** Conversations of each manner, half and domain. */
    private static final int EACH = 100;

    private static final Map<Manner, Double> FLOORS = new EnumMap<>(Map.of(
            Manner.PLAIN, 0.97,
            Manner.POLITE, 0.96,
            Manner.RICH, 0.97,
            Manner.AHEAD, 0.93,
            Manner.CORRECTS, 0.91,
            Manner.ASKS, 0.95,
            Manner.NEGATES, 0.96));

    /** How a manner fared with a half. */
    private record Tally(int all, List<String> wrong) {
        double right() {
            return 1 - (double) wrong.size() / all;
        }
    }

    private static Tally tally(Manner manner, Half half, int each) {
        List<String> wrong = new ArrayList<>();
        int all = 0;
        for (Domain domain : Domain.ALL) {
            for (int i = 0; i < each; i++) {
                Visitors.Script script =
                        new SimulatedVisitor(domain, WORDINGS, half, 31L * i + manner.ordinal()).script(manner);
                Visitors.Outcome outcome = domain.bot().play(script);
                all++;
                if (!outcome.fault().isEmpty()) {
                    wrong.add(domain.name() + ": " + outcome.fault() + "\n    " + String.join("\n    ", outcome.log()));
                }
            }
        }
        return new Tally(all, wrong);
    }

    @Test
    void whatSimulatedVisitorsMeanIsNoted() {
        for (Manner manner : Manner.values()) {
            Tally tally = tally(manner, Half.HELD_OUT, EACH);
            // What went wrong is not told: whoever reads it builds for it.
            assertThat(tally.right()).as(manner + " of " + tally.all()).isGreaterThanOrEqualTo(FLOORS.get(manner));
        }
    }

    /** Prints the table of both halves, and what went wrong with the known one. @param args how many conversations of each kind */
    public static void main(String[] args) {
        int each = args.length == 0 ? EACH : Integer.parseInt(args[0]);
        for (Manner manner : Manner.values()) {
            Tally known = tally(manner, Half.KNOWN, each);
            Tally heldOut = tally(manner, Half.HELD_OUT, each);
            known.wrong().forEach(System.out::println);
            System.out.printf(
                    "%-9s of %4d  known %.3f  held out %.3f%n",
                    manner.name().toLowerCase(Locale.ROOT), known.all(), known.right(), heldOut.right());
        }
    }
}
