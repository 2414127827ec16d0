package com.shuttle.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import java.util.List;
import org.junit.jupiter.api.Test;

class CopiesTest {

    private static final Flow FLOW = FlowBuilder.flow("f")
            .message("n1", "Hello", "n2")
            .choice("n2", "Which?", "One", "n3", "Two", "n4")
            .message("n3", "One it is", "n4")
            .end("n4", "Bye")
            .build();

    private static Edited.Done done(Flow flow, Edit edit) {
        Edited edited = FlowEditor.apply(flow, edit);
        assertThat(edited).isInstanceOf(Edited.Done.class);
        return (Edited.Done) edited;
    }

    private static List<String> order(Flow flow) {
        return flow.allSteps().stream().map(Step::id).toList();
    }

    private static Step step(Flow flow, String id) {
        return flow.findStep(id).orElseThrow();
    }

    @Test
    void aDuplicateStandsBelowAndOnTheThread() {
        Edited.Done done = done(FLOW, new Edit.Duplicate(List.of("n1")));
        assertThat(order(done.flow())).containsExactly("n1", "n5", "n2", "n3", "n4");
        assertThat(step(done.flow(), "n1").exit("next")).isEqualTo(Target.step("n5"));
        assertThat(step(done.flow(), "n5").exit("next")).isEqualTo(Target.step("n2"));
        assertThat(step(done.flow(), "n5").wordings()).containsExactly("Hello");
        assertThat(done.focus()).isEqualTo("n5");
        assertThat(done.words()).isEqualTo("duplicated “Hello”");
    }

    @Test
    void copiesLeadToOneAnotherWhereTheirOriginalsDid() {
        List<Step> copied = Copies.chosen(FLOW, List.of("n3", "n2"));
        assertThat(copied).extracting(Step::id).containsExactly("n2", "n3");
        Flow flow = done(FLOW, new Edit.Paste("n4", copied)).flow();
        assertThat(order(flow)).containsExactly("n1", "n2", "n3", "n4", "n5", "n6");
        assertThat(step(flow, "n5").exit("option:o1")).isEqualTo(Target.step("n6"));
        assertThat(step(flow, "n5").exit("option:o2")).isEqualTo(Target.step("n4"));
        assertThat(step(flow, "n6").exit("next")).isEqualTo(Target.step("n4"));
    }

    @Test
    void inAnotherFlowExitsToStepsThatAreNotThereLeadNowhere() {
        Flow other = Flow.empty("g", "G");
        Flow flow =
                done(other, new Edit.Paste(null, FLOW.allSteps().subList(1, 3))).flow();
        assertThat(order(flow)).containsExactly("n1", "n2");
        assertThat(step(flow, "n1").exit("option:o1")).isEqualTo(Target.step("n2"));
        assertThat(step(flow, "n1").exit("option:o2")).isNull();
        assertThat(step(flow, "n2").exit("next")).isNull();
    }

    @Test
    void pastedAtTheTopTheyLeadToWhatWasFirst() {
        Flow flow = done(FLOW, new Edit.Paste(null, List.of(step(FLOW, "n3")))).flow();
        assertThat(order(flow)).startsWith("n5", "n1");
        assertThat(step(flow, "n5").exit("next")).isEqualTo(Target.step("n1"));
    }

    @Test
    void tooManyAreRefused() {
        List<Step> many = java.util.Collections.nCopies(FlowEditor.MOST_STEPS, step(FLOW, "n1"));
        assertThat(FlowEditor.apply(FLOW, new Edit.Paste("n1", many))).isInstanceOf(Edited.Refused.class);
        assertThat(FlowEditor.apply(FLOW, new Edit.Paste("n1", List.of()))).isInstanceOf(Edited.Refused.class);
        assertThat(FlowEditor.apply(FLOW, new Edit.Duplicate(List.of("gone")))).isInstanceOf(Edited.Refused.class);
    }

    @Test
    void severalAreMadeAllOrNone() {
        Edited.Done deleted = done(FLOW, new Edit.Several(List.of(new Edit.Delete("n2"), new Edit.Delete("n3"))));
        assertThat(order(deleted.flow())).containsExactly("n1", "n4");
        assertThat(step(deleted.flow(), "n1").exit("next")).isEqualTo(Target.step("n4"));
        assertThat(deleted.words()).startsWith("deleted “Which?”").endsWith("and 1 more");
        assertThat(FlowEditor.apply(FLOW, new Edit.Several(List.of(new Edit.Delete("n2"), new Edit.Delete("gone")))))
                .isInstanceOf(Edited.Refused.class);
        assertThat(FlowEditor.apply(FLOW, new Edit.Several(List.of()))).isInstanceOf(Edited.Refused.class);
    }

    @Test
    void deletingTellsHowTheThreadHealed() {
        assertThat(done(FLOW, new Edit.Delete("n3")).words())
                .isEqualTo("deleted “One it is”; what led there now leads to “Bye”");
        assertThat(done(FLOW, new Edit.Delete("n1")).words()).isEqualTo("deleted “Hello”");
        assertThat(done(FLOW, new Edit.Delete("n4")).words())
                .isEqualTo("deleted “Bye”; what led there now leads nowhere");
    }

    @Test
    void aTextChangedMeanwhileClashes() {
        Edit late = new Edit.Set("n1", "text.0", "Hi there", "Hullo");
        assertThat(FlowEditor.apply(FLOW, late)).isEqualTo(new Edited.Clash("Hello"));
        Edit fresh = new Edit.Set("n1", "text.0", "Hi there", "Hello");
        assertThat(step(done(FLOW, fresh).flow(), "n1").wordings()).containsExactly("Hi there");
        Edit same = new Edit.Set("n1", "text.0", "Hello", "Hullo");
        assertThat(done(FLOW, same).flow()).isEqualTo(FLOW);
        Edit option = new Edit.Set("n2", "options.o1.label", "1", "Uno");
        assertThat(FlowEditor.apply(FLOW, option)).isEqualTo(new Edited.Clash("One"));
        Edit gone = new Edit.Set("n2", "options.o9.label", "1", "Uno");
        assertThat(FlowEditor.apply(FLOW, gone)).isInstanceOf(Edited.Refused.class);
    }
}
