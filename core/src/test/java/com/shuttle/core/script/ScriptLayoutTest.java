package com.shuttle.core.script;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Edited;
import com.shuttle.core.edit.FlowEditor;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepKind;
import com.shuttle.core.flow.Target;
import com.shuttle.core.script.ScriptLayout.Feeder;
import com.shuttle.core.script.ScriptLayout.Thread;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class ScriptLayoutTest {

    private static List<Integer> lanes(Flow flow) {
        return ScriptLayout.of(flow).rows().stream().map(ScriptLayout.Row::lane).toList();
    }

    @Test
    void anEmptyFlowHasNoRowsAndOneLane() {
        assertThat(ScriptLayout.of(Flow.empty("f", "F"))).isEqualTo(new ScriptLayout(List.of(), List.of(), 1));
    }

    @Test
    void aLineRunsStraightDown() {
        Flow flow = flow("f")
                .message("a", "A", "b")
                .message("b", "B", "c")
                .end("c", "C")
                .build();
        assertThat(lanes(flow)).containsExactly(0, 0, 0);
        assertThat(ScriptLayout.of(flow).lanes()).isEqualTo(1);
    }

    @Test
    void branchesTakeTheNextLanesAndJoin() {
        Flow flow = flow("f")
                .choice("m", "?", "One", "x", "Two", "y", "Three", "z")
                .message("x", "X", "j")
                .message("y", "Y", "j")
                .message("z", "Z", "j")
                .end("j", "J")
                .build();
        assertThat(lanes(flow)).containsExactly(0, 0, 1, 2, 0);
        assertThat(ScriptLayout.of(flow).threads())
                .filteredOn(thread -> thread.target() == 4)
                .singleElement()
                .extracting(Thread::feeders)
                .isEqualTo(List.of(new Feeder(1, "next"), new Feeder(2, "next"), new Feeder(3, "next")));
    }

    /** However many parts follow one another, each comes back to the main line. */
    @Test
    void longFlowsDoNotDriftAside() {
        FlowBuilder builder = flow("f");
        for (int part = 0; part < 40; part++) {
            String on = part == 39 ? "end" : "a" + (part + 1);
            builder.choice("a" + part, "?", "Short", "b" + part, "Long", "c" + part, "Skip", on);
            builder.message("b" + part, "B", "d" + part);
            builder.message("c" + part, "C", "d" + part);
            builder.message("d" + part, "D", on);
        }
        ScriptLayout layout = ScriptLayout.of(builder.build());
        assertThat(layout.lanes()).isEqualTo(3);
        assertThat(layout.rows())
                .filteredOn(row -> row.step().startsWith("a"))
                .extracting(ScriptLayout.Row::lane)
                .containsOnly(0);
    }

    @Test
    void aLoopBackIsADashedThreadOutsideOfWhatItPasses() {
        Flow flow = flow("f")
                .choice("m", "?", "One", "x", "Two", "y")
                .message("x", "X", "m")
                .message("y", "Y", "m")
                .build();
        assertThat(ScriptLayout.of(flow).threads())
                .filteredOn(Thread::up)
                .singleElement()
                .satisfies(thread -> {
                    assertThat(thread.target()).isZero();
                    assertThat(thread.lane()).isEqualTo(2);
                    assertThat(thread.feeders()).hasSize(2);
                });
    }

    @Test
    void aStepThatLeadsToItselfIsALoop() {
        Flow flow = flow("f").answer("a", "?", "a", "end").build();
        assertThat(ScriptLayout.of(flow).threads()).singleElement().matches(Thread::up);
    }

    @Test
    void anUnreachableStepStandsInAFreeLane() {
        Flow flow = flow("f")
                .message("a", "A", "c")
                .message("lost", "L", null)
                .end("c", "C")
                .build();
        assertThat(lanes(flow)).containsExactly(0, 1, 0);
    }

    /** No two threads share a lane in the same row, and every exit to a step is drawn to its row. */
    @Test
    void holdsForAnyGraph() {
        for (int seed = 0; seed < 400; seed++) {
            Flow flow = Flows.random(new Random(seed));
            List<Step> steps = flow.allSteps();
            ScriptLayout layout = ScriptLayout.of(flow);
            Set<String> occupied = new HashSet<>();
            Set<String> drawn = new HashSet<>();
            for (Thread thread : layout.threads()) {
                int first =
                        thread.feeders().stream().mapToInt(Feeder::row).min().orElseThrow();
                int last = thread.feeders().stream().mapToInt(Feeder::row).max().orElseThrow();
                IntStream between = thread.up()
                        ? IntStream.rangeClosed(thread.target(), last)
                        : IntStream.range(first + 1, thread.target());
                between.forEach(row -> assertThat(occupied.add(row + " " + thread.lane()))
                        .as("lane %d free at row %d, seed", thread.lane(), row)
                        .isTrue());
                thread.feeders()
                        .forEach(feeder -> drawn.add(feeder.row() + " " + feeder.exit() + " " + thread.target()));
                if (!thread.up()) {
                    assertThat(layout.rows().get(thread.target()).lane()).isLessThanOrEqualTo(thread.lane());
                }
                assertThat(thread.lane()).isLessThan(layout.lanes());
            }
            List<String> ids = steps.stream().map(Step::id).toList();
            for (int i = 0; i < steps.size(); i++) {
                int row = i;
                steps.get(i).exits().forEach((exit, target) -> {
                    if (target instanceof Target.ToStep(String to)) {
                        assertThat(drawn).contains(row + " " + exit + " " + ids.indexOf(to));
                    }
                });
                assertThat(occupied)
                        .as("row %d stands free of passing threads", i)
                        .doesNotContain(i + " " + layout.rows().get(i).lane());
            }
        }
    }

    /** Adding a row that leads on moves no other row and no thread to another lane. */
    @Test
    void staysUnderInsertion() {
        for (int seed = 0; seed < 150; seed++) {
            Flow flow = Flows.random(new Random(seed));
            ScriptLayout before = ScriptLayout.of(flow);
            for (Step above : flow.allSteps()) {
                Edit add = new Edit.Add(above.id(), null, StepKind.MESSAGE);
                Flow longer = ((Edited.Done) FlowEditor.apply(flow, add)).flow();
                Map<String, Integer> after = ScriptLayout.of(longer).rows().stream()
                        .collect(Collectors.toMap(ScriptLayout.Row::step, ScriptLayout.Row::lane));
                boolean spliced = above instanceof Step.Message && above.exit("next") instanceof Target.ToStep;
                if (spliced) {
                    before.rows()
                            .forEach(row -> assertThat(after.get(row.step()))
                                    .as("lane of %s after a row below %s", row.step(), above.id())
                                    .isEqualTo(row.lane()));
                }
            }
        }
    }
}
