package com.shuttle.core.engine;

import com.shuttle.core.acts.Act;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.engine.steps.GivenAway;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.listening.Source;
import com.shuttle.core.listening.Span;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.listening.Weighing;
import com.shuttle.core.reading.OptionsSaid;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Takes typed text while the bot speaks. Each source says what it understood, and of which words, and changes nothing; the
 * weightiest set of claims wins ({@link com.shuttle.core.listening.Weighing}) and all of it is acted on: changes to what is
 * known, what is told besides, questions, the pending answer, a flow, a standing request; then what is still open is asked.
 * What costs little listens first; the knowledge is asked only for questions that bear their mark or plainly ask, or where nobody else
 * understood anything. The trace tells who claimed which words.
 */
final class Listener {

    /** Where one of these has won, the message is understood, and the knowledge is asked only for questions beside it. */
    private static final List<Source> DECIDE =
            List.of(Source.STANDING, Source.CHANGE, Source.ANSWER, Source.MOOD, Source.FLOW);

    /** What says or asks something itself when it is done, in the order in which it is done. */
    private static final List<Source> MAIN =
            List.of(Source.ANSWER, Source.FLOW, Source.QUESTION, Source.MOOD, Source.VALUE, Source.STANDING);

    /** A figure, which is the place of an option where options are offered. */
    private static final Pattern PLACE = Pattern.compile("[\\s.,;!)]*+\\d{1,2}[\\s.,;!)]*+");

    private final TurnRun run;
    private final Walker walker;
    private final Requests requests;
    private final Repairs repairs;
    private final GivenAway givenAway;
    private final Asides asides;
    private final Questions questions;
    private final Performer performer;
    private final FlowPhrases flows;
    private ClauseActs acts = ClauseActs.UNKNOWN;
    private ActClaims byAct;
    private Filing filing;
    /** Whether the step would have taken the message, and it was not sure enough that it is an answer. */
    private boolean doubted;

    Listener(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
        this.requests = new Requests(run, walker);
        this.repairs = new Repairs(run, walker);
        this.givenAway = new GivenAway(run);
        this.questions = new Questions(walker);
        this.flows = new FlowPhrases(run);
        this.asides = new Asides(walker, repairs, givenAway);
        this.performer = new Performer(walker, requests, asides, questions, givenAway);
        this.byAct = new ActClaims(walker, requests, asides, acts);
        this.filing = new Filing(walker, acts);
    }

    void take(String text) {
        Heard offered = new Picks(walker).byLabel(Words.readable(text));
        if (offered != null) {
            act(offered);
            return;
        }
        if (run.awaiting() instanceof Awaiting.Next) {
            run.await(null);
        }
        listen(text);
    }

    /** A step may keep the whole text as its answer; all else looks at what is readable of it. */
    private void listen(String whole) {
        String text = Words.readable(whole);
        Claims claims = new Claims(text);
        acts = ClauseActs.of(run, Situations.of(run, walker), text);
        acts.trace(run);
        run.asked.ofTheMatter(acts.asksSurelyOfTheMatter());
        byAct = new ActClaims(walker, requests, asides, acts);
        filing = new Filing(walker, acts);
        List<Span> facts = understood(claims, whole, text);
        claims.weigh();
        boolean decided = DECIDE.stream().anyMatch(claims::won);
        if (decided) {
            besides(claims, text);
        } else {
            ofTheirOwn(claims, text, facts);
        }
        claims.weigh();
        claims.trace(run);
        if (claims.none()) {
            run.await(Questions.beneath(run.awaiting()));
            Heard otherwise = byAct.otherwise(whole, doubted);
            if (otherwise == null) {
                repairs.notUnderstood(text);
            } else {
                act(otherwise);
            }
        } else {
            act(claims, decided);
        }
    }

