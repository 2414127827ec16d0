package com.shuttle.core.engine.steps;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Place;
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
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.listening.Clauses;
import com.shuttle.core.listening.Span;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.reading.BareValue;
import com.shuttle.core.reading.Finder;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.OptionsSaid;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Offers options, and takes them picked or typed. */
final class ChoicePlayer extends Player {

    /** Longer messages are not taken for an option by their meaning. */
    private static final int MOST_WORDS = 12;

    private static final Finder WISHES = Finder.of(
            "\\b(?:want|wants|like|love|fancy|book|come|coming|plan|planning|interested|thinking of|looking for|trip|visit|outing|go|going|join|please)\\b");

    private final Choice step;
    private final GivenAway givenAway;

    ChoicePlayer(Choice step, Course course) {
        super(course);
        this.step = step;
        this.givenAway = new GivenAway(run);
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
        Option said = words == null || step.many() ? null : named(words, Offers.options(step, run));
        if (said == null) {
            run.open(words);
            return false;
        }
        run.trace("skipped", "“" + said.label() + "” was said before");
        pick(new Awaiting.Pick(offers, 0), List.of(said.id()));
        return true;
    }

    /** The one option that a message names wholly and does not rule out. */
    private static @Nullable Option named(String text, List<Option> options) {
        OptionsSaid said = OptionsSaid.of(text, options);
        Set<String> part = OptionsSaid.inPart(text, options);
        List<Option> whole = said.wanted().stream()
                .filter(option -> !part.contains(option.label()))
                .toList();
        return whole.size() == 1 ? whole.getFirst() : null;
    }

    /** The choice that an option leads to at once; null for none. */
    private @Nullable Choice nextChoice(Option option) {
        Place here = run.at();
        Place there = here == null
                ? null
                : run.playbook.place(step.exit(step.oneWay() ? Choice.PICKED.id() : option.exit()), here.flow());
        return there != null && !there.equals(here) && run.playbook.step(there) instanceof Choice next && !next.drawn()
                ? next
                : null;
    }

    /** The option that leads to a choice of which a message names an option; null where none or several do. */
    private @Nullable Option onTheWay(String text, List<Option> offered) {
        List<Option> leading = offered.stream()
                .filter(option -> nextChoice(option) instanceof Choice next && named(text, next.options()) != null)
                .toList();
        return leading.size() == 1 && !step.oneWay() && wants(text, nextOptions(leading.getFirst()))
                ? leading.getFirst()
                : null;
    }

    /**
     * Whether a message that names an option of a later choice wants it: by more than one word of its label, as nearly all
     * that is said, or in a clause that speaks of coming or wishing; never in one that asks.
     */
    private static boolean wants(String text, List<Option> options) {
        OptionsSaid said = OptionsSaid.of(text, options);
        String clause = clause(text, said.first());
        boolean label = text.substring(said.first(), said.last()).strip().indexOf(' ') > 0;
        boolean alone = Words.of(text).size() <= 2;
        return !Words.looksLikeQuestion(clause) && (label || alone || WISHES.in(clause));
    }

    private static String clause(String text, int at) {
        int from = at;
        while (from > 0 && ".,;:!?\n".indexOf(text.charAt(from - 1)) < 0) {
            from--;
        }
        int to = at;
        while (to < text.length() && ".,;:!\n".indexOf(text.charAt(to)) < 0) {
            to++;
        }
        return text.substring(from, to);
    }

    private List<Option> nextOptions(Option option) {
        return nextChoice(option) instanceof Choice next ? next.options() : List.of();
    }

    private static List<String> ids(List<Offer> offers, List<String> labels) {
        return offers.stream()
                .filter(offer -> labels.contains(offer.label()))
                .map(Offer::id)
                .toList();
    }

    private Look look() {
        return new Look(null, 0, step.layout(), step.many());
    }

