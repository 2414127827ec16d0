package com.shuttle.core.engine.steps;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.engine.turn.AnswerCheck;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Move;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.StepMove;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.flow.Fact;
import com.shuttle.core.flow.Interview;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Value;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Plays an Interview. What is known, from wherever, is never asked. Each message is read for all facts: first for those
 * that are being asked, then for the others, then for changes to facts already given. When nothing is missing, all is
 * read back; a yes completes, anything that gives a fact another value changes it. The result does not depend on the order
 * in which facts arrive.
 */
final class InterviewPlayer extends Player {

    private final Interview step;
    private final Asking asking;

    InterviewPlayer(Interview step, Course course) {
        super(course);
        this.step = step;
        this.asking = new Asking(run);
    }

    /** Begins, or takes up again after leaving. */
    @Override
    public void enter() {
        new KnownAtArrival(run).take(step.facts());
        String intro = run.sayOneOf(step.ask(), List.of());
        List<Fact> missing = missing();
        boolean asksItself = intro.strip().endsWith("?") && missing.size() > 1;
        if (asksItself && fit()) {
            run.await(new Awaiting.Facts(null, List.of(), 0, InterviewWords.names(missing)));
        } else {
            next();
        }
    }

    /** Asks for what is missing, reads back, or completes. */
    private void next() {
        fit();
        List<Fact> missing = missing();
        if (!missing.isEmpty()) {
            ask(InterviewWords.group(missing));
        } else if (step.trusting()) {
            complete();
        } else {
            readBack();
        }
    }

    /** Forgets what was learnt elsewhere and is not fit here, saying so; whether all was fit. */
    private boolean fit() {
        boolean fit = true;
        for (Fact fact : step.facts()) {
            Value value = run.facts.value(fact.variable());
            String problem = value == null ? null : AnswerCheck.problem(fact, value, run);
            if (problem != null && value != null) {
                run.say(Phrasebook.capital(fact.called()) + ": " + Texts.escaped(value.shown()) + ". " + problem);
                run.facts.forget(fact.variable());
                fit = false;
            }
        }
        return fit;
    }

    List<Fact> missing() {
        return step.facts().stream()
                .filter(fact ->
                        !run.facts.knows(fact.variable()) && !(fact.optional() && run.facts.wasLeft(fact.variable())))
                .toList();
    }

    private void ask(List<Fact> facts) {
        Fact first = facts.getFirst();
        boolean alone = facts.size() == 1;
        List<Offer> offers = alone ? Offers.of(first) : List.of();
        run.sayOneOf(List.of(InterviewWords.question(facts)), offers);
        run.await(new Awaiting.Facts(alone ? first.type() : null, offers, 0, InterviewWords.names(facts)));
    }

    private void readBack() {
        List<Offer> offers = Offers.yesNo("Yes, all right", "No, change something");
        run.trace("reads back", step.facts().size() + " facts");
        run.sayPrepared(InterviewWords.readBack(step, run), offers, Look.PLAIN);
        run.await(new Awaiting.Facts(null, offers, 0, List.of()));
    }

    private void complete() {
        run.answeredHere();
        run.await(null);
        course.leave(step, Interview.COMPLETE);
    }

    @Override
    public void pick(Awaiting awaiting, List<String> options) {
        String option = options.getFirst();
        switch (awaiting) {
            case Awaiting.Facts asked -> {
                Fact fact = only(asked);
                if (fact == null) {
                    answerReadBack(option.equals(Offers.YES));
                } else if (option.equals(Offers.SKIP)) {
                    leaveOut(fact);
                } else {
                    Value value = Asking.picked(fact, option);
                    if (value != null) {
                        give(Map.of(fact, value), "");
                    }
                }
            }
            case Awaiting.Which which -> {
                Value value = which.values().get(Offers.index(which.offers(), option));
                run.trace("chosen", value.shown());
                takeInstead(which.resumes(), value);
            }
            default -> {}
        }
    }

    // Hearing