    /**
     * What is understood without the knowledge.
     *
     * @return where facts are told
     */
    private List<Span> understood(Claims claims, String typed, String text) {
        Heard standing = requests.standing(text);
        Heard named = Standing.BACK.isGrantedBy(standing) ? byAct.back(text) : null;
        if (named != null) {
            // "Go back to the date" goes farther back than "go back".
            claims.add(Source.STANDING, named, List.of());
            return List.of();
        }
        boolean whole = standing != null && standing.words().isEmpty();
        Heard option = whole || requests.call(text) != null ? new Picks(walker).byMeaning(text) : null;
        if (option != null || whole) {
            claims.add(option == null ? Source.STANDING : Source.ANSWER, option == null ? standing : option, List.of());
            return List.of();
        }
        Heard booked = new OwnBookings(run, walker).request(text, questions, acts);
        if (booked != null && flows.said(text) == null) {
            claims.add(Source.STANDING, booked, List.of());
            return List.of();
        }
        List<Span> gives = acts.givenBesides();
        String giving = gives.isEmpty() ? text : Span.only(text, gives);
        Heard heard = goesOn(text) ? null : answer(gives.isEmpty() ? typed : giving, giving);
        // "Wait, no, a dome show" changes what was chosen before, and picks no "No, that's all".
        Heard other = run.awaiting() instanceof Awaiting.Pick ? byAct.otherChoice(text) : null;
        Heard answer = other != null ? null : filing.given(heard == null ? filing.denied() : heard, text);
        doubted = heard != null && answer == null;
        // "No" is an answer or the beginning of a correction: where the message surely corrects, others may have it.
        boolean onlyRefuses = answer != null && !answer.files() && acts.surely(Act.CORRECT);
        boolean heardAll = answer != null && aside() && answer.strength() >= Strengths.ANSWER && !onlyRefuses;
        Heard change = heardAll ? null : repairs.change(text, acts);
        Map<String, Reading.Given> told = told(text, answer, change);
        List<Span> facts = told.values().stream()
                .filter(given -> isPlaced(given, text))
                .map(given -> new Span(given.start(), given.end()))
                .toList();
        List<Span> person = standing == null ? List.of() : standing.words();
        claims.add(Source.STANDING, standing, both(facts, answer == null ? List.of() : answer.words()));
        claims.add(Source.CHANGE, change, person);
        boolean onlyTells = !facts.isEmpty()
                && (run.awaiting() instanceof Awaiting.OpenQuestion
                                && !Weighing.say(text, Span.minus(Span.all(text), facts))
                        || answer != null && answer.strength() <= Strengths.NO_OPTION && acts.tell());
        claims.add(Source.ANSWER, onlyTells ? null : answer, both(facts, person));
        Heard attitude = answer == null && !(acts.leads(Act.REFUSE) && !told.isEmpty()) ? byAct.attitude(text) : null;
        claims.add(Source.MOOD, attitude == null ? asides.aboutThemselves(text) : attitude, List.of());
        Playbook.Phrase meant = standing == null && answer == null ? flows.meant(text, acts) : null;
        claims.add(Source.FLOW, meant == null ? null : flows.lead(meant).as(Strengths.GUESSED), facts);
        Heard back = other != null ? other : answer == null && change == null ? byAct.back(text) : null;
        boolean elsewhere = standing != null || meant != null || back != null || flows.said(text) != null;
        claims.add(Source.STANDING, elsewhere ? null : byAct.request(text), facts);
        claims.add(Source.STANDING, back, facts);
        told.forEach((name, given) -> claims.add(
                Source.FACT,
                Heard.of(
                                new TalkMove.Keep(name, given),
                                "",
                                name + " " + given.value().shown())
                        .of(given.start(), given.end())
                        .as(Strengths.TOLD),
                isPlaced(given, text) ? List.of() : Span.all(text)));
        return facts;
    }

    /** Whether a message asks the same of something else rather than to pick what it happens to name. */
    private boolean goesOn(String text) {
        return run.awaiting() instanceof Awaiting.Pick pick
                && asides.goesOnAsking(text)
                && !acts.leads(Act.CORRECT)
                && OptionsSaid.of(text, Offers.asOffered(pick.offers()))
                        .wanted()
                        .isEmpty();
    }

    /** Whether it is known which words of a message a value was read from; otherwise it is in nobody's way. */
    private static boolean isPlaced(Reading.Given given, String text) {
        return given.end() > given.start() && given.end() - given.start() < text.length();
    }

    /** What a message tells besides its answer, or besides what it changes. */
    private Map<String, Reading.Given> told(String text, @Nullable Heard answer, @Nullable Heard change) {
        String besides = answer == null || run.awaiting() instanceof Awaiting.OpenQuestion ? text : answer.leftOf(text);
        String left = change == null ? besides : change.leftOf(text);
        Slot pending = change == null && answer == null ? null : repairs.pending(run.awaiting());
        boolean picksByNumber =
                run.awaiting() instanceof Awaiting.Pick && PLACE.matcher(left).matches();
        if (left.isBlank() || picksByNumber) {
            return Map.of();
        }
        Map<String, Reading.Given> told =
                new LinkedHashMap<>(givenAway.of(left, pending == null ? List.of() : List.of(pending.name())));
        told.values().removeIf(given -> isPlaced(given, text) && filing.isOnlySpokenOf(given));
        filing.implied(text, left, pending).forEach(told::putIfAbsent);
        return told;
    }

    private static List<Span> both(List<Span> some, List<Span> others) {
        return Stream.concat(some.stream(), others.stream()).toList();
    }

    /** The questions that stand beside something else in a message. */
    private void besides(Claims claims, String text) {
        if (claims.won(Source.MOOD)) {
            return;
        }
        List<Span> taken = Stream.of(Source.STANDING, Source.ANSWER, Source.FACT)
                .flatMap(source -> claims.words(source).stream())
                .toList();
        boolean mayBlank = !claims.won(Source.CHANGE) && !claims.won(Source.STANDING);
        questions.beside(text, taken, mayBlank, acts).forEach(asked -> claims.add(Source.QUESTION, asked, taken));
    }

