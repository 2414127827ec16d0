package com.shuttle.core.engine.steps;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.DrawnOptions;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Move;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.StepMove;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Option;
import com.shuttle.core.reading.Value;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Offers options, and takes them picked or typed. */
final class ChoicePlayer extends Player {

    private final Choice step;
    private final ChoiceHearing hearing;

    ChoicePlayer(Choice step, Course course) {
        super(course);
        this.step = step;
        this.hearing = new ChoiceHearing(step, run);
    }

    @Override
    public void enter() {
        List<Offer> offers = Offers.of(Offers.options(step, run));
        if (offers.isEmpty()) {
            run.sayOneOf(step.ask(), List.of());
            course.leave(step, Choice.OTHERWISE);
        } else if (!toldBefore(offers) && !saidBefore(offers)) {
            run.sayOneOf(step.ask(), offers, look());
            run.await(new Awaiting.Pick(offers, 0));
        }
    }

    /** Takes what was told before it was asked for, once. */
    private boolean toldBefore(List<Offer> offers) {
        if (step.variable().isBlank() || !run.facts.takeTold(step.variable())) {
            return false;
        }
        List<String> labels = run.facts.value(step.variable()) instanceof Value.Many(List<String> items)
                ? items
                : run.facts.value(step.variable()) instanceof Value.Text(String label) ? List.of(label) : List.of();
        List<String> ids = ids(offers, labels);
        if (ids.size() != labels.size() || ids.isEmpty()) {
            return false;
        }
        run.trace("skipped", step.variable() + " was told before");
        pick(new Awaiting.Pick(offers, 0), ids);
        return true;
    }

    /** Takes the option that was named in the words that led here: "a telescope night, please" to "plan a visit?". */
    private boolean saidBefore(List<Offer> offers) {
        String words = run.takeOpenWords();
        Option said = words == null || step.many() ? null : ChoiceHearing.named(words, Offers.options(step, run));
        if (said == null) {
            run.open(words);
            return false;
        }
        run.trace("skipped", "“" + said.label() + "” was said before");
        pick(new Awaiting.Pick(offers, 0), List.of(said.id()));
        return true;
    }

    private static List<String> labels(Awaiting offered, List<String> ids) {
        return offered.offers().stream()
                .filter(offer -> ids.contains(offer.id()))
                .map(offer -> Texts.escaped(offer.label()))
                .toList();
    }

    static List<String> ids(List<Offer> offers, List<String> labels) {
        return offers.stream()
                .filter(offer -> labels.contains(offer.label()))
                .map(Offer::id)
                .toList();
    }

