package com.shuttle.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepKind;
import com.shuttle.core.flow.Target;
import com.shuttle.core.script.MapLayout;
import com.shuttle.core.script.ScriptLayout;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What holds of a flow whatever was done to it. */
class EditPropertiesTest {

    private static final int EDITS = 250;

    private static Edit any(Flow flow, Random random) {
        List<Step> steps = flow.allSteps();
        if (steps.isEmpty()) {
            return new Edit.Add(null, null, kind(random));
        }
        Step one = steps.get(random.nextInt(steps.size()));
        Step other = steps.get(random.nextInt(steps.size()));
        Section section = flow.sections().get(random.nextInt(flow.sections().size()));
        List<ExitSlot> slots = one.slots();
        String exit = slots.isEmpty()
                ? "none"
                : slots.get(random.nextInt(slots.size())).id();
        return switch (random.nextInt(16)) {
            case 0 -> new Edit.Delete(one.id());
            case 1 -> new Edit.Move(one.id(), random.nextInt(-5, 6));
            case 2 -> new Edit.Become(one.id(), kind(random));
            case 3, 4 -> new Edit.Lead(one.id(), exit, target(other, random));
            case 5 -> new Edit.Duplicate(List.of(one.id(), other.id()));
            case 6 -> new Edit.Paste(random.nextBoolean() ? one.id() : null, List.of(other, one));
            case 7 -> new Edit.Pin(one.id(), random.nextInt(900), random.nextInt(900));
            case 8 -> new Edit.AddSection(one.id());
            case 9 -> new Edit.DeleteSection(section.id());
            case 10 -> new Edit.NameSection(section.id(), "Part " + random.nextInt(9));
            case 11 -> new Edit.AddItem(one.id(), "options", null);
            case 12 -> new Edit.DeleteItem(one.id(), "options", "o1");
            case 13 -> new Edit.Several(List.of(new Edit.Delete(one.id()), new Edit.Delete(other.id())));
            default -> new Edit.Add(one.id(), random.nextBoolean() ? null : exit, kind(random));
        };
    }

    private static StepKind kind(Random random) {
        return StepKind.values()[random.nextInt(StepKind.values().length)];
    }

    private static String target(Step step, Random random) {
        return switch (random.nextInt(6)) {
            case 0 -> "end";
            case 1 -> "back";
            case 2 -> "flow:other";
            default -> "step:" + step.id();
        };
    }

    private static Flow edited(int seed) {
        Random random = new Random(seed);
        Flow flow = Flow.empty("f", "F");
        for (int i = 0; i < EDITS; i++) {
            if (FlowEditor.apply(flow, any(flow, random)) instanceof Edited.Done done
                    && done.flow().allSteps().size() < 120) {
                assertThat(done.words()).isNotBlank();
                flow = done.flow();
            }
        }
        return flow;
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void everyExitLeadsToAStepThatIsThereAndIsOneThatItsStepHas(int seed) {
        Flow flow = edited(seed);
        List<String> ids = flow.allSteps().stream().map(Step::id).toList();
        assertThat(ids).doesNotHaveDuplicates();
        for (Step step : flow.allSteps()) {
            Set<String> slots = step.slots().stream().map(ExitSlot::id).collect(Collectors.toSet());
            assertThat(slots).as(step.id()).containsAll(step.exits().keySet());
            step.exits().values().forEach(target -> {
                if (target instanceof Target.ToStep(String to)) {
                    assertThat(ids).contains(to);
                }
            });
        }
        assertThat(ids).containsAll(flow.pins().keySet());
        assertThat(flow.sections()).isNotEmpty();
        assertThat(flow.sections().stream().map(Section::id).toList()).doesNotHaveDuplicates();
    }

    @ParameterizedTest
    @ValueSource(ints = {11, 12, 13, 14})
    void whatWasEditedCanBeSavedLoadedComparedAndDrawn(int seed) {
        Flow flow = edited(seed);
        assertThat(new FlowJson().read(FlowJson.write(flow))).isEqualTo(new FlowJson.Result.Good(flow));
        assertThat(FlowDiff.between(flow, flow)).isEmpty();
        assertThat(ScriptLayout.of(flow).rows()).hasSize(flow.allSteps().size());
        assertThat(MapLayout.of(flow).nodes()).hasSize(flow.allSteps().size());
    }

    /** What differs between two states tells of every step that came, went or changed, and of no other. */
    @ParameterizedTest
    @ValueSource(ints = {21, 22, 23, 24})
    void differencesTellOfEveryStepThatDiffersAndOfNoOther(int seed) {
        Flow before = edited(seed);
        Random random = new Random(seed);
        Flow after = before;
        for (int i = 0; i < 12; i++) {
            if (FlowEditor.apply(after, any(after, random)) instanceof Edited.Done done) {
                after = done.flow();
            }
        }
        Set<String> told = FlowDiff.between(before, after).stream()
                .filter(change -> change.sort() != FlowDiff.Sort.MOVED && change.sort() != FlowDiff.Sort.FLOW)
                .map(FlowDiff.Change::step)
                .collect(Collectors.toSet());
        List<String> differing = new ArrayList<>();
        Flow now = after;
        before.allSteps().forEach(step -> {
            if (!now.findStep(step.id()).equals(java.util.Optional.of(step))) {
                differing.add(step.id());
            }
        });
        now.allSteps().stream()
                .filter(step -> before.findStep(step.id()).isEmpty())
                .forEach(step -> differing.add(step.id()));
        assertThat(told).containsExactlyInAnyOrderElementsOf(differing);
    }

    @Test
    void aRefusedEditChangesNothingAndSaysWhy() {
        Flow flow = edited(31);
        for (Edit edit : List.of(
                new Edit.Delete("gone"),
                new Edit.Move("gone", 1),
                new Edit.Lead(flow.allSteps().getFirst().id(), "no-such-exit", "end"),
                new Edit.Pin("gone", 1, 1),
                new Edit.Add("gone", null, StepKind.END),
                new Edit.Replace("", "x", false))) {
            assertThat(FlowEditor.apply(flow, edit))
                    .isInstanceOfSatisfying(
                            Edited.Refused.class,
                            refused -> assertThat(refused.why()).isNotBlank());
        }
    }
}
