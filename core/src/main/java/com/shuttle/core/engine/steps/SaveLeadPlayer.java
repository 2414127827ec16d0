package com.shuttle.core.engine.steps;

import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.flow.SaveLead;

/** Makes a lead where it is known how to reach the visitor. */
final class SaveLeadPlayer extends Player {

    private final SaveLead step;

    SaveLeadPlayer(SaveLead step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        boolean saved = run.leads.save(step);
        course.leave(step, saved || step.exit(SaveLead.FAILED.id()) == null ? SaveLead.SAVED : SaveLead.FAILED);
    }
}
