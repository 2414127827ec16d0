package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.HandOff;
import com.shuttle.core.flow.Occasion;
import java.util.List;

/** Passes the visitor to a person, and goes on when the person is done or nobody comes. */
final class HandOffPlayer extends Player {

    private final HandOff step;

    HandOffPlayer(HandOff step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        String team = team();
        if (!run.ask(new Query.Staffed(team))) {
            run.trace("nobody there", team);
            course.nobody(step.nobody());
            course.leave(step, HandOff.NOBODY);
            return;
        }
        if (step.wordings().getFirst().isBlank()) {
            run.responses.say(Occasion.HANDED_OVER);
        } else {
            run.sayOneOf(step.say(), List.of());
        }
        run.trace("hands off", team.isEmpty() ? "any team" : "team " + team);
        run.note(run.filled(step.brief()));
        run.queue(team);
        if (step.patience() > 0) {
            run.await(new Awaiting.Person(run.timer(step.patience())));
        }
    }

    /** Nobody came in time; the bot has the conversation again. */
    @Override
    public void timeCame() {
        course.nobody(step.nobody());
        course.leave(step, HandOff.NOBODY);
    }

    @Override
    public void returned() {
        if (leads(HandOff.BACK)) {
            course.leave(step, HandOff.BACK);
        } else {
            super.returned();
        }
    }

    @Override
    public void closed() {
        if (leads(HandOff.CLOSED)) {
            run.pass(Speaker.BOT);
            course.leave(step, HandOff.CLOSED);
        } else {
            super.closed();
        }
    }

    /** The team of the step, or else the bot's own. */
    private String team() {
        return step.team().isEmpty() ? run.playbook.release().profile().team() : step.team();
    }

    private boolean leads(ExitSlot exit) {
        return step.exit(exit.id()) != null;
    }
}