    @Override
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        return switch (awaiting) {
            case Awaiting.Facts asked -> new InterviewHearing(this, step).hear(asked, text);
            case Awaiting.Which which -> {
                Fact fact = which.resumes() instanceof Awaiting.Facts asked ? only(asked) : null;
                Value value = fact == null ? null : asking.chosen(which, fact, text);
                yield value == null
                        ? resuming(which.resumes(), text)
                        : Heard.of(new StepMove.TakeInstead(which.resumes(), value), "chosen", value.shown());
            }
            default -> null;
        };
    }

    private Map<Fact, Value> facts(Map<String, Value> named) {
        Map<Fact, Value> facts = new LinkedHashMap<>();
        named.forEach((variable, value) -> facts.put(fact(variable), value));
        return facts;
    }

    private Fact fact(String variable) {
        return step.facts().stream()
                .filter(fact -> fact.variable().equals(variable))
                .findFirst()
                .orElseThrow();
    }

    @Override
    public void perform(Move.OfStep move) {
        switch (move) {
            case StepMove.Give(Map<String, Value> values, String said) -> give(facts(values), said);
            case StepMove.TakeInstead(Awaiting resumes, Value value) -> takeInstead(resumes, value);
            case StepMove.AskWhich(List<Value> readings, Awaiting resumes) -> asking.which(readings, resumes);
            case StepMove.Refuse() -> refused();
            case StepMove.LeaveOut(String variable) -> leaveOut(fact(variable));
            case StepMove.Decline() -> decline();
            case StepMove.Approve(boolean right) -> answerReadBack(right);
            case StepMove.AskWhat() -> run.say(Phrasebook.TELL_ME_WHAT);
            case StepMove.TellWhy() -> {
                run.say(Phrasebook.WHY_ASK);
                course.putAgain();
            }
            default -> super.perform(move);
        }
    }

    private void answerReadBack(boolean yes) {
        run.trace("answer to the read-back", yes ? "right" : "not right");
        if (yes) {
            complete();
        } else {
            run.say(Phrasebook.WHAT_TO_CHANGE);
        }
    }

    /** Keeps what is fit, says what is not, and goes on. */
    private void give(Map<Fact, Value> given, String text) {
        List<String> problems = new ArrayList<>();
        List<String> changed = new ArrayList<>();
        List<String> kept = new ArrayList<>();
        Fact only = run.awaiting() instanceof Awaiting.Facts asked ? only(asked) : null;
        given.forEach((fact, value) -> {
            String problem = AnswerCheck.problem(fact, value, run);
            if (problem == null) {
                Value before = run.facts.value(fact.variable());
                run.facts.set(fact.variable(), value);
                run.trace("fact", fact.variable() + " " + value.shown());
                if (before != null && !before.equals(value)) {
                    changed.add(Phrasebook.the(fact.called()) + " to " + Texts.escaped(value.shown()));
                } else if (before == null && !text.isEmpty() && fact != only) {
                    kept.add(Phrasebook.kept(FactsSaid.slot(fact), Texts.escaped(value.shown())));
                }
            } else {
                run.trace("does not fit", problem);
                problems.add(given.size() == 1 ? problem : Phrasebook.capital(fact.called()) + ": " + problem);
            }
        });
        Awaiting awaiting = run.awaiting();
        problems.forEach(run::say);
        if (!changed.isEmpty()) {
            run.sayPrepared("I've changed " + Phrasebook.all(changed) + ".", List.of(), Look.PLAIN);
        }
        if (!kept.isEmpty() && !missing().isEmpty()) {
            run.say(Phrasebook.noted(kept));
        }
        if (problems.size() == given.size()
                && awaiting instanceof Awaiting.Facts asked
                && !asked.facts().isEmpty()) {
            Awaiting tried = asked.onceMore();
            run.await(tried);
            if (tried.tries() >= step.tries()) {
                course.giveUp(step);
            }
            return;
        }
        next();
    }

    private void refused() {
        Fact fact = run.awaiting() instanceof Awaiting.Facts asked ? only(asked) : null;
        run.trace("refused", fact == null ? step.name() : fact.variable());
        if (fact == null) {
            run.say(Phrasebook.NEEDED);
            ask(InterviewWords.group(missing()));
        } else if (fact.optional()) {
            leaveOut(fact);
        } else if (step.exit(Interview.DECLINED.id()) != null
                && run.awaiting() instanceof Awaiting.Facts asked
                && asked.tries() > 0) {
            decline();
        } else {
            // Once is said why it is needed; who refuses again means it.
            run.say(Phrasebook.NEEDED);
            ask(List.of(fact));
            run.await(requireNonNull(run.awaiting()).onceMore());
        }
    }

    private void leaveOut(Fact fact) {
        run.facts.leaveOut(fact.variable());
        next();
    }

    private void decline() {
        run.await(null);
        if (step.exit(Interview.DECLINED.id()) == null) {
            run.say(Phrasebook.LEFT_OUT);
        }
        course.leave(step, Interview.DECLINED);
    }

    /** Takes the reading that the visitor chose of several. */
    private void takeInstead(Awaiting resumes, Value value) {
        run.await(resumes);
        Fact fact = resumes instanceof Awaiting.Facts asked ? only(asked) : null;
        if (fact != null) {
            give(Map.of(fact, value), "");
        } else {
            next();
        }
    }

    /** The fact being asked for alone; null for several or none. */
    @Nullable
    Fact only(Awaiting.Facts asked) {
        return asked.facts().size() != 1
                ? null
                : step.facts().stream()
                        .filter(fact -> fact.variable().equals(asked.facts().getFirst()))
                        .findFirst()
                        .orElse(null);
    }

    @Override
    public @Nullable Heard refusing(Awaiting awaiting) {
        return wanted(awaiting) instanceof Fact ? Heard.of(new StepMove.Refuse()) : null;
    }

    // Once more

    @Override
    public void putAgain(Awaiting awaiting) {
        switch (awaiting) {
            case Awaiting.Facts ignored -> next();
            case Awaiting.Which which -> run.sayOneOf(List.of(Phrasebook.WHICH), which.offers());
            default -> {}
        }
    }

    @Override
    public int tries() {
        return step.tries();
    }

    @Override
    public @Nullable Wanted wanted(Awaiting awaiting) {
        return awaiting instanceof Awaiting.Facts asked ? only(asked) : null;
    }
}
