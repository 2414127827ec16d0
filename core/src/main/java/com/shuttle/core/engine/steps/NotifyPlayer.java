package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Notify;
import com.shuttle.core.reading.Value;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Has somebody told after the turn, where that can be done at all. */
final class NotifyPlayer extends Player {

    private final Notify step;

    NotifyPlayer(Notify step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        Deed.Tell deed = step.to() == Notify.To.PROGRAM ? callback() : mail();
        String why = run.ask(new Query.MayTell(deed));
        run.trace(
                why.isEmpty() ? "notifies" : "cannot notify",
                why.isEmpty() ? step.to().label() : why);
        if (why.isEmpty()) {
            run.carryOut(deed);
        }
        course.leave(step, why.isEmpty() || step.exit(Notify.FAILED.id()) == null ? ExitSlot.NEXT : Notify.FAILED);
    }

    private Deed.Tell mail() {
        List<String> to = switch (step.to()) {
            case VISITOR -> addresses(step.email());
            case ADDRESSES -> addresses(step.addresses());
            case TEAM, PROGRAM -> List.of();
        };
        String team = step.to() == Notify.To.TEAM ? step.team() : "";
        return new Deed.Tell.Mail(to, team, plain(step.subject()), run.filled(step.text()), step.attached());
    }

    private List<String> addresses(String written) {
        return Arrays.stream(plain(written).split("[,;]"))
                .map(String::strip)
                .filter(address -> !address.isEmpty())
                .distinct()
                .toList();
    }

    private String plain(String text) {
        return Texts.unescaped(run.filled(text)).strip();
    }

    private Deed.Tell callback() {
        Map<String, Value> data = new LinkedHashMap<>();
        for (String variable : step.data()) {
            Value value = run.facts.value(variable);
            if (value != null && !(value instanceof Value.Secret)) {
                data.put(variable, value);
            }
        }
        return new Deed.Tell.Callback(Texts.fillAddress(step.address(), run.known()), step.event(), data);
    }
}
