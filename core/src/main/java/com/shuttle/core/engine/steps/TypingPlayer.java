package com.shuttle.core.engine.steps;

import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Step;

/** Opens or closes the visitor's text box. */
final class TypingPlayer extends Player {

    private final Step.Typing step;

    TypingPlayer(Step.Typing step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        run.typing(step.closed());
        course.leave(step, ExitSlot.NEXT);
    }
}
