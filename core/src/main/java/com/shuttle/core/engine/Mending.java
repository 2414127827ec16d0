package com.shuttle.core.engine;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.engine.turn.AnswerCheck;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Fact;
import com.shuttle.core.flow.Option;
import com.shuttle.core.listening.Repair;
import com.shuttle.core.reading.Value;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Changes what is known, where it fits, and says so. For one turn. */
final class Mending {

    private final TurnRun run;
    private final Walker walker;

    Mending(Walker walker) {
        this.run = walker.run();
        this.walker = walker;
    }

    /** Afterwards the conversation stands where it stood, or elsewhere where a choice that leads on was changed. */
    void perform(TalkMove.Mend move) {
        List<String> shown = new ArrayList<>();
        List<String> called = new ArrayList<>();
        Playbook.Chosen elsewhere = null;
        for (Repair repair : move.repairs()) {
            String problem = problem(repair);
            if (problem != null) {
                run.say(problem);
                continue;
            }
            run.facts.set(repair.variable(), repair.after());
            String after = Texts.escaped(repair.after().shown());
            boolean named = run.playbook.wanted(repair.variable()) instanceof Fact;
            shown.add(after);
            called.add(
                    named
                            ? requireNonNull(run.playbook.wanted(repair.variable()))
                                    .called()
                            : "");
            elsewhere = leadsElsewhere(repair) instanceof Playbook.Chosen choice ? choice : elsewhere;
        }
        if (!shown.isEmpty()) {
            run.say(Phrasebook.changed(called, shown));
        }
        if (elsewhere != null) {
            String label = run.facts.value(elsewhere.slot().name()) instanceof Value.Text(String text) ? text : "";
            String option = elsewhere.step().options().stream()
                    .filter(one -> one.label().equals(label))
                    .map(Option::exit)
                    .findFirst()
                    .orElse(Choice.OTHERWISE.id());
            run.await(null);
            run.stand(elsewhere.place());
            walker.leave(elsewhere.step(), option);
        }
    }

    /** Why a value does not fit the question that asks for it; null where it does. */
    private @Nullable String problem(Repair repair) {
        return Stream.concat(run.trail.places().stream(), Stream.ofNullable(run.at()))
                .map(run.playbook::step)
                .filter(Objects::nonNull)
                .flatMap(step -> step.wants().stream())
                .filter(wanted -> wanted.variable().equals(repair.variable()))
                .map(wanted -> AnswerCheck.problem(wanted, repair.after(), run))
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    /** The choice that was answered and whose options lead different ways. */
    private Playbook.@Nullable Chosen leadsElsewhere(Repair repair) {
        return run.playbook.choices().stream()
                .filter(choice -> choice.slot().name().equals(repair.variable())
                        && !choice.step().oneWay()
                        && run.trail.places().contains(choice.place()))
                .findFirst()
                .orElse(null);
    }
}
