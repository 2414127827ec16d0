package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.Look;
import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.Answer;
import com.shuttle.core.flow.Bubble;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Experiment;
import com.shuttle.core.flow.HandOff;
import com.shuttle.core.flow.Interview;
import com.shuttle.core.flow.Media;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.Wait;
import com.shuttle.core.reading.Value;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Plays steps one after the other until the conversation waits, is passed on or ends. */
final class Walker {

    /** A turn that takes more steps than this without waiting is going round in circles. */
    static final int MOST_STEPS = 200;

    private final TurnRun run;
    private final Branching branches;
    final Answering answering;

    Walker(TurnRun run) {
        this.run = run;
        this.branches = new Branching(run);
        this.answering = new Answering(run, this);
    }

    void walk() {
        int steps = 0;
        while (run.walking()) {
            if (++steps > MOST_STEPS) {
                run.trace("stopped", "more than " + MOST_STEPS + " steps without waiting");
                run.say(Phrasebook.APOLOGY);
                run.stand(null);
                requestPerson("", "");
                return;
            }
            Step step = run.playbook.step(run.at());
            if (step == null) {
                run.trace("lost", "the step is no longer there");
                run.stand(null);
            } else {
                play(step);
            }
        }
    }

    private void play(Step step) {
        switch (step) {
            case Step.Message message -> {
                say(message);
                leave(step, "next");
            }
            case Question question -> ask(question);
            case Choice choice -> offer(choice);
            case Interview interview -> new Interviewer(run, this).begin(interview);
            case Answer answer -> answer(answer);
            case Step.Branch branch -> leave(step, branches.way(branch));
            case Experiment experiment -> leave(step, branches.arm(experiment));
            case Step.Compute compute -> {
                branches.compute(compute);
                leave(step, "next");
            }
            case Wait wait -> await(wait);
            case Step.Milestone milestone -> {
                branches.reach(milestone);
                leave(step, "next");
            }
            case Step.Typing typing -> {
                run.typing(typing.closed());
                leave(step, "next");
            }
            case HandOff handOff -> handOff(handOff);
            case Step.GoTo goTo -> goTo(goTo);
            case Step.End end -> {
                run.sayOneOf(end.say(), List.of());
                if (end.rating()) {
                    List<Offer> marks = Offers.marks(5);
                    run.sayOneOf(List.of(end.rate().isBlank() ? Phrasebook.RATE : end.rate()), marks);
                    run.await(Awaiting.offering(Awaiting.Kind.RATING, marks));
                } else {
                    run.pass(Speaker.ENDED);
                }
            }
        }
    }

    private void say(Step.Message message) {
        run.sayOneOf(message.say(), List.of(), look(message.media(), message.typing()));
        for (Bubble bubble : message.bubbles()) {
            run.sayOneOf(bubble.say(), List.of(), look(bubble.media(), message.typing()));
        }
    }

    private Look look(@Nullable Media media, int typing) {
        boolean shown = media != null && !media.address().isBlank();
        Media filled = shown && media != null
                ? new Media(media.type(), run.filled(media.address()), run.filled(media.alt()))
                : null;
        return new Look(filled, typing, null, false);
    }

    private void ask(Question question) {
        Value known = run.facts.value(question.variable());
        boolean left = question.optional() && run.facts.wasLeft(question.variable());
        if (question.skipWhenKnown() && (known != null || left)) {
            String problem = known == null ? null : AnswerCheck.problem(question, known, run);
            if (problem == null) {
                run.trace("skipped", question.variable() + " is already " + (left ? "left out" : "known"));
                leave(question, left && question.exit("skipped") != null ? "skipped" : "answered");
                return;
            }
            run.trace("does not fit", problem);
            run.say(problem);
            run.facts.forget(question.variable());
        }
        new Asking(run, this).ask(question);
    }

    private void offer(Choice choice) {
        List<Offer> offers = Offers.of(Offers.options(choice, run));
        if (offers.isEmpty()) {
            run.sayOneOf(choice.ask(), List.of());
            leave(choice, "otherwise");
        } else {
            run.sayOneOf(choice.ask(), offers, new Look(null, 0, choice.layout(), choice.many()));
            run.await(Awaiting.choice(offers));
        }
    }

    private void answer(Answer answer) {
        String open = run.takeOpenWords();
        Value of = answer.of().isBlank() ? null : run.facts.value(answer.of());
        String words = of != null ? of.shown() : open;
        if (words != null) {
            answering.answer(answer, words);
        } else {
            String said = run.sayOneOf(answer.ask(), List.of());
            if (said.isBlank()) {
                run.say(Phrasebook.RESTING);
            }
            run.await(Awaiting.of(Awaiting.Kind.ANSWER));
        }
    }

