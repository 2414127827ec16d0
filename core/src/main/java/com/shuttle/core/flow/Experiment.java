package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.Branches.Arm;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
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

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Arm.ARMS.needed(),
                    Field.of("milestone", Forms.NAME, "Decided by the milestone", "none yet")
                            .inSight())
            .beginning("""
                    {"arms":[{"id":"a","name":"A","weight":50},{"id":"b","name":"B","weight":50}]}""")
            .beside(step -> {
                String milestone = step.path("milestone").asString("");
                return milestone.isEmpty() ? Aside.NONE : Aside.of("decided by " + milestone);
            });

    public Experiment {
        title = Parts.text(title);
        note = Parts.text(note);
        arms = arms == null ? List.of() : List.copyOf(arms);
        milestone = Parts.text(milestone);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<ExitSlot> slots() {
        return arms.stream().map(arm -> ExitSlot.own(arm.exit(), arm.label())).toList();
    }
}
