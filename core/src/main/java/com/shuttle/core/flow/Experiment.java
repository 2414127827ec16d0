package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.Branches.Arm;
import java.util.List;
import java.util.Map;

/** Shares visitors out; the same visitor keeps the same arm.
 *
 * @param milestone name of the milestone that decides; empty while undecided
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Experiment(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        List<Arm> arms,
        String milestone,
        @JsonInclude Map<String, Target> exits)
        implements Step {
    public Experiment {
        title = Parts.text(title);
        note = Parts.text(note);
        arms = arms == null ? List.of() : List.copyOf(arms);
        milestone = Parts.text(milestone);
        exits = Parts.frozen(exits);
    }

    @Override
    public StepKind kind() {
        return StepKind.EXPERIMENT;
    }

    @Override
    public List<String> wordings() {
        return List.of();
    }

    @Override
    public List<ExitSlot> slots() {
        return arms.stream()
                .map(arm -> new ExitSlot(arm.exit(), arm.label(), true))
                .toList();
    }
}
