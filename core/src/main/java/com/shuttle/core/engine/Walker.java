package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Plays steps one after the other until the conversation waits, is passed on or ends. */
final class Walker {

    /** A turn that takes more steps than this without waiting is going round in circles. */
    static final int MOST_STEPS = 200;

    private final TurnRun run;

    Walker(TurnRun run) {
        this.run = run;
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
                run.sayOneOf(message.say(), List.of());
                leave(step, "next");
            }
            case Step.Question question -> {
                if (question.skipWhenKnown() && run.knows(question.variable())) {
                    run.trace("skipped", question.variable() + " is already known");
                    leave(step, "answered");
                } else {
                    run.sayOneOf(question.ask(), List.of());
                    run.await(Awaiting.question(question.type()));
                }
            }
            case Step.Choice choice -> {
                List<Offer> offers = offers(choice.options());
                if (offers.isEmpty()) {
                    run.sayOneOf(choice.ask(), List.of());
                    leave(step, "otherwise");
                } else {
                    run.sayOneOf(choice.ask(), offers);
                    run.await(Awaiting.choice(offers));
                }
            }
            case Step.Answer answer -> {
                String words = run.takeOpenWords();
                if (words != null) {
                    answer(answer, words);
                } else {
                    String said = run.sayOneOf(answer.ask(), List.of());
                    if (said.isBlank()) {
                        run.say(Phrasebook.RESTING);
                    }
                    run.await(Awaiting.of(Awaiting.Kind.ANSWER));
                }
            }
            case Step.HandOff handOff -> handOff(handOff);
            case Step.GoTo goTo -> goTo(goTo);
            case Step.End end -> {
                run.sayOneOf(end.say(), List.of());
                run.pass(Speaker.ENDED);
            }
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

    /** Answers a question at an Answer step and leaves it, or waits for a pick among suggestions. */
    void answer(Step.Answer step, String question) {
        Finding finding = run.ports.ask(run.askedThen(question), step.collections());
        run.remember(question);
        switch (finding.outcome()) {
            case ANSWER -> {
                sayAnswer(finding.matches().getFirst());
                leave(step, "answered");
            }
            case SUGGEST -> suggest(finding, question, null);
            case NONE -> {
                notFound(finding, question);
                run.sayOneOf(List.of(step.unknown().isBlank() ? Phrasebook.UNKNOWN : step.unknown()), List.of());
                leave(step, "not_found");
            }
        }
    }

    void notFound(Finding finding, String question) {
        run.trace(
                "not in the knowledge",
                finding.matches().isEmpty()
                        ? "nothing like it"
                        : "nearest “" + finding.matches().getFirst().title() + "”, confidence "
                                + rounded(finding.confidence()));
        run.gap(question);
    }

    void sayAnswer(Match match) {
        run.trace(
                "answered from knowledge",
                "“" + match.title() + "”, confidence " + rounded(match.confidence()) + ", meaning "
                        + rounded(match.why().meaning()) + ", words "
                        + rounded(match.why().words()));
        run.say(match.answers().get(run.pick(match.answers().size())));
    }

    void suggest(Finding finding, String question, @Nullable Awaiting resumes) {
        List<Offer> offers = new ArrayList<>();
        finding.matches().stream()
                .filter(match -> match.confidence() >= finding.confidence() / 3)
                .limit(3)
                .forEach(match -> offers.add(new Offer(match.ref(), match.title())));
        offers.add(new Offer(NONE_OF_THESE, Phrasebook.NONE_OF_THESE));
        run.trace("suggests", "best confidence " + rounded(finding.confidence()));
        run.sayOneOf(List.of(Phrasebook.SUGGEST), offers);
        run.await(Awaiting.suggestion(offers, question, resumes));
    }

    private void handOff(Step.HandOff step) {
        if (run.ports.staffed(step.team())) {
            run.sayOneOf(step.wordings().getFirst().isBlank() ? List.of(Phrasebook.QUEUED) : step.say(), List.of());
            run.trace("hands off", step.team().isEmpty() ? "any team" : "team " + step.team());
            run.queue(step.team());
        } else {
            run.trace("nobody there", step.team());
            run.say(step.nobody().isBlank() ? Phrasebook.NOBODY : step.nobody());
            leave(step, "nobody");
        }
    }

    /**
     * The visitor wants a person, or the bot can do no more: by the bot's own Hand off step where it has one.
     *
     * @param flow     the flow stood in; empty for none
     * @param nobodyIs what to say when nobody is there and there is no step for it; empty for the usual words
     * @return whether the place was left; otherwise nobody was there and the pending question should be put again
     */
    boolean requestPerson(String flow, String nobodyIs) {
        Place place = run.playbook.first(Step.HandOff.class, flow);
        if (place != null && run.playbook.step(place) instanceof Step.HandOff step) {
            boolean leads = step.exit("nobody") != null;
            if (leads || run.ports.staffed(step.team())) {
                run.stand(place);
                return true;
            }
            run.say(step.nobody().isBlank() ? Phrasebook.NOBODY : step.nobody());
            return false;
        }
        if (run.ports.staffed("")) {
            run.say(Phrasebook.QUEUED);
            run.queue("");
            return true;
        }
        run.say(nobodyIs.isBlank() ? Phrasebook.NOBODY : nobodyIs);
        return false;
    }

    static List<Offer> offers(List<Option> options) {
        return options.stream()
                .filter(option -> !option.label().isBlank())
                .map(option -> new Offer(option.id(), option.label()))
                .toList();
    }

    static String rounded(double share) {
        return String.format(java.util.Locale.ROOT, "%.2f", share);
    }

    /** The id of the offer that declines all suggestions; no ref is like it. */
    static final String NONE_OF_THESE = "-";
}
