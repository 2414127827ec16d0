package com.shuttle.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepKind;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.ValueType;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FlowEditorTest {

    private static final Flow LINE = FlowBuilder.flow("f")
            .message("a", "A", "b")
            .message("b", "B", "c")
            .message("c", "C", null)
            .build();

    private static Edited.Done done(Flow flow, Edit edit) {
        Edited edited = FlowEditor.apply(flow, edit);
        assertThat(edited).isInstanceOf(Edited.Done.class);
        return (Edited.Done) edited;
    }

    private static Flow after(Flow flow, Edit... edits) {
        Flow changed = flow;
        for (Edit edit : edits) {
            changed = done(changed, edit).flow();
        }
        return changed;
    }

    private static List<String> order(Flow flow) {
        return flow.allSteps().stream().map(Step::id).toList();
    }

    private static Target exit(Flow flow, String step, String exit) {
        return flow.findStep(step).orElseThrow().exit(exit);
    }

    @Test
    void theFirstStepOfAnEmptyFlow() {
        Edited.Done added = done(Flow.empty("f", "F"), new Edit.Add(null, null, StepKind.MESSAGE));
        assertThat(order(added.flow())).containsExactly("n1");
        assertThat(added.focus()).isEqualTo("n1");
    }

    @Test
    void aStepAddedBelowIsSplicedIntoTheThread() {
        Flow flow = after(LINE, new Edit.Add("a", null, StepKind.MESSAGE));
        assertThat(order(flow)).containsExactly("a", "n1", "b", "c");
        assertThat(exit(flow, "a", "next")).isEqualTo(Target.step("n1"));
        assertThat(exit(flow, "n1", "next")).isEqualTo(Target.step("b"));
    }

    @Test
    void aStepAddedAtTheTopLeadsOnToTheOldFirst() {
        Flow flow = after(LINE, new Edit.Add(null, null, StepKind.MESSAGE));
        assertThat(order(flow)).startsWith("n1", "a");
        assertThat(exit(flow, "n1", "next")).isEqualTo(Target.step("a"));
    }

    @Test
    void aStepCanBeAddedFromAnOption() {
        Flow flow =
                FlowBuilder.flow("f").choice("m", "?", "One", null, "Two", null).build();
        Flow one = after(flow, new Edit.Add("m", "option:o1", StepKind.MESSAGE));
        assertThat(exit(one, "m", "option:o1")).isEqualTo(Target.step("n1"));
        assertThat(exit(one, "m", "option:o2")).isNull();
    }

    @Test
    void theBranchOfALaterOptionGoesBelowThoseOfTheEarlierOnes() {
        Flow flow = FlowBuilder.flow("f")
                .choice("m", "?", "One", "x1", "Two", null)
                .message("x1", "X1", "x2")
                .message("x2", "X2", null)
                .build();
        assertThat(order(after(flow, new Edit.Add("m", "option:o2", StepKind.MESSAGE))))
                .containsExactly("m", "x1", "x2", "n3");
    }

    @Test
    void belowAChoiceTheFirstOptionWithoutAWayLeadsOn() {
        Flow flow = FlowBuilder.flow("f")
                .choice("m", "?", "One", "end", "Two", null)
                .build();
        Flow added = after(flow, new Edit.Add("m", null, StepKind.MESSAGE));
        assertThat(exit(added, "m", "option:o1")).isEqualTo(Target.END);
        assertThat(exit(added, "m", "option:o2")).isEqualTo(Target.step("n1"));
    }

    @Test
    void deletingAStepHealsTheThread() {
        Flow flow = after(LINE, new Edit.Delete("b"));
        assertThat(order(flow)).containsExactly("a", "c");
        assertThat(exit(flow, "a", "next")).isEqualTo(Target.step("c"));
    }

    @Test
    void deletingAStepThatLedToItselfLeavesNothingDangling() {
        Flow flow = FlowBuilder.flow("f")
                .message("a", "A", "b")
                .message("b", "B", "b")
                .build();
        assertThat(exit(after(flow, new Edit.Delete("b")), "a", "next")).isNull();
    }

    @Test
    void theFocusAfterDeletingIsTheRowAbove() {
        assertThat(done(LINE, new Edit.Delete("b")).focus()).isEqualTo("a");
        assertThat(done(LINE, new Edit.Delete("a")).focus()).isEqualTo("b");
    }

    @ParameterizedTest
    @CsvSource({"b,-1,bac", "b,1,acb", "a,-1,abc", "a,9,bca", "c,-2,cab"})
    void movingChangesTheOrderAndNoExit(String step, int by, String order) {
        Flow flow = after(LINE, new Edit.Move(step, by));
        assertThat(String.join("", order(flow))).isEqualTo(order);
        assertThat(exit(flow, "a", "next")).isEqualTo(Target.step("b"));
    }

    @Test
    void movingCrossesSections() {
        Flow flow = after(LINE, new Edit.AddSection("c"), new Edit.Move("c", -1));
        assertThat(flow.sections().get(0).steps()).extracting(Step::id).containsExactly("a", "b", "c");
        assertThat(flow.sections().get(1).steps()).isEmpty();
    }

    @Test
    void becomingAnotherKindKeepsTextTitleAndWayOn() {
        Flow flow = after(
                LINE,
                new Edit.Set("a", "title", "Start"),
                new Edit.Set("a", "note", "why"),
                new Edit.Become("a", StepKind.QUESTION));
        Question question = (Question) flow.findStep("a").orElseThrow();
        assertThat(question.ask()).containsExactly("A");
        assertThat(question.title()).isEqualTo("Start");
        assertThat(question.note()).isEqualTo("why");
        assertThat(question.exit("answered")).isEqualTo(Target.step("b"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "text.0|How many?|How many?",
                "type|number|NUMBER",
                "variable|Group size|group_size",
                "retry|Digits please|Digits please",
                "skipWhenKnown|false|skipWhenKnown=false",
                "tries|5|tries=5",
                "title|Size|title=Size",
                "note|ask Oona|note=ask Oona",
            })
    void setsTheFieldsOfAQuestion(String field, String value, String shows) {
        Flow flow = FlowBuilder.flow("f")
                .question("q", "?", ValueType.TEXT, "x", null)
                .build();
        assertThat(after(flow, new Edit.Set("q", field, value))
                        .findStep("q")
                        .orElseThrow()
                        .toString())
                .contains(shows);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "type|colour|no such type",
                "variable|1st|begins with a letter",
                "variable|näme|begins with a letter",
                "tries|0|from 1 to 9",
                "tries|many|from 1 to 9",
                "text.1|x|no longer there",
                "text.x|x|no longer there",
                "team|x|has no team",
            })
    void refusesWhatDoesNotFitAQuestion(String field, String value, String says) {
        Flow flow = FlowBuilder.flow("f")
                .question("q", "?", ValueType.TEXT, "x", null)
                .build();
        assertThat(FlowEditor.apply(flow, new Edit.Set("q", field, value)))
                .isInstanceOfSatisfying(
                        Edited.Refused.class,
                        refused -> assertThat(refused.why()).contains(says));
    }

    @Test
    void refusesATextThatIsTooLongAndCleansAHostileOne() {
        assertThat(FlowEditor.apply(LINE, new Edit.Set("a", "text.0", "x".repeat(8001))))
                .isInstanceOf(Edited.Refused.class);
        assertThat(FlowEditor.apply(LINE, new Edit.Set("a", "title", "x".repeat(10_000))))
                .isInstanceOf(Edited.Refused.class);
        Flow flow = after(LINE, new Edit.Set("a", "text.0", "Hi\u202E\u0007 there"));
        assertThat(flow.findStep("a").orElseThrow().wordings()).containsExactly("Hi there");
    }

    @Test
    void optionsAreAddedNamedAndRemovedWithTheirExits() {
        Flow flow = FlowBuilder.flow("f")
                .choice("m", "?", "One", "end", "Two", null)
                .build();
        flow = after(flow, new Edit.AddItem("m", "options", "o1"), new Edit.Set("m", "options.o3.label", "Between"));
        assertThat(labels(flow)).containsExactly("One", "Between", "Two");
        flow = after(
                flow,
                new Edit.Set("m", "options.o3.also", "middle, , centre"),
                new Edit.DeleteItem("m", "options", "o1"));
        Choice choice = (Choice) flow.findStep("m").orElseThrow();
        assertThat(choice.options().getFirst().also()).containsExactly("middle", "centre");
        assertThat(choice.exits()).isEmpty();
    }

    private static List<String> labels(Flow flow) {
        return ((Choice) flow.findStep("m").orElseThrow())
                .options().stream().map(Option::label).toList();
    }

    @Test
    void wordingsAreAddedAndRemovedButTheLastOneStays() {
        Flow flow = after(LINE, new Edit.AddWording("a"), new Edit.Set("a", "text.1", "Alternatively"));
        assertThat(flow.findStep("a").orElseThrow().wordings()).containsExactly("A", "Alternatively");
        flow = after(flow, new Edit.DeleteWording("a", 0));
        assertThat(flow.findStep("a").orElseThrow().wordings()).containsExactly("Alternatively");
        assertThat(FlowEditor.apply(flow, new Edit.DeleteWording("a", 0))).isInstanceOf(Edited.Refused.class);
    }

    @Test
    void sectionsBeginAreNamedAndJoin() {
        Flow flow = after(LINE, new Edit.AddSection("b"));
        String second = flow.sections().get(1).id();
        flow = after(flow, new Edit.NameSection(second, "  The\nrest "));
        assertThat(flow.sections().get(1).title()).isEqualTo("The rest");
        assertThat(after(flow, new Edit.DeleteSection(second))).isEqualTo(LINE);
    }

    @Test
    void leadingAnExitIsCheckedAndTold() {
        Edited.Done led = done(LINE, new Edit.Lead("c", "next", "step:a"));
        assertThat(led.words()).isEqualTo("led “next” of “C” to “A”");
        assertThat(exit(led.flow(), "c", "next")).isEqualTo(Target.step("a"));
        assertThat(exit(after(LINE, new Edit.Lead("a", "next", null)), "a", "next"))
                .isNull();
        for (Edit bad : List.of(
                new Edit.Lead("c", "next", "step:gone"),
                new Edit.Lead("c", "left", "end"),
                new Edit.Lead("gone", "next", "end"),
                new Edit.Lead("c", "next", "somewhere"))) {
            assertThat(FlowEditor.apply(LINE, bad)).as(bad.toString()).isInstanceOf(Edited.Refused.class);
        }
    }

    /** Whatever is edited in whatever order, the outcome is a flow that can be written to a file and read again. */
    @Test
    void anySequenceOfEditsLeavesASoundFlow() {
        FlowJson json = new FlowJson();
        for (int seed = 0; seed < 25; seed++) {
            Random random = new Random(seed);
            Flow flow = Flow.empty("f", "F");
            for (int i = 0; i < 60; i++) {
                if (FlowEditor.apply(flow, any(flow, random)) instanceof Edited.Done edited) {
                    flow = edited.flow();
                }
            }
            assertThat(json.read(FlowJson.write(flow))).as("seed %d", seed).isEqualTo(new FlowJson.Result.Good(flow));
        }
    }

    private static Edit any(Flow flow, Random random) {
        List<Step> steps = flow.allSteps();
        StepKind kind = StepKind.values()[random.nextInt(StepKind.values().length)];
        if (steps.isEmpty()) {
            return new Edit.Add(null, null, kind);
        }
        Step step = steps.get(random.nextInt(steps.size()));
        Step other = steps.get(random.nextInt(steps.size()));
        List<String> exits = new ArrayList<>();
        step.slots().forEach(slot -> exits.add(slot.id()));
        String exit = exits.isEmpty() ? null : exits.get(random.nextInt(exits.size()));
        return switch (random.nextInt(10)) {
            case 0 -> new Edit.Delete(step.id());
            case 1 -> new Edit.Move(step.id(), random.nextInt(5) - 2);
            case 2 -> new Edit.Become(step.id(), kind);
            case 3 -> new Edit.Lead(step.id(), exit == null ? "next" : exit, "step:" + other.id());
            case 4 -> new Edit.AddItem(step.id(), "options", null);
            case 5 -> new Edit.DeleteItem(step.id(), "options", "o1");
            case 6 -> new Edit.AddSection(step.id());
            case 7 -> new Edit.Set(step.id(), "comeBack", String.valueOf(random.nextBoolean()));
            default -> new Edit.Add(step.id(), random.nextBoolean() ? exit : null, kind);
        };
    }

    private static Question question(Flow flow, String id) {
        return (Question) flow.findStep(id).orElseThrow();
    }

    private static Flow edited(Flow flow, Edit edit) {
        return ((Edited.Done) FlowEditor.apply(flow, edit)).flow();
    }

    @Test
    void aQuestionIsProposedAVariableForItsTypeAndRefusingItHolds() {
        Flow flow = Flow.empty("f", "F");
        Edited.Done first = (Edited.Done) FlowEditor.apply(flow, new Edit.Add(null, null, StepKind.QUESTION));
        flow = edited(first.flow(), new Edit.Set(first.focus(), "type", "email"));
        assertThat(question(flow, first.focus()).variable()).isEqualTo("email");
        Edited.Done second = (Edited.Done) FlowEditor.apply(flow, new Edit.Add(first.focus(), null, StepKind.MESSAGE));
        flow = edited(second.flow(), new Edit.Become(second.focus(), StepKind.QUESTION));
        flow = edited(flow, new Edit.Set(second.focus(), "type", "email"));
        assertThat(question(flow, second.focus()).variable()).isEqualTo("email_2");
        flow = edited(flow, new Edit.Set(second.focus(), "variable", "their_own"));
        flow = edited(flow, new Edit.Set(second.focus(), "type", "date"));
        assertThat(question(flow, second.focus()).variable())
                .as("the designer's own")
                .isEqualTo("their_own");
        flow = edited(flow, new Edit.Set(first.focus(), "variable", ""));
        flow = edited(flow, new Edit.Set(first.focus(), "type", "phone"));
        assertThat(question(flow, first.focus()).variable()).as("refused").isEmpty();
    }

    @Test
    void aDefaultThatItsTypeCannotBeIsRefusedWhenItIsWritten() {
        Edited.Done added =
                (Edited.Done) FlowEditor.apply(Flow.empty("f", "F"), new Edit.Add(null, null, StepKind.QUESTION));
        Flow flow = edited(added.flow(), new Edit.Set(added.focus(), "optional", "true"));
        flow = edited(flow, new Edit.Set(added.focus(), "fallback", "a few"));
        assertThat(FlowEditor.apply(flow, new Edit.Set(added.focus(), "type", "date")))
                .isInstanceOfSatisfying(
                        Edited.Refused.class,
                        refused -> assertThat(refused.why()).contains("“a few”", "date"));
        flow = edited(flow, new Edit.Set(added.focus(), "fallback", ""));
        flow = edited(flow, new Edit.Set(added.focus(), "type", "number"));
        assertThat(FlowEditor.apply(flow, new Edit.Set(added.focus(), "fallback", "soonish")))
                .isInstanceOf(Edited.Refused.class);
        assertThat(question(edited(flow, new Edit.Set(added.focus(), "fallback", "2")), added.focus())
                        .fallback())
                .isEqualTo("2");
    }
}
