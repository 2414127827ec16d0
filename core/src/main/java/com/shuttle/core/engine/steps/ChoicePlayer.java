package com.shuttle.core.engine.steps;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Offers options, and takes them picked or typed. */
final class ChoicePlayer extends Player {

    /** Longer messages are not taken for an option by their meaning. */
    private static final int MOST_WORDS = 12;

    private final Choice step;
    private final Asking asking;

    ChoicePlayer(Choice step, Course course) {
        super(course);
        this.step = step;
        this.asking = new Asking(run);
    }

    @Override
    public void enter() {
        List<Offer> offers = Offers.of(Offers.options(step, run));
        if (offers.isEmpty()) {
            run.sayOneOf(step.ask(), List.of());
            course.leave(step, Choice.OTHERWISE);
        } else {
            run.sayOneOf(step.ask(), offers, look());
            run.await(new Awaiting.Pick(offers, 0));
        }
    }

    private Look look() {
        return new Look(null, 0, step.layout(), step.many());
    }

    @Override
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        if (!(awaiting instanceof Awaiting.Pick pick)) {
            return null;
        }
        List<Option> offered = Offers.options(step, run).stream()
                .filter(option -> pick.offers(option.id()))
                .toList();
        return step.many() ? hearMany(pick, offered, text) : hearOne(pick, offered, text);
    }

    private @Nullable Heard hearOne(Awaiting.Pick pick, List<Option> offered, String text) {
        boolean leadsOn = step.exit(Choice.OTHERWISE.id()) != null;
        boolean mayMean =
                !Words.looksLikeQuestion(text) && Words.of(Words.readable(text)).size() <= MOST_WORDS && !leadsOn;
        return switch (OptionMatcher.match(
                text, offered, run.around().context(), mayMean ? run.around().meaning() : Meaning.NONE)) {
            case OptionMatcher.Match.One(Option option, String by) ->
                new Heard("answer to the choice", "“" + option.label() + "” by " + by, () -> {
                    asking.keepWhatElse(text, List.of(step.variable()));
                    pick(pick, List.of(option.id()));
                });
            case OptionMatcher.Match.Several(List<Option> options) ->
                new Heard(
                        "unclear",
                        "between " + options.size() + " options",
                        () -> run.sayOneOf(List.of(Phrasebook.WHICH), Offers.of(options)));
            case OptionMatcher.Match.None() ->
                !leadsOn
                        ? null
                        : new Heard("typed something else", "", () -> {
                            asking.keepWhatElse(text, List.of());
                            run.open(text);
                            course.leave(step, Choice.OTHERWISE);
                        });
        };
    }

    private @Nullable Heard hearMany(Awaiting.Pick pick, List<Option> offered, String text) {
        Reading reading = Reader.reply(
                ValueType.MULTI_CHOICE,
                text,
                run.around().context(),
                offered,
                run.around().meaning());
        if (!(reading instanceof Reading.Given(Value.Many(List<String> labels), int start, int end))) {
            return null;
        }
        List<String> ids = offered.stream()
                .filter(option -> labels.contains(option.label()))
                .map(Option::id)
                .toList();
        return new Heard("answer to the choice", String.join(", ", labels), () -> pick(pick, ids));
    }

    /** @param options may be empty where none of several was meant */
    @Override
    public void pick(Awaiting awaiting, List<String> options) {
        List<String> labels = awaiting.offers().stream()
                .filter(offer -> options.contains(offer.id()))
                .map(Offer::label)
                .toList();
        run.trail.add(requireNonNull(run.at()));
        if (!step.variable().isBlank()) {
            run.facts.set(step.variable(), step.many() ? new Value.Many(labels) : new Value.Text(labels.getFirst()));
        }
        course.leave(step, step.oneWay() ? Choice.PICKED.id() : "option:" + options.getFirst());
    }

    @Override
    public void putAgain(Awaiting awaiting) {
        if (awaiting instanceof Awaiting.Pick pick && !step.quiet()) {
            run.sayOneOf(step.wordings().stream().map(Texts::shorter).toList(), pick.offers(), look());
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
