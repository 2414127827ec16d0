package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Arrival;
import com.shuttle.core.engine.turn.AnswerCheck;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import java.util.Collection;
import java.util.List;

/**
 * What the channel knows already need not be asked: whoever writes from a phone has its number, and often a name. It goes to the
 * first question for such a thing, and to no other: a second number is another's. For one turn.
 */
final class KnownAtArrival {

    private final TurnRun run;

    KnownAtArrival(TurnRun run) {
        this.run = run;
    }

    void take(Wanted wanted) {
        take(List.of(wanted));
    }

    /** Keeps what is known of what is about to be asked and is not known otherwise. */
    void take(Collection<? extends Wanted> all) {
        for (Wanted wanted : all) {
            String told = told(wanted.type());
            if (!told.isEmpty()
                    && !wanted.variable().isBlank()
                    && !run.facts.knows(wanted.variable())
                    && Reader.reply(wanted.type(), told, run.around().context(wanted.limits()))
                            instanceof Reading.Given(Value value, int start, int end)
                    && !run.facts.all().containsValue(value)
                    && AnswerCheck.problem(wanted, value, run) == null) {
                run.facts.set(wanted.variable(), value);
                run.trace("known from the channel", wanted.variable());
            }
        }
    }

    private String told(ValueType type) {
        Arrival arrival = run.visit().arrival();
        return switch (type) {
            case PHONE -> arrival.sender();
            case PERSON_NAME -> arrival.name();
            default -> "";
        };
    }
}