    /** What a message is where nobody asked for it: a value, a question, a phrase that leads elsewhere, or bad temper. */
    private void ofTheirOwn(Claims claims, String text, List<Span> facts) {
        if (filing.isAddress(text) && !claims.won(Source.FACT)) {
            // Nobody asks how they are reached; the team will want to know.
            claims.add(
                    Source.VALUE,
                    Heard.of(new TalkMove.PassOn(text), "told besides", "a note for the team")
                            .as(Strengths.TOLD),
                    List.of());
            return;
        }
        if (asides.isValue(text) && !acts.surely(Act.SOCIAL)) {
            Heard again = claims.won(Source.FACT) ? null : repairs.again(text);
            claims.add(Source.CHANGE, again, List.of());
            claims.add(Source.VALUE, claims.won(Source.FACT) ? null : asides.value(text), List.of());
            return;
        }
        Heard foreign = claims.won(Source.FACT) ? null : asides.otherLanguage(text);
        if (foreign != null) {
            claims.add(Source.MOOD, foreign, List.of());
            return;
        }
        Playbook.Phrase phrase = flows.said(text);
        claims.add(Source.MOOD, asides.anger(text), List.of());
        claims.add(Source.STANDING, requests.call(text), List.of());
        claims.add(
                Source.QUESTION,
                questions.own(
                        text,
                        Questions.beneath(run.awaiting()),
                        claims.won(Source.FACT) ? claims.words(Source.FACT) : null,
                        phrase != null,
                        goesOn(text),
                        acts),
                facts);
        claims.add(Source.MOOD, claims.won(Source.FACT) ? null : byAct.social(), List.of());
        if (phrase != null) {
            claims.add(Source.FLOW, flows.lead(phrase), facts);
        }
    }

    /** Does all that won: what was repaired, then what was told, asked, answered and wanted; then asks on. */
    private void act(Claims claims, boolean decided) {
        Place place = run.at();
        claims.winners(Source.CHANGE).forEach(this::act);
        Map<String, Reading.Given> kept = new LinkedHashMap<>();
        claims.winners(Source.FACT).stream()
                .map(fact -> (TalkMove.Keep) fact.move())
                .forEach(keep -> kept.put(keep.variable(), keep.given()));
        givenAway.keep(kept);
        if (!Objects.equals(place, run.at()) || run.speaker() != Speaker.BOT) {
            return;
        }
        if (decided) {
            claims.winners(Source.QUESTION).forEach(this::act);
        }
        List<Heard> main = MAIN.stream()
                .filter(source -> !decided || source != Source.QUESTION)
                .flatMap(source -> claims.winners(source).stream())
                .toList();
        main.forEach(this::act);
        Slot pending = repairs.pending(run.awaiting());
        if (main.isEmpty() && pending != null && kept.containsKey(pending.name())) {
            // What is asked was told among other things: the step finds it known.
            run.stand(run.at());
        } else if (main.isEmpty()) {
            run.await(decided ? run.awaiting() : Questions.beneath(run.awaiting()));
            walker.putAgain();
        }
    }

    private void act(Heard heard) {
        if (!heard.rule().isEmpty()) {
            run.trace(heard.rule(), heard.detail());
        }
        performer.perform(heard.move());
    }

    // The answer

    /** What the step that is stood at, or what was offered aside, hears in a message. */
    private @Nullable Heard answer(String whole, String text) {
        boolean asks = Words.looksLikeQuestion(text) || acts.surely(Act.ASK);
        boolean plain = run.awaiting() instanceof Awaiting.Reply && flows.said(text) == null;
        if (free() && asks && (plain || questions.known(text))) {
            // Any words are an answer to a free question, but a question is one of the visitor's own.
            return null;
        }
        return switch (run.awaiting()) {
            case null -> null;
            case Awaiting.Suggestion suggestion -> new Picks(walker).hearSuggestion(suggestion, text);
            case Awaiting.OpenQuestion open when flows.said(text) != null -> null;
            // Who is only polite asks for nothing, unless the knowledge has something to say to it.
            case Awaiting.OpenQuestion open when acts.leads(Act.SOCIAL) && !questions.known(text) -> null;
            case Awaiting awaiting
            when free() -> {
                // What is kept whole is no longer in the places of what is read.
                Heard heard = walker.player().hear(awaiting, whole);
                yield heard == null || whole.equals(text) ? heard : heard.of(List.of());
            }
            case Awaiting awaiting -> walker.player().hear(awaiting, text);
        };
    }

    private boolean free() {
        Awaiting awaiting = run.awaiting();
        return awaiting != null && awaiting.type() != null && awaiting.type().free();
    }

    /** Whether what is awaited hears "no, …" itself: a reading to confirm or choose, a suggestion. */
    private boolean aside() {
        return switch (run.awaiting()) {
            case Awaiting.Confirm ignored -> true;
            case Awaiting.Which ignored -> true;
            case Awaiting.Suggestion ignored -> true;
            case null, default -> false;
        };
    }
}
