package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.Look;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Interview;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What keeps a conversation on its feet: standing requests, corrections, putting a question again, giving up. */
final class Repairs {

    private static final Pattern CORRECTS = Pattern.compile(
            "\\b(?:sorry|actually|correction|wrong|i meant|i mean|change|should be|not right|mistake|typo|no wait)\\b",
            Pattern.CASE_INSENSITIVE);

    private final TurnRun run;
    private final Walker walker;

    Repairs(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    boolean standingRequest(String text) {
        Standing request = Standing.of(text, run.playbook.release().standing());
        if (request == null) {
            return false;
        }
        run.trace("standing request", request.label());
        switch (request) {
            case PERSON -> {
                if (!walker.requestPerson(flow(), "")) {
                    putAgain();
                }
            }
            case START_AGAIN -> walker.startAgain();
            case MENU -> {
                run.forgetPlaces();
                Place menu =
                        run.playbook.first(Choice.class, run.playbook.release().mainFlow());
                run.stand(menu != null ? menu : run.playbook.start());
            }
            case STOP -> {
                run.say(Phrasebook.ENDED);
                run.pass(Speaker.ENDED);
            }
            case BACK -> {
                Place before = run.takeAnswered();
                if (before == null) {
                    run.say(Phrasebook.NOTHING_BEFORE);
                    putAgain();
                } else {
                    forgetAnswer(run.playbook.step(before));
                    run.stand(before);
                }
            }
        }
        return true;
    }

    /** While the visitor waits for a person only these are heard; the rest is for the person. */
    boolean leavesQueue(String text) {
        Standing request = Standing.of(text, run.playbook.release().standing());
        if (request != Standing.MENU
                && request != Standing.START_AGAIN
                && request != Standing.STOP
                && request != Standing.BACK) {
            return false;
        }
        run.leaveQueue();
        if (request == Standing.BACK) {
            run.trace("standing request", "back to the bot");
            run.stand(null);
            run.say(Phrasebook.STILL_HERE);
            return true;
        }
        return standingRequest(text);
    }

    private void forgetAnswer(@Nullable Step step) {
        switch (step) {
            case Question question -> run.facts.forget(question.variable());
            case Choice choice -> run.facts.forget(choice.variable());
            case null, default -> {}
        }
    }

    /** "Sorry, my email is …" changes that variable and nothing else. */
    boolean change(String text) {
        if (!CORRECTS.matcher(text).find()) {
            return false;
        }
        String pending = run.playbook.step(run.at()) instanceof Question question ? question.variable() : "";
        for (Slot slot : run.playbook.slots()) {
            Value before = run.facts.value(slot.name());
            ValueType type = slot.type();
            if (before == null || slot.name().equals(pending)) {
                continue;
            }
            boolean telling = type == ValueType.EMAIL || type == ValueType.PHONE || SeveralReader.names(text, slot);
            Map<String, Reading> read = telling
                    ? SeveralReader.read(
                            text,
                            List.of(slot),
                            run.around().context(),
                            run.around().meaning())
                    : Map.of();
            if (read.get(slot.name()) instanceof Reading.Given(Value value, int s, int e) && !value.equals(before)) {
                run.facts.set(slot.name(), value);
                run.trace("changed", slot.name() + " to " + value.shown());
                run.say("Thanks, I've changed that to " + Texts.escaped(value.shown()) + ".");
                putAgain();
                return true;
            }
        }
        return false;
    }

    /** Puts the pending question again, in fewer words. Where nothing is pending, nothing is said. */
    void putAgain() {
        Awaiting awaiting = run.awaiting();
        Step step = run.playbook.step(run.at());
        if (awaiting == null || step == null) {
            return;
        }
        switch (awaiting.kind()) {
            case QUESTION ->
                run.sayOneOf(step.wordings().stream().map(Texts::shorter).toList(), awaiting.offers());
            case CHOICE -> {
                if (step instanceof Choice choice && !choice.quiet()) {
                    Look look = new Look(null, 0, choice.layout(), choice.many());
                    run.sayOneOf(step.wordings().stream().map(Texts::shorter).toList(), awaiting.offers(), look);
                }
            }
            case INTERVIEW -> {
                if (step instanceof Interview interview) {
                    new Interviewer(run, walker).next(interview);
                }
            }
            case CONFIRM, WHICH -> run.sayOneOf(List.of(Phrasebook.WHICH), awaiting.offers());
            case RATING -> run.sayOneOf(List.of(Phrasebook.RATE), awaiting.offers());
            case NEXT, ANSWER, SUGGESTION, TIME, SIGNAL, COMMENT, AGENT -> {}
        }
    }

    void notUnderstood(String text) {
        Awaiting awaiting = run.awaiting();
        Step step = run.playbook.step(run.at());
        if (awaiting == null || step == null) {
            run.trace("not understood", "nothing was asked");
            run.gap(text);
            run.responses.say(Occasion.NOT_FOUND);
            return;
        }
        if (awaiting.kind() == Awaiting.Kind.TIME || awaiting.kind() == Awaiting.Kind.SIGNAL) {
            run.trace("not understood", "while waiting");
            run.say(Phrasebook.STILL_WAITING);
            return;
        }
        Awaiting tried = awaiting.onceMore();
        run.await(tried);
        run.trace("not understood", "try " + tried.tries());
        int most = switch (step) {
            case Question question -> question.tries();
            case Choice choice -> choice.tries();
            case Interview interview -> interview.tries();
            default -> Question.TRIES;
        };
        if (tried.tries() >= most) {
            walker.giveUp(step);
            return;
        }
        Wanted wanted = step instanceof Question question
                ? question
                : step instanceof Interview interview ? new Interviewer(run, walker).only(interview, awaiting) : null;
        if (wanted != null) {
            help(wanted, tried);
        } else {
            run.say("Sorry, I didn't get that.");
            putAgain();
        }
    }

    /** Error words; from the second try on with an example. */
    private void help(Wanted wanted, Awaiting tried) {
        String own = run.filled(wanted.retry());
        String words = own.isBlank() ? Phrasebook.retry(wanted.type(), tried.tries()) : own;
        boolean example = tried.tries() > 1 && !wanted.example().isBlank();
        run.sayOneOf(List.of(example ? words + " For example: " + wanted.example() : words), tried.offers());
    }

    private String flow() {
        Place at = run.at();
        return at == null ? run.playbook.release().mainFlow() : at.flow();
    }
}
