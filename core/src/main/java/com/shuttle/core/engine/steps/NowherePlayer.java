package com.shuttle.core.engine.steps;

import com.shuttle.core.engine.turn.Course;

/** Stands in for the step where a conversation stands at none. */
final class NowherePlayer extends Player {

    NowherePlayer(Course course) {
        super(course);
    }

    @Override
    public void enter() {
        run.trace("lost", "the step is no longer there");
        run.stand(null);
    }
}
