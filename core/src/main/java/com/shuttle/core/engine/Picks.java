package com.shuttle.core.engine;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.engine.steps.Answering;
import com.shuttle.core.engine.steps.GivenAway;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.PlainReply;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.List;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Takes what is picked by hand, or typed so that it comes to the same: for the step, or of what was offered beside it. */
final class Picks {

    private static final Pattern YES = Pattern.compile(
            "\\W*(?:yes|yep|yeah|yup|sure|right|exactly|correct|that one)(?: please| that one)?\\W*",
            Pattern.CASE_INSENSITIVE);

    /** Cosine from which an option says what a request says. */
    private static final double SAYS_THE_SAME = 0.55;

    private final Walker walker;
    private final TurnRun run;

    Picks(Walker walker) {
        this.walker = walker;
        this.run = walker.run();
    }

    /** Takes options by id; they are among those offered. */
    void pick(List<String> options) {
        switch (run.awaiting()) {
            case null -> {}
            case Awaiting.Suggestion suggestion -> pickSuggestion(suggestion, options.getFirst());
            case Awaiting.Next next -> {
                run.await(null);
                walker.hear(next.offers()
                        .get(Offers.index(next.offers(), options.getFirst()))
                        .label());
            }
            case Awaiting awaiting -> walker.player().pick(awaiting, options);
        }
    }

    private void pickSuggestion(Awaiting.Suggestion suggestion, String option) {
        boolean none = option.equals(Answering.NONE_OF_THESE);
        Answering answering = new Answering(walker);
        run.await(null);
        if (none) {
            run.trace("suggestion", "none of them");
            run.gap(suggestion.asked());
            run.responses.say(Occasion.NOT_FOUND);
        } else {
            List<Finding.Match> found = run.ask(new Query.Entry(option)).matches();
            if (found.isEmpty()) {
                run.responses.say(Occasion.NOT_FOUND);
            } else {
                answering.sayAnswer(found.getFirst());
                run.await(suggestion.resumes());
                if (answering.leadsOn(found.getFirst())) {
                    return;
                }
            }
        }
        if (suggestion.resumes() != null) {
            run.await(suggestion.resumes());
            walker.putAgain();
        } else {
            walker.player().suggested(none);
        }
    }

    /** An option's own label goes before everything, lest an option "Stop" could not be typed. */
    @Nullable
    Heard byLabel(String text) {
        Awaiting awaiting = run.awaiting();
        String normal = Words.normal(text);
        if (awaiting == null || normal.isEmpty()) {
            return null;
        }
        for (Offer offer : awaiting.offers()) {
            if (offer.link().isBlank() && Words.normal(offer.label()).equals(normal)) {
                return picked(offer, "by its label");
            }
        }
        return null;
    }

    /** A request that an option says just as well is that option: "Call me back" is the designer's own way to a person. */
    @Nullable
    Heard byMeaning(String text) {
        List<Offer> offers = run.awaiting() instanceof Awaiting.Pick pick
                ? pick.offers().stream()
                        .filter(offer -> offer.link().isBlank()
                                && Words.of(offer.label()).size() > 1)
                        .toList()
                : List.of();
        double[] near = run.around()
                .meaning()
                .nearness(text, offers.stream().map(Offer::label).toList());
        int best = -1;
        for (int i = 0; i < near.length; i++) {
            best = near[i] >= SAYS_THE_SAME && (best < 0 || near[i] > near[best]) ? i : best;
        }
        if (best < 0) {
            return null;
        }
        return picked(offers.get(best), "by meaning");
    }

    private static Heard picked(Offer offer, String by) {
        return Heard.of(
                new TalkMove.Pick(List.of(offer.id())), "answer to the choice", "“" + offer.label() + "” " + by);
    }

    void perform(TalkMove.OfOffer move) {
        switch (move) {
            case TalkMove.Pick(List<String> ids) -> pick(ids);
            case TalkMove.PickSuggestion(Awaiting.Suggestion offered, String id) -> pickSuggestion(offered, id);
            case TalkMove.RefuseSuggestions(Awaiting.Suggestion offered) -> refused(offered);
            case TalkMove.AskWhichSuggestion(Awaiting.Suggestion offered) -> {
                run.sayOneOf(List.of(Phrasebook.WHICH), offered.offers());
                run.await(offered);
            }
        }
    }

    /** A plain no is no question that went unanswered. */
    private void refused(Awaiting.Suggestion suggestion) {
        run.await(suggestion.resumes());
        run.say(Phrasebook.AS_YOU_LIKE);
        if (suggestion.resumes() != null) {
            walker.putAgain();
        } else {
            walker.player().suggested(true);
        }
    }

    /** What a message says to suggestions: one of them, none, or something to what was asked before. */
    @Nullable
    Heard hearSuggestion(Awaiting.Suggestion suggestion, String text) {
        List<Option> options = suggestion.offers().stream().map(Picks::option).toList();
        boolean tells = !new GivenAway(run).of(text, List.of()).isEmpty();
        if (LEAVES_IT.matcher(text).matches()) {
            return Heard.of(new TalkMove.RefuseSuggestions(suggestion), "suggestion", "refused");
        }
        if (!tells && OptionMatcher.match(text, options) instanceof OptionMatcher.Match.One(Option option, String by)) {
            return Heard.of(
                    new TalkMove.PickSuggestion(suggestion, option.id()),
                    "suggestion",
                    "“" + option.label() + "” by " + by);
        }
        if (!Words.looksLikeQuestion(text)
                && Reader.reply(ValueType.YES_NO, text, run.around().context())
                        instanceof Reading.Given(Value.YesNo(boolean yes), int s, int e)
                && (!yes || YES.matcher(text).matches())) {
            if (!yes) {
                // "No extras" answers what was asked before.
                Heard beneath = suggestion.resumes() == null || PlainReply.matches(text)
                        ? null
                        : walker.player().resuming(suggestion.resumes(), text);
                return beneath != null
                        ? beneath
                        : Heard.of(new TalkMove.RefuseSuggestions(suggestion), "suggestion", "refused");
            }
            Offer first = suggestion.offers().getFirst();
            // Of several the nearest is meant by nobody who says yes: they are asked which.
            return suggestion.offers().size() == 2
                    ? Heard.of(
                            new TalkMove.PickSuggestion(suggestion, first.id()),
                            "suggestion",
                            "“" + first.label() + "”")
                    : Heard.of(new TalkMove.AskWhichSuggestion(suggestion), "suggestion", "yes, and which is not told");
        }
        Awaiting before = suggestion.resumes() == null ? new Awaiting.OpenQuestion(0) : suggestion.resumes();
        return walker.player().resuming(before, text);
    }

    /** "Ok no", "no thats all": nothing more is wanted. */
    private static final Pattern LEAVES_IT = Pattern.compile(
            "\\W*(?:(?:ok(?:ay)?|oh|well|right|fine|ah|um|thanks|no|nope|nah)\\W+)*(?:no|nope|nah|(?:that'?s|that is) (?:all|it|everything))"
                    + "(?:\\W+(?:thanks|thank you|ta|cheers|for now))*\\W*",
            Pattern.CASE_INSENSITIVE);

    private static Option option(Offer offer) {
        boolean none = offer.id().equals(Answering.NONE_OF_THESE);
        return new Option(offer.id(), offer.label(), none ? List.of("none", "neither") : List.of());
    }
}
