package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.StepMove;
import com.shuttle.core.engine.turn.TurnRun;
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
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What a message says to a choice. Changes nothing. */
final class ChoiceHearing {

    /** Longer messages are not taken for an option by their meaning. */
    private static final int MOST_WORDS = 12;

    private static final Finder WISHES = Finder.of(
            "\\b(?:want|wants|like|love|fancy|book|come|coming|plan|planning|interested|thinking of|looking for|trip|visit|outing|go|going|join|please)\\b");

    /** More than so many that may be meant are no help. */
    private static final int MOST_NEAR = 2;

    /** More words say something else than yes or no. */
    private static final int MOST_OF_A_YES = 4;

    private final Choice step;
    private final TurnRun run;
    private final GivenAway givenAway;

    ChoiceHearing(Choice step, TurnRun run) {
        this.step = step;
        this.run = run;
        this.givenAway = new GivenAway(run);
    }

    /** What a message says to the options that are offered; null where it says nothing to them. */
    @Nullable
    Heard hear(Awaiting.Pick pick, String text) {
        List<Option> offered = offered(pick);
        if (offered.size() == 1
                && Words.of(text).size() <= MOST_OF_A_YES
                && Reader.reply(ValueType.YES_NO, text, run.around().context())
                        instanceof Reading.Given(Value.YesNo(boolean yes), int start, int end)) {
            return yes
                    ? picked(pick, offered.getFirst(), "by a yes", text, false).filing()
                    : Heard.of(new StepMove.Refuse());
        }
        String said = Clauses.statements(text);
        if (step.many()) {
            return hearMany(pick, offered, text, said);
        }
        Heard heard = hearOne(pick, offered, text, said);
        List<Offer> all = heard != null || !step.table().isEmpty() ? List.of() : Offers.of(Offers.options(step, run));
        // Who was asked which of some may mean another after all.
        return all.size() > pick.offers().size() ? hear(new Awaiting.Pick(all, pick.tries()), text) : heard;
    }

    private List<Option> offered(Awaiting.Pick pick) {
        return step.table().isEmpty()
                ? Offers.options(step, run).stream()
                        .filter(option -> pick.offers(option.id()))
                        .toList()
                : Offers.asOffered(pick.offers());
    }

    /**
     * What of the options a message may mean that tells of something and picks none: those that it names, or else those that are
     * nearest in meaning, the nearest first; none where it may mean any of them.
     */
    List<Option> near(Awaiting.Pick pick, String text) {
        List<Option> offered = offered(pick);
        if (isSomebody(text, offered)) {
            return List.of();
        }
        OptionsSaid said = OptionsSaid.of(text, offered);
        List<Option> open = offered.stream()
                .filter(option -> !said.denied().contains(option))
                .toList();
        List<Option> near = said.wanted().isEmpty()
                ? OptionMatcher.nearest(text, open, run.around().meaning())
                : said.wanted();
        return near.size() > MOST_NEAR || near.size() == offered.size() ? List.of() : near;
    }

    /** "Olga Brand" is no grand piano: two words written as names pick what they spell in full, and nothing that is like them. */
    private static boolean isSomebody(String text, List<Option> offered) {
        List<String> words = Words.of(text);
        return Words.areNames(text)
                && words.size() == 2
                && offered.stream()
                        .flatMap(option -> Stream.concat(Stream.of(option.label()), option.also().stream()))
                        .flatMap(name -> Words.of(name).stream())
                        .noneMatch(words::contains);
    }

    private @Nullable Heard hearOne(Awaiting.Pick pick, List<Option> offered, String text, String said) {
        if (isSomebody(said, offered)) {
            return null;
        }
        boolean leadsOn = step.exit(Choice.OTHERWISE.id()) != null;
        // Of one alone any words are nearest to it.
        boolean mayMean = offered.size() > 1
                && !Words.looksLikeQuestion(said)
                && Words.of(Words.readable(said)).size() <= MOST_WORDS
                && !leadsOn
                && BareValue.of(said, run.around().context()) == BareValue.NONE
                && givenAway.of(said, List.of(step.variable())).isEmpty();
        return switch (OptionMatcher.match(
                said, offered, run.around().context(), mayMean ? run.around().meaning() : Meaning.NONE)) {
            case OptionMatcher.Match.One(Option option, String by) ->
                picked(pick, option, "by " + by, text, by.equals(OptionMatcher.BY_MEANING))
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
                picked(pick, option, "named among other things", text, false).of(named(text, offered, false));
            case OptionMatcher.Match.None()
            when onTheWay(said, offered) instanceof Option option ->
                picked(pick, option, "by what it leads to", text, false)
                        .filing()
                        .of(named(text, nextOptions(option), true));
            case OptionMatcher.Match.None()
            when leadsOn && OptionsSaid.of(said, offered).wanted().size() == 1 -> {
                // "Do you mend a Finch 70" is about nothing else than what is offered.
                Option named = OptionsSaid.of(said, offered).wanted().getFirst();
                yield picked(pick, named, "named in a question", text, false).of(named(text, offered, true));
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
                        new StepMove.Pick(pick, ChoicePlayer.ids(pick.offers(), labels), ""),
                        "answer to the choice",
                        String.join(", ", labels))
                .filing()
                .of(named(text, offered, false));
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

    /** The one option that a message names wholly and does not rule out. */
    static @Nullable Option named(String text, List<Option> options) {
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

    private Heard picked(Awaiting.Pick pick, Option option, String by, String text, boolean guessed) {
        StepMove.Pick move =
                new StepMove.Pick(pick, List.of(option.id()), nextChoice(option) == null ? "" : text, guessed);
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
}
