package com.shuttle.core.engine.steps;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Signals;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wait;
import com.shuttle.core.reading.Value;
import com.shuttle.core.service.Kind;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Waits for a time, or for a signal with a time as its limit. A signal may bring values, and what they come to is an exit. */
final class WaitPlayer extends Player {

    private final Wait step;

    WaitPlayer(Wait step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        run.sayOneOf(step.say(), List.of());
        if (!step.signal()) {
            run.trace("waits", step.seconds() + " seconds");
            run.await(new Awaiting.Time(run.timer(step.seconds())));
            return;
        }
        String key = run.signals.take(requireNonNull(run.at()));
        Signals.Brought brought = run.signals.takeBrought(key);
        if (brought != null) {
            signalled(brought.text(), brought.body());
            return;
        }
        run.trace("waits", "for a signal, " + step.seconds() + " seconds at most");
        run.carryOut(new Deed.SetTimer(key, step.seconds()));
        run.await(new Awaiting.Signal(key));
    }

    @Override
    public void timeCame() {
        run.trace("time came", "");
        run.await(null);
        if (step.signal() && step.exit(Wait.TOO_LATE.id()) == null) {
            run.say(Phrasebook.TOO_LONG);
        }
        course.leave(step, step.signal() ? Wait.TOO_LATE : Wait.WENT_ON);
    }

    @Override
    public void signalled(String text, @Nullable JsonNode body) {
        run.trace("signal came", "");
        if (!step.variable().isBlank() && !text.isBlank()) {
            run.facts.set(step.variable(), new Value.Text(text));
        }
        for (Wait.Take take : step.takes()) {
            Optional<Value> value = body == null ? Optional.empty() : read(body.path(take.field()), take.type());
            if (!take.variable().isBlank()) {
                value.ifPresentOrElse(
                        brought -> run.facts.set(take.variable(), brought), () -> run.facts.forget(take.variable()));
            }
        }
        run.await(null);
        course.leave(
                step,
                step.results().stream()
                        .filter(result -> body != null && result.fits(body.path(result.field())))
                        .map(Wait.Result::exit)
                        .findFirst()
                        .orElse(Wait.CAME.id()));
    }

    private static Optional<Value> read(JsonNode node, ValueType type) {
        return node.isMissingNode() || node.isNull()
                ? Optional.empty()
                : Arrays.stream(Kind.values())
                        .filter(kind -> kind.type() == type)
                        .findFirst()
                        .flatMap(kind -> kind.read(node));
    }
}
