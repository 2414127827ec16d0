package com.shuttle.core.engine;

import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Says what the visitor has told so far, in the order of the questions, and asks on. */
final class Recap {

    private final TurnRun run;
    private final Walker walker;

    Recap(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    void say() {
        tell();
        walker.putAgain();
    }

    /** The same, and which of it is to be changed. */
    void askWhatToMend() {
        if (tell()) {
            run.say(Phrasebook.WHAT_TO_CHANGE);
        } else {
            walker.putAgain();
        }
    }

    /** Whether anything was told. */
    private boolean tell() {
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
        return !told.isEmpty();
    }

    /** What was asked for or chosen and is known, by what it is called; never what is secret. */
    private Map<String, String> told() {
        Map<String, String> told = new LinkedHashMap<>();
        run.playbook
                .choices()
                .forEach(choice ->
                        tell(told, choice.slot().label(), choice.slot().name()));
        run.playbook.wanted().stream()
                .filter(wanted -> wanted.type() != ValueType.SECRET)
                .forEach(wanted -> tell(told, wanted.called(), wanted.variable()));
        return told;
    }

    private void tell(Map<String, String> told, String called, String variable) {
        Value value = run.facts.value(variable);
        if (value != null) {
            told.putIfAbsent(called.isBlank() ? variable.replace('_', ' ') : called, value.shown());
        }
    }
}
