package com.shuttle.core.engine;

import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** Says what the visitor has told so far, in the order of the questions, and asks on. */
final class Recap {

    private final TurnRun run;
    private final Walker walker;

    Recap(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    void say() {
        Map<String, String> told = told();
        run.await(Questions.beneath(run.awaiting()));
        if (told.isEmpty()) {
            run.say(Phrasebook.NOTHING_NOTED);
        } else {
            StringBuilder list = new StringBuilder(Phrasebook.NOTED_SO_FAR);
            told.forEach((called, value) -> list.append("\n- ")
                    .append(Texts.escaped(Phrasebook.capital(called)))
                    .append(": **")
                    .append(Texts.escaped(value))
                    .append("**"));
            run.sayPrepared(list.toString(), List.of(), Look.PLAIN);
        }
        walker.putAgain();
    }

    /** What was asked for or chosen and is known, by what it is called; never what is secret. */
    private Map<String, String> told() {
        Map<String, String> told = new LinkedHashMap<>();
        Stream.concat(
                        run.playbook.choices().stream().map(Playbook.Chosen::slot),
                        run.playbook.slots().stream().filter(slot -> slot.type() != ValueType.SECRET))
                .forEach(slot -> {
                    Value value = run.facts.value(slot.name());
                    if (value != null) {
                        told.putIfAbsent(called(slot), value.shown());
                    }
                });
        return told;
    }

    private static String called(Slot slot) {
        return slot.label().isBlank() ? slot.name().replace('_', ' ') : slot.label();
    }
}