    private void await(Wait wait) {
        String key = run.timer(wait.seconds());
        if (wait.signal()) {
            String address = run.ports.signalAddress(key);
            run.sayOneOf(
                    wait.say().stream()
                            .map(words -> words.replaceAll("\\{\\{\\s*signal\\s*}}", address.replace("$", "\\$")))
                            .toList(),
                    List.of());
            run.trace("waits", "for a signal, " + wait.seconds() + " seconds at most");
            run.await(Awaiting.until(Awaiting.Kind.SIGNAL, key));
        } else {
            run.sayOneOf(wait.say(), List.of());
            run.trace("waits", wait.seconds() + " seconds");
            run.await(Awaiting.until(Awaiting.Kind.TIME, key));
        }
    }

    /** Leaves a step by one of its exits. */
    void leave(Step step, String slot) {
        follow(step.exit(slot));
    }

    private void follow(@Nullable Target target) {
        Place here = run.at();
        Place there = here == null ? null : run.playbook.place(target, here.flow());
        if (there != null) {
            run.stand(there);
            return;
        }
        if (target instanceof Target.End) {
            run.stand(null);
            run.pass(Speaker.ENDED);
            return;
        }
        Place back = run.takeReturn();
        if (back == null) {
            run.trace(
                    "rests", target instanceof Target.Back ? "nothing to come back to" : "the exit leads nowhere yet");
            run.stand(null);
            return;
        }
        run.trace("comes back", run.playbook.nameOf(back.flow()));
        run.stand(back);
        if (run.playbook.step(back) instanceof Step.GoTo goTo) {
            leave(goTo, "back");
        }
    }

    private void goTo(Step.GoTo step) {
        if (step.startAgain()) {
            run.trace("starts again", "");
            startAgain();
            return;
        }
        Target to = step.exit("to");
        if (step.comeBack() && to instanceof Target.ToFlow(String flow) && run.at() != null) {
            Place start = run.playbook.startOf(flow);
            if (start == null) {
                leave(step, "back");
                return;
            }
            run.trace("goes to", run.playbook.nameOf(flow) + ", to come back");
            run.comeBackTo(run.at());
            run.stand(start);
        } else {
            leave(step, "to");
        }
    }

    void startAgain() {
        run.forgetPlaces();
        run.facts.forgetAll();
        run.stand(run.playbook.start());
    }

    /** Nothing more can be asked at a step: by its <i>gave up</i> exit, or by the offer of a person. */
    void giveUp(Step step) {
        run.trace("gave up", step.name());
        run.await(null);
        if (step.exit("gave_up") != null) {
            leave(step, "gave_up");
            return;
        }
        Place at = run.at();
        run.say(Phrasebook.OFFER_PERSON);
        if (!requestPerson(at == null ? run.playbook.release().mainFlow() : at.flow(), "")) {
            run.stand(null);
            run.say(Phrasebook.RESTING);
        }
    }

    private void handOff(HandOff step) {
        String team = team(step);
        if (run.ports.staffed(team)) {
            if (step.wordings().getFirst().isBlank()) {
                run.responses.say(Occasion.HANDED_OVER);
            } else {
                run.sayOneOf(step.say(), List.of());
            }
            run.trace("hands off", team.isEmpty() ? "any team" : "team " + team);
            run.queue(team, run.filled(step.brief()));
            if (step.patience() > 0) {
                run.await(Awaiting.until(Awaiting.Kind.AGENT, run.timer(step.patience())));
            }
        } else {
            run.trace("nobody there", team);
            nobody(step.nobody());
            leave(step, "nobody");
        }
    }

    /** Says that nobody is there to take over. @param own words of a step; may be empty */
    void nobody(String own) {
        run.responses.say(run.around().inHours() ? Occasion.BUSY : Occasion.CLOSED, own);
    }

    /** The team of a step, or else the bot's own. */
    private String team(HandOff step) {
        return step.team().isEmpty() ? run.playbook.release().profile().team() : step.team();
    }

    /**
     * The visitor wants a person, or the bot can do no more: by the bot's own Hand off step where it has one.
     *
     * @param flow     the flow stood in; empty for none
     * @param nobodyIs what to say when nobody is there and there is no step for it; empty for the usual words
     * @return whether the place was left; otherwise nobody was there and the pending question should be put again
     */
    boolean requestPerson(String flow, String nobodyIs) {
        Place place = run.playbook.first(HandOff.class, flow);
        if (place != null && run.playbook.step(place) instanceof HandOff step) {
            boolean leads = step.exit("nobody") != null;
            if (leads || run.ports.staffed(team(step))) {
                run.stand(place);
                return true;
            }
            nobody(step.nobody());
            return false;
        }
        if (run.ports.staffed("")) {
            run.responses.say(Occasion.HANDED_OVER);
            run.queue("", "");
            return true;
        }
        nobody(nobodyIs);
        return false;
    }
}
