package com.shuttle.core.engine;

import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

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
        Standing request = Standing.of(text);
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
            case START_AGAIN -> startAgain();
            case MENU -> {
                run.forgetPlaces();
                Place menu = run.playbook.first(
                        Step.Choice.class, run.playbook.release().mainFlow());
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
                    if (run.playbook.step(before) instanceof Step.Question question) {
                        run.forget(question.variable());
                    }
                    run.stand(before);
                }
            }
        }
        return true;
    }

    /** While the visitor waits for a person only these are heard; the rest is for the person. */
    boolean leavesQueue(String text) {
        Standing request = Standing.of(text);
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

    private void startAgain() {
        run.forgetPlaces();
        run.forgetVariables();
        run.stand(run.playbook.start());
    }

    /** "Sorry, my email is …" changes that variable and nothing else. */
    boolean change(String text) {
        if (!CORRECTS.matcher(text).find()) {
            return false;
        }
        Step here = run.playbook.step(run.at());
        List<String> words = Words.of(text);
        for (Map.Entry<String, ValueType> variable : run.playbook.variables().entrySet()) {
            String name = variable.getKey();
            ValueType type = variable.getValue();
            boolean pending = here instanceof Step.Question question
                    && question.variable().equals(name);
            if (!run.knows(name) || pending || type == ValueType.TEXT || type == ValueType.YES_NO) {
                continue;
            }
            boolean named = words.contains(type.key())
                    || words.contains(name)
                    || type == ValueType.PERSON_NAME && words.contains("name")
                    || type == ValueType.EMAIL && words.stream().anyMatch(w -> w.equals("mail") || w.equals("address"));
            Reading reading = Reader.within(type, text, run.region());
            boolean telling = type == ValueType.EMAIL || type == ValueType.PHONE || named;
            if (telling && reading instanceof Reading.Given(Value value, int s, int e)) {
                run.set(name, value);
                run.trace("changed", name + " to " + value.shown());
                run.say("Thanks, I've changed that to " + value.shown() + ".");
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
        if (awaiting.kind() == Awaiting.Kind.QUESTION || awaiting.kind() == Awaiting.Kind.CHOICE) {
            run.sayOneOf(step.wordings().stream().map(Texts::shorter).toList(), awaiting.offers());
        }
    }

    void notUnderstood(String text) {
        Awaiting awaiting = run.awaiting();
        Step step = run.playbook.step(run.at());
        if (awaiting == null || step == null) {
            run.trace("not understood", "nothing was asked");
            run.gap(text);
            run.say(Phrasebook.UNKNOWN);
            return;
        }
        Awaiting tried = awaiting.onceMore();
        run.await(tried);
        run.trace("not understood", "try " + tried.tries());
        int most = switch (step) {
            case Step.Question question -> question.tries();
            case Step.Choice choice -> choice.tries();
            default -> Step.Question.TRIES;
        };
        if (tried.tries() >= most) {
            giveUp(step);
        } else if (step instanceof Step.Question question) {
            String own = run.filled(question.retry());
            run.say(own.isBlank() ? Phrasebook.retry(question.type(), tried.tries()) : own);
        } else {
            run.say("Sorry, I didn't get that.");
            putAgain();
        }
    }

    private void giveUp(Step step) {
        run.trace("gave up", step.name());
        if (step.exit("gave_up") != null) {
            walker.leave(step, "gave_up");
            return;
        }
        run.say(Phrasebook.OFFER_PERSON);
        if (!walker.requestPerson(flow(), "")) {
            run.stand(null);
            run.say(Phrasebook.RESTING);
        }
    }

    private String flow() {
        Place at = run.at();
        return at == null ? run.playbook.release().mainFlow() : at.flow();
    }
}
