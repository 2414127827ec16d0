package com.shuttle.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.edit.FlowDiff.Change;
import com.shuttle.core.edit.FlowDiff.Detail;
import com.shuttle.core.edit.FlowDiff.Sort;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.StepKind;
import java.util.List;
import org.junit.jupiter.api.Test;

class FlowDiffTest {

    private static final Flow FLOW = FlowBuilder.flow("f")
            .message("a", "Hello", "b")
            .choice("b", "Which?", "One", "c", "Two", "d")
            .message("c", "One it is", "d")
            .end("d", "Bye")
            .build();

    private static List<Change> after(Edit... edits) {
        Flow changed = FLOW;
        for (Edit edit : edits) {
            changed = ((Edited.Done) FlowEditor.apply(changed, edit)).flow();
        }
        return FlowDiff.between(FLOW, changed);
    }

    @Test
    void nothingDiffersFromItself() {
        assertThat(FlowDiff.between(FLOW, FLOW)).isEmpty();
    }

    @Test
    void aChangedWordingShowsBothTexts() {
        assertThat(after(new Edit.Set("a", "text.0", "Hi")))
                .containsExactly(new Change(
                        Sort.CHANGED, "a", "Message", "Hi", List.of(new Detail("the wording", "Hello", "Hi"))));
    }

    @Test
    void aLedExitIsToldByItsName() {
        assertThat(after(new Edit.Lead("b", "option:o2", "step:a")))
                .singleElement()
                .extracting(Change::details)
                .isEqualTo(List.of(new Detail("where “Two” leads", "to “Bye”", "to “Hello”")));
        assertThat(after(new Edit.Lead("b", "option:o1", null)))
                .singleElement()
                .satisfies(change ->
                        assertThat(change.details().getFirst().after()).isEqualTo("nowhere"));
    }

    @Test
    void aRemovedStepIsToldWhereItStood() {
        List<Change> changes = after(new Edit.Delete("c"));
        assertThat(changes).extracting(Change::sort).containsExactly(Sort.CHANGED, Sort.REMOVED);
        assertThat(changes.get(1).details()).containsExactly(new Detail("the wording", "One it is", ""));
    }

    @Test
    void anAddedStepIsTold() {
        assertThat(after(new Edit.Add("a", null, StepKind.MESSAGE), new Edit.Set("n1", "text.0", "New")))
                .filteredOn(change -> change.sort() == Sort.ADDED)
                .singleElement()
                .satisfies(
                        change -> assertThat(change.details()).containsExactly(new Detail("the wording", "", "New")));
    }

    @Test
    void oneRowMovedOverOthersIsOneMove() {
        assertThat(after(new Edit.Move("d", -3))).containsExactly(new Change(Sort.MOVED, "d", "End", "Bye", List.of()));
    }

    @Test
    void namePhrasesAndHeadingsBelongToTheFlow() {
        Flow named = FLOW.described("Other", List.of("hello there"));
        assertThat(FlowDiff.between(FLOW, named))
                .singleElement()
                .satisfies(change -> assertThat(change.details())
                        .extracting(Detail::what)
                        .containsExactly("the name", "the phrases"));
        assertThat(after(new Edit.AddSection("c"), new Edit.NameSection("s2", "Later")))
                .extracting(Change::sort)
                .containsExactly(Sort.FLOW);
    }

    @Test
    void partsAreToldInWords() {
        assertThat(after(new Edit.Set("b", "options.o1.label", "Uno")))
                .singleElement()
                .extracting(Change::details)
                .isEqualTo(List.of(new Detail("an option", "One\nTwo", "Uno\nTwo")));
    }
}
