package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.flow.Bubble;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Media;
import com.shuttle.core.flow.Step;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Says something and goes on. */
final class MessagePlayer extends Player {

    private final Step.Message step;

    MessagePlayer(Step.Message step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        run.sayOneOf(step.say(), List.of(), look(step.media()));
        for (Bubble bubble : step.bubbles()) {
            run.sayOneOf(bubble.say(), List.of(), look(bubble.media()));
        }
        course.leave(step, ExitSlot.NEXT);
    }

    private Look look(@Nullable Media media) {
        String address = media == null ? "" : Texts.fillAddress(media.address(), run.known());
        Media filled = media == null || address.isEmpty()
                ? null
                : new Media(media.type(), address, Texts.unescaped(run.filled(media.alt())));
        return new Look(filled, step.typing(), null, false);
    }
}