    @Override
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        return awaiting instanceof Awaiting.Pick pick ? hearing.hear(pick, text) : null;
    }

    private Look look() {
        return new Look(null, 0, step.layout(), step.many());
    }

    /** None of what is offered: the way for something else, or all of it once more. */
    private void refused() {
        run.trace("refused", step.name());
        if (step.exit(Choice.OTHERWISE.id()) != null) {
            course.leave(step, Choice.OTHERWISE);
        } else if (step.many()) {
            pick(requireNonNull(run.awaiting()), List.of());
        } else {
            run.say(Phrasebook.NONE_FITS);
            if (step.table().isEmpty() && run.awaiting() instanceof Awaiting.Pick pick) {
                // Of those that were meant at first, too.
                run.await(new Awaiting.Pick(Offers.of(Offers.options(step, run)), pick.tries()));
            }
            course.putAgain();
        }
    }

    /** Asks which of some is meant; what is said next is about these. */
    private void which(List<Option> options, int tries) {
        List<Offer> narrower = Offers.of(options);
        run.sayOneOf(List.of(options.size() == 1 ? Phrasebook.THIS_ONE : Phrasebook.WHICH), narrower);
        run.await(new Awaiting.Pick(narrower, tries));
    }

    @Override
    public @Nullable Heard refusing(Awaiting awaiting) {
        return awaiting instanceof Awaiting.Pick ? Heard.of(new StepMove.Refuse()) : null;
    }

    @Override
    public @Nullable Heard doubting(Awaiting awaiting, String text) {
        List<Option> near = awaiting instanceof Awaiting.Pick pick && !step.many() && pick.tries() + 1 < step.tries()
                ? hearing.near(pick, text)
                : List.of();
        return near.isEmpty()
                ? null
                : Heard.of(
                        new StepMove.Narrow(near, awaiting.tries() + 1),
                        "may be the answer",
                        near.stream().map(Option::label).collect(Collectors.joining(", ")));
    }

    @Override
    public void perform(Move.OfStep move) {
        switch (move) {
            case StepMove.Pick(Awaiting offered, List<String> ids, String said, boolean guessed) -> {
                if (guessed) {
                    run.say(Phrasebook.noted(labels(offered, ids)));
                }
                if (!said.isEmpty()) {
                    run.open(said);
                }
                pick(offered, ids);
            }
            case StepMove.Refuse() -> refused();
            case StepMove.Narrow(List<Option> options, int tries) -> which(options, tries);
            case StepMove.Otherwise(String said) -> {
                run.open(said);
                course.leave(step, Choice.OTHERWISE);
            }
            default -> super.perform(move);
        }
    }

    /** @param options may be empty where none of several was meant */
    @Override
    public void pick(Awaiting awaiting, List<String> options) {
        List<Offer> picked = awaiting.offers().stream()
                .filter(offer -> options.contains(offer.id()))
                .toList();
        List<String> values = picked.stream().map(Offer::label).toList();
        if (!step.table().isEmpty()) {
            List<DrawnOptions.Drawn> now = DrawnOptions.of(step, run);
            List<Offer> gone = picked.stream()
                    .filter(offer ->
                            now.stream().noneMatch(one -> one.option().id().equals(offer.id())))
                    .toList();
            if (!gone.isEmpty()) {
                gone(
                        gone,
                        Offers.of(now.stream().map(DrawnOptions.Drawn::option).toList()));
                return;
            }
            values = now.stream()
                    .filter(one -> options.contains(one.option().id()))
                    .map(DrawnOptions.Drawn::value)
                    .toList();
        }
        run.answeredHere();
        if (!step.variable().isBlank()) {
            run.facts.set(step.variable(), step.many() ? new Value.Many(values) : new Value.Text(values.getFirst()));
        }
        if (step.variable().isBlank() && !picked.isEmpty()) {
            // What was picked on a menu is what the visitor asks about next.
            run.asked.add(picked.getFirst().label(), "");
        }
        course.leave(step, step.oneWay() ? Choice.PICKED.id() : "option:" + options.getFirst());
    }

    /** What was picked is no longer there: the rest is offered. */
    private void gone(List<Offer> gone, List<Offer> left) {
        String names = gone.stream().map(Offer::label).map(Texts::escaped).collect(Collectors.joining(", "));
        run.trace("gone meanwhile", names);
        if (left.isEmpty()) {
            run.sayPrepared(Phrasebook.gone(names, false), List.of(), Look.PLAIN);
            course.leave(step, Choice.OTHERWISE);
        } else {
            run.sayPrepared(Phrasebook.gone(names, true), left, look());
            run.await(new Awaiting.Pick(left, 0));
        }
    }

    @Override
    public void putAgain(Awaiting awaiting) {
        if (!(awaiting instanceof Awaiting.Pick pick)) {
            return;
        }
        List<Offer> offers = step.table().isEmpty() ? pick.offers() : Offers.of(Offers.options(step, run));
        if (offers.isEmpty()) {
            course.leave(step, Choice.OTHERWISE);
            return;
        }
        run.await(new Awaiting.Pick(offers, pick.tries()));
        if (!step.quiet()) {
            sayShorter(step.wordings(), offers, look());
        }
    }

    @Override
    public int tries() {
        return step.tries();
    }

    @Override
    public void forget() {
        run.facts.forget(step.variable());
    }
}
