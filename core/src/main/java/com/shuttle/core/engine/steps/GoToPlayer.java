package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Place;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;

/** Goes elsewhere, to come back or not, or starts again. */
final class GoToPlayer extends Player {

    private final Step.GoTo step;

    GoToPlayer(Step.GoTo step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        if (step.startAgain()) {
            run.trace("starts again", "");
            course.startAgain();
            return;
        }
        if (step.comeBack() && step.exit(Step.GoTo.TO.id()) instanceof Target.ToFlow(String flow)) {
            Place start = run.playbook.startOf(flow);
            if (start == null) {
                course.leave(step, Step.GoTo.BACK);
            } else {
                run.trace("goes to", run.playbook.nameOf(flow) + ", to come back");
                course.visit(start);
            }
            return;
        }
        course.leave(step, Step.GoTo.TO);
    }

    /** The flow that was gone to has come back. */
    @Override
    public void cameBack() {
        course.leave(step, Step.GoTo.BACK);
    }
}
