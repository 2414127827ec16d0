package com.shuttle.core.engine.steps;

import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Step;

/** Keeps a line for whoever takes the conversation over. */
final class TeamNotePlayer extends Player {

    private final Step.TeamNote step;

    TeamNotePlayer(Step.TeamNote step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        String text = run.filled(step.text());
        run.note(text);
        run.trace("note for the team", text.isBlank() ? "nothing to note" : text);
        course.leave(step, ExitSlot.NEXT);
    }
}
