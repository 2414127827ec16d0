package com.shuttle.core.script;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Edited;
import com.shuttle.core.edit.FlowEditor;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.core.script.MapLayout.Box;
import com.shuttle.core.script.MapLayout.Line;
import com.shuttle.core.script.MapLayout.Node;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class MapLayoutTest {

    private static boolean overlap(Box a, Box b) {
        return a.x() < b.x() + b.width()
                && b.x() < a.x() + a.width()
                && a.y() < b.y() + b.height()
                && b.y() < a.y() + a.height();
    }

    private static boolean within(Box inner, Box outer) {
        return inner.x() >= outer.x()
                && inner.y() >= outer.y()
                && inner.x() + inner.width() <= outer.x() + outer.width()
                && inner.y() + inner.height() <= outer.y() + outer.height();
    }

    private static Map<String, Box> boxes(MapLayout map) {
        return map.nodes().stream().collect(Collectors.toMap(Node::step, Node::box));
    }

    @Test
    void anEmptyFlowHasAnEmptyMap() {
        assertThat(MapLayout.of(Flow.empty("f", "F")))
                .isEqualTo(new MapLayout(List.of(), List.of(), List.of(), new Box(0, 0, 0, 0)));
    }

    @Test
    void aLineOfStepsRunsDown() {
        Flow line = flow("f")
                .message("a", "A", "b")
                .message("b", "B", "c")
                .end("c", "C")
                .build();
        MapLayout map = MapLayout.of(line);
        assertThat(map.nodes()).extracting(Node::step).containsExactly("a", "b", "c");
        assertThat(map.nodes()).extracting(node -> node.box().y()).isSorted().doesNotHaveDuplicates();
        assertThat(map.lines()).extracting(Line::label).containsOnly("");
    }

    @Test
    void exitsOfOneStepToAnotherShareALineAndOptionsAreNamed() {
        Flow flow = flow("f")
                .choice("m", "?", "Yes", "x", "Of course", "x", "No", "y")
                .message("x", "X", null)
                .message("y", "Y", "m")
                .build();
        List<Line> lines = MapLayout.of(flow).lines();
        assertThat(lines).extracting(Line::label).containsExactly("Yes +1", "No", "");
        assertThat(lines.get(0).exits()).hasSize(2);
        assertThat(lines.get(2).up()).isTrue();
    }

    @Test
    void holdsForAnyGraph() {
        IntStream.range(0, 60)
                .forEach(seed -> holds(Flows.inSections(Flows.random(new Random(seed)), 1 + seed % 9), "seed " + seed));
    }

    /** Layers of these would take minutes. */
    @Test
    void whatIsTooDenseForLayersStandsInColumns() {
        for (int[] of : new int[][] {{220, 8, 220}, {220, 8, 110}}) {
            Flow dense = Flows.inSections(Flows.dense(of[0], of[1], new Random(7)), of[2]);
            holds(dense, of[0] + " steps");
            assertThat(MapLayout.of(dense)).isEqualTo(MapLayout.of(dense));
        }
        MapLayout large = MapLayout.of(Flows.written(5000, 5000));
        assertThat(large.nodes()).hasSizeBetween(4990, 5010);
        assertThat((double) large.bounds().width() / large.bounds().height()).isBetween(0.5, 2.0);
    }

    /** No two shapes overlap, each stands in its region, and every line runs from the edge of one step to that of another. */
    private static void holds(Flow flow, String as) {
        MapLayout map = MapLayout.of(flow);
        Map<String, Box> boxes = boxes(map);
        assertThat(boxes.keySet())
                .isEqualTo(flow.allSteps().stream().map(Step::id).collect(Collectors.toSet()));
        for (Node a : map.nodes()) {
            for (Node b : map.nodes()) {
                assertThat(a != b && overlap(a.box(), b.box()))
                        .as("%s over %s, %s", a.step(), b.step(), as)
                        .isFalse();
            }
        }
        Map<String, Box> regions =
                map.regions().stream().collect(Collectors.toMap(MapLayout.Region::section, MapLayout.Region::box));
        flow.sections()
                .forEach(section -> section.steps()
                        .forEach(step -> assertThat(within(boxes.get(step.id()), regions.get(section.id())))
                                .as("%s in %s, %s", step.id(), section.id(), as)
                                .isTrue()));
        for (Line line : map.lines()) {
            Box from = boxes.get(line.from());
            Box to = boxes.get(line.to());
            assertThat(line.points().getFirst().x()).isBetween(from.x(), from.x() + from.width());
            assertThat(line.points().getLast().x()).isBetween(to.x(), to.x() + to.width());
            assertThat(line.points().getLast().y()).isBetween(to.y() - 1, to.y() + to.height() + 1);
        }
        long led = flow.allSteps().stream()
                .flatMap(step -> step.exits().values().stream())
                .filter(Target.ToStep.class::isInstance)
                .count();
        assertThat(map.lines().stream().mapToInt(line -> line.exits().size()).sum())
                .isEqualTo((int) led);
    }

    @Test
    void aPinnedStepStandsWhereItWasPutAndItsRegionHoldsIt() {
        Flow flow = Flows.written(12, 6);
        Flow pinned = ((Edited.Done) FlowEditor.apply(flow, new Edit.Pin("n2", -500, 40))).flow();
        MapLayout map = MapLayout.of(pinned);
        Box box = boxes(map).get("n2");
        assertThat(List.of(box.x(), box.y())).containsExactly(-500, 40);
        assertThat(within(box, map.regions().getFirst().box())).isTrue();
        assertThat(within(box, map.bounds())).isTrue();
        assertThat(boxes(map).get("n9")).isEqualTo(boxes(MapLayout.of(flow)).get("n9"));
        assertThat(map.lines())
                .filteredOn(Line::curved)
                .extracting(line -> line.from() + line.to())
                .contains("n1n2", "n2n3");
        assertThat(((Edited.Done) FlowEditor.apply(pinned, new Edit.Unpin())).flow())
                .isEqualTo(flow);
    }

    @Test
    void layingOutTwiceGivesTheSame() {
        Flow flow = Flows.written(60, 10);
        assertThat(MapLayout.of(flow)).isEqualTo(MapLayout.of(flow));
    }

    @Test
    void aTextIsCutToTheShape() {
        assertThat(MapLayout.wrapped("short")).containsExactly("short");
        assertThat(MapLayout.wrapped("")).isEmpty();
        List<String> lines = MapLayout.wrapped("word ".repeat(90) + "x".repeat(100));
        assertThat(lines).hasSize(4).allMatch(line -> line.length() <= 27);
        assertThat(lines.getLast()).endsWith("…");
        assertThat(MapLayout.wrapped("y".repeat(60))).containsExactly("y".repeat(27), "y".repeat(27), "y".repeat(6));
    }
}
