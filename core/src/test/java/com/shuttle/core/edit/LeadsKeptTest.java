package com.shuttle.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.SaveLead;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.ValueType;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Flows from before say now who is a lead. */
class LeadsKeptTest {

    private static final Flow FLOW = FlowBuilder.flow("main")
            .question("e", "Email?", ValueType.EMAIL, "email", "n")
            .question("n", "Name?", ValueType.PERSON_NAME, "name", "bye")
            .question("p", "Phone?", ValueType.PHONE, "phone", null)
            .message("bye", "Bye.", null)
            .build();

    @Test
    void theStepStandsBehindTheLastOfTheTwoAndLeadsOnAsThatDid() {
        Flow kept = LeadsKept.in(FLOW);
        assertThat(kept.allSteps()).extracting(Step::id).containsExactly("e", "n", "lead-kept", "p", "bye");
        assertThat(kept.findStep("n").orElseThrow().exit("answered")).isEqualTo(Target.step("lead-kept"));
        SaveLead save = (SaveLead) kept.findStep("lead-kept").orElseThrow();
        assertThat(save.exit("saved")).isEqualTo(Target.step("bye"));
        assertThat(save.fields())
                .extracting(SaveLead.Cell::value)
                .isEqualTo(List.of("{{name}}", "{{email}}", "{{phone}}"));
        assertThat(new FlowJson().read(FlowJson.write(kept))).isEqualTo(new FlowJson.Result.Good(kept));
    }

    @Test
    void whatSaysSoAlreadyOrAsksForLessStaysAsItIs() {
        Flow kept = LeadsKept.in(FLOW);
        assertThat(LeadsKept.in(kept)).isEqualTo(kept);
        Flow less = FlowBuilder.flow("main")
                .question("e", "Email?", ValueType.EMAIL, "email", "end")
                .build();
        assertThat(LeadsKept.in(less)).isEqualTo(less);
    }
}