    @Override
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        if (!(awaiting instanceof Awaiting.Pick pick)) {
            return null;
        }
        List<Option> offered = step.table().isEmpty()
                ? Offers.options(step, run).stream()
                        .filter(option -> pick.offers(option.id()))
                        .toList()
                : Offers.asOffered(pick.offers());
        String said = Clauses.statements(text);
        if (step.many()) {
            return hearMany(pick, offered, text, said);
        }
        Heard heard = hearOne(pick, offered, text, said);
        List<Offer> all = heard != null || !step.table().isEmpty() ? List.of() : Offers.of(Offers.options(step, run));
        // Who was asked which of some may mean another after all.
        return all.size() > pick.offers().size() ? hear(new Awaiting.Pick(all, pick.tries()), text) : heard;
    }

    private @Nullable Heard hearOne(Awaiting.Pick pick, List<Option> offered, String text, String said) {
        boolean leadsOn = step.exit(Choice.OTHERWISE.id()) != null;
        boolean mayMean = !Words.looksLikeQuestion(said)
                && Words.of(Words.readable(said)).size() <= MOST_WORDS
                && !leadsOn
                && BareValue.of(said, run.around().context()) == BareValue.NONE
                && givenAway.of(said, List.of(step.variable())).isEmpty();
        return switch (OptionMatcher.match(
                said, offered, run.around().context(), mayMean ? run.around().meaning() : Meaning.NONE)) {
            case OptionMatcher.Match.One(Option option, String by) ->
                picked(pick, option, "by " + by, text)
                        .filing()
                        .as(
                                by.equals(OptionMatcher.BY_MEANING) || by.equals(OptionMatcher.BY_SLIP)
                                        ? Strengths.GUESSED
                                        : Strengths.ANSWER)
                        .of(named(text, offered, false));
            case OptionMatcher.Match.Several(List<Option> options) ->
                Heard.of(
                                new StepMove.Narrow(options, pick.tries()),
                                "unclear",
                                "between " + options.size() + " options")
                        .of(named(text, offered, true));
            case OptionMatcher.Match.None()
            when amongFacts(text, offered) instanceof Option option ->
                picked(pick, option, "named among other things", text).of(named(text, offered, false));
            case OptionMatcher.Match.None()
            when onTheWay(said, offered) instanceof Option option ->
                picked(pick, option, "by what it leads to", text).filing().of(named(text, nextOptions(option), true));
            case OptionMatcher.Match.None()
            when leadsOn && OptionsSaid.of(said, offered).wanted().size() == 1 -> {
                // "Do you mend a Finch 70" is about nothing else than what is offered.
                Option named = OptionsSaid.of(said, offered).wanted().getFirst();
                yield picked(pick, named, "named in a question", text).of(named(text, offered, true));
            }
            case OptionMatcher.Match.None() ->
                !leadsOn
                        ? null
                        : Heard.of(new StepMove.Otherwise(text), "typed something else", "")
                                .filing()
                                .as(Strengths.NO_OPTION)
                                .sharing();
        };
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
            course.putAgain();
        }
    }

    /** Asks which of some is meant; what is said next is about these. */
    private void which(List<Option> options, int tries) {
        List<Offer> narrower = Offers.of(options);
        run.sayOneOf(List.of(Phrasebook.WHICH), narrower);
        run.await(new Awaiting.Pick(narrower, tries));
    }

    /** The one option that a message names which also tells other things that are wanted, and so is no mere question. */
    private @Nullable Option amongFacts(String text, List<Option> offered) {
        OptionsSaid said = OptionsSaid.of(text, offered);
        if (said.wanted().size() != 1) {
            return null;
        }
        int needed = Words.looksLikeQuestion(text) ? 2 : 1;
        int told = givenAway
                .of(OptionsSaid.without(text, offered), List.of(step.variable()))
                .size();
        return told >= needed ? said.wanted().getFirst() : null;
    }

    @Override
    public @Nullable Heard refusing(Awaiting awaiting) {
        return awaiting instanceof Awaiting.Pick ? Heard.of(new StepMove.Refuse()) : null;
    }

    private Heard picked(Awaiting.Pick pick, Option option, String by, String text) {
        StepMove.Pick move = new StepMove.Pick(pick, List.of(option.id()), nextChoice(option) == null ? "" : text);
        return Heard.of(move, "answer to the choice", "“" + option.label() + "” " + by);
    }

    /**
     * Where a message names options; where it only counts to one or means it, what stands beside its questions, and
     * none for all of it.
     *
     * @param any whether also those that are ruled out do
     */
    private static List<Span> named(String text, List<Option> offered, boolean any) {
        if (any || !OptionsSaid.of(text, offered).wanted().isEmpty()) {
            return Span.taken(text, OptionsSaid.without(text, offered));
        }
        List<Span> asked =
                Clauses.questions(text).stream().map(Clauses.Clause::span).toList();
        return asked.isEmpty() ? List.of() : Span.minus(Span.all(text), asked);
    }

    @Override
    public void perform(Move.OfStep move) {
        switch (move) {
            case StepMove.Pick(Awaiting offered, List<String> ids, String said) -> {
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

    private @Nullable Heard hearMany(Awaiting.Pick pick, List<Option> offered, String text, String said) {
        Reading reading = Reader.reply(
                ValueType.MULTI_CHOICE,
                said,
                run.around().context(),
                offered,
                run.around().meaning());
        if (!(reading instanceof Reading.Given(Value.Many(List<String> labels), int start, int end))) {
            return null;
        }
        return Heard.of(
                        new StepMove.Pick(pick, ids(pick.offers(), labels), ""),
                        "answer to the choice",
                        String.join(", ", labels))
                .filing()
                .of(named(text, offered, false));
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
