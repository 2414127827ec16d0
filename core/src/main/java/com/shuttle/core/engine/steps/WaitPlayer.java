package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.flow.Wait;
import com.shuttle.core.reading.Value;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Waits for a time, or for a signal with a time as its limit. */
final class WaitPlayer extends Player {

    private static final Pattern ADDRESS = Pattern.compile("\\{\\{\\s*signal\\s*}}");

    private final Wait step;

    WaitPlayer(Wait step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        String key = run.timer(step.seconds());
        if (!step.signal()) {
            run.sayOneOf(step.say(), List.of());
            run.trace("waits", step.seconds() + " seconds");
            run.await(new Awaiting.Time(key));
            return;
        }
        String address = Matcher.quoteReplacement(run.ask(new Query.SignalAddress(key)));
        run.sayOneOf(
                step.say().stream()
                        .map(words -> ADDRESS.matcher(words).replaceAll(address))
                        .toList(),
                List.of());
        run.trace("waits", "for a signal, " + step.seconds() + " seconds at most");
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
    public void signalled(String text) {
        run.trace("signal came", "");
        if (!step.variable().isBlank() && !text.isBlank()) {
            run.facts.set(step.variable(), new Value.Text(text));
        }
        run.await(null);
        course.leave(step, Wait.CAME);
    }
}
