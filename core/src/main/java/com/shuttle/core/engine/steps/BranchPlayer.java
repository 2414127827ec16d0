package com.shuttle.core.engine.steps;

import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.flow.Branch;
import com.shuttle.core.flow.Branches.Rule;
import java.util.Map;

/** Goes the way of the first rule that holds. A rule that cannot be told does not hold. */
final class BranchPlayer extends Player {

    private final Branch step;

    BranchPlayer(Branch step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        for (Rule rule : step.rules()) {
            if (!rule.when().isBlank() && run.evaluator().holds(rule.when(), Map.of())) {
                run.trace("rule", rule.label());
                course.leave(step, rule.exit());
                return;
            }
        }
        run.trace("rule", "none holds");
        course.leave(step, Branch.OTHERWISE);
    }
}
