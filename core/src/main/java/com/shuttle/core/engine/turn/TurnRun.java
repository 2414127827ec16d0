package com.shuttle.core.engine.turn;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Effect;
import com.shuttle.core.conversation.Errand;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Message.From;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.TraceLine;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.conversation.Way;
import com.shuttle.core.conversation.World;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;

/**
 * A turn in the making: the state as it changes, the effects and the trace so far. The only place where either is
 * changed. Lives for one turn on one thread.
 */
public final class TurnRun {

    public final Playbook playbook;
    private final World world;
    public final Responses responses = new Responses(this);

    private final SplittableRandom random;
    public final Facts facts;
    private final List<Place> returns;
    public final AskedBefore asked;
    public final Trail trail;
    private final Map<String, String> arms;
    private final Stamp stamp;
    private final List<Effect> effects = new ArrayList<>();
    public final Saves saves = new Saves(this, effects);
    private final List<TraceLine> trace = new ArrayList<>();

    private long seq;
    private Speaker speaker;
    private @Nullable Place at;
    private @Nullable Awaiting awaiting;
    private String team;
    private Visit visit;
    private boolean silent;
    private String quiet;
    private boolean nudged;
    private String agent;
    private int timers;
    private final List<Way> way = new ArrayList<>();

    /** Signals whose addresses are given out before they are waited for. */
    public final AheadSignals signals;

    public final LeadSaving leads;

    /** What a language model makes of what is found. */
    public final Opinions opinions = new Opinions(this);

    /** Words of the visitor that a step to come may answer; null once used. */
    private @Nullable String openWords;

    public TurnRun(Playbook playbook, State state, Stamp stamp, World world) {
        this.playbook = playbook;
        this.world = world;
        this.stamp = stamp;
        this.random = new SplittableRandom(stamp.seed());
        this.facts = new Facts(playbook, state, effects::add);
        this.returns = new ArrayList<>(state.returns());
        this.asked = new AskedBefore(state.asked());
        this.trail = new Trail(state.answered());
        this.arms = new LinkedHashMap<>(state.arms());
        this.seq = state.seq();
        this.speaker = state.speaker();
        this.at = state.at();
        this.awaiting = state.awaiting();
        this.team = state.team();
        this.visit = Visit.of(state);
        this.signals = new AheadSignals(this, state.signals());
        this.silent = state.silent();
        this.quiet = state.quiet();
        this.nudged = state.nudged();
        this.agent = state.agent();
        this.timers = state.timers();
        this.leads = new LeadSaving(this, effects, state.leadAt());
    }

    public Speaker speaker() {
        return speaker;
    }

    @Nullable
    public Place at() {
        return at;
    }

    @Nullable
    public Awaiting awaiting() {
        return awaiting;
    }

    /** The visitor's clock and habits, as known so far. */
    public Surroundings around() {
        return new Surroundings(playbook.release().profile(), stamp.at(), visit.zone(), world);
    }

    /** Who visits, and from where. */
    public Visit visit() {
        return visit;
    }

    @Nullable
    public String arm(String experiment) {
        return arms.get(experiment);
    }

    public Evaluator evaluator() {
        return new Evaluator(this);
    }

    /** Whether the walk goes on: the bot speaks, stands at a step and waits for nothing. */
    public boolean walking() {
        return speaker == Speaker.BOT && at != null && awaiting == null;
    }

    /** Whether the bot has not said a word in this turn. */
    public boolean silentSoFar() {
        return effects.stream()
                .noneMatch(effect ->
                        effect instanceof Effect.Say say && say.message().from() == From.BOT);
    }

    /** Asks the world. */
    public <R> R ask(Query<R> query) {
        return world.reply(query);
    }

    public Stamp stamp() {
        return stamp;
    }

    /** Key of the timer that the visitor's next word stops; empty for none. */
    public String quiet() {
        return quiet;
    }

    /** The account that has the conversation; empty for none. */
    public String agent() {
        return agent;
    }

    // Changes

    /** Sends an errand and waits for what comes of it. */
    public void send(Errand errand, Awaiting result) {
        effects.add(errand);
        awaiting = result;
    }

    /** The person who has the conversation. */
    public void heldBy(String account) {
        agent = account;
    }

    /** Notes a stretch of the way from where the conversation stands. */
    public void mark(Way.What what, String mark) {
        way.add(new Way(what, at == null ? "" : at.flow(), at == null ? "" : at.step(), mark));
    }

    public void arrived(Event.Started started) {
        this.visit = Visit.of(started);
        facts.knownBefore(started.known());
        facts.knownBefore(started.told());
    }

    public void say(From from, String author, String text, List<Offer> offers) {
        effects.add(new Effect.Say(new Message(++seq, from, text, author, offers)));
    }

    /** Says a text that is filled and escaped already, in plain text where the channel shows no more. */
    public void sayPrepared(String text, List<Offer> offers, Look look) {
        String said = visit.plain() ? PlainText.of(text, offers, look) : text;
        effects.add(new Effect.Say(new Message(++seq, From.BOT, said, "", offers, look)));
    }

    /** Says one of the wordings, filled in; nothing if that leaves no text and there is nothing to offer. */
    public String sayOneOf(List<String> wordings, List<Offer> offers) {
        return sayOneOf(wordings, offers, Look.PLAIN);
    }

    public String sayOneOf(List<String> wordings, List<Offer> offers, Look look) {
        List<String> usable =
                wordings.stream().filter(wording -> !wording.isBlank()).toList();
        String text =
                usable.isEmpty() ? "" : filled(usable.get(usable.size() == 1 ? 0 : random.nextInt(usable.size())));
        if (!text.isBlank() || !offers.isEmpty() || look.media() != null) {
            sayPrepared(text.isBlank() && !offers.isEmpty() ? Phrasebook.WHICH : text, offers, look);
        }
        return text;
    }

    public boolean nudged() {
        return nudged;
    }

    /** @param key of the timer that the visitor's next word stops; empty for none */
    public void listen(String key, boolean asked) {
        quiet = key;
        nudged = asked;
    }

    public void say(String text) {
        sayOneOf(List.of(text), List.of());
    }

    public String filled(String text) {
        return text.contains("{{") ? Texts.fill(signals.filled(text), known()) : text;
    }

    public Texts.Known known() {
        String bot = playbook.release().profile().name();
        return new Texts.Known(facts.all(), playbook.variables(), evaluator().system(), bot);
    }

    public void stand(@Nullable Place place) {
        at = place;
        awaiting = null;
    }

    public void await(@Nullable Awaiting what) {
        awaiting = what;
    }

    public void comeBackTo(Place place) {
        returns.add(place);
    }

    @Nullable
    public Place takeReturn() {
        return returns.isEmpty() ? null : returns.removeLast();
    }

    public void forgetPlaces() {
        returns.clear();
        trail.clear();
    }

    public void assign(String experiment, String arm) {
        arms.put(experiment, arm);
        mark(Way.What.ARM, arm);
    }

    /** Has something done with the turn. */
    public void carryOut(Deed deed) {
        effects.add(deed);
    }

    public void typing(boolean closed) {
        silent = closed;
    }

    /** A key that no timer, signal or errand of the conversation had before. */
    public String newKey() {
        return "k" + ++timers;
    }

    /** Sets a timer and returns its key. */
    public String timer(long seconds) {
        String key = newKey();
        effects.add(new Deed.SetTimer(key, seconds));
        return key;
    }

    /** The question answered last that is not the one stood at, taken off the trail; null if there is none. */
    @Nullable
    public Place takeAnswered() {
        return trail.take(place -> !place.equals(at) && playbook.step(place) != null);
    }

    /** What is asked where the conversation stands was answered. */
    public void answeredHere() {
        trail.add(requireNonNull(at));
        asked.goOn();
    }

    public void open(@Nullable String words) {
        openWords = words;
    }

    @Nullable
    public String takeOpenWords() {
        String words = openWords;
        openWords = null;
        return words;
    }

    /**
     * Passes the conversation to another speaker: the one place where that happens.
     *
     * @throws IllegalStateException if {@link Speaker#mayPassTo} forbids it
     */
    public void pass(Speaker to) {
        if (!speaker.mayPassTo(to)) {
            throw new IllegalStateException("expected a speaker that " + speaker + " may pass to, but got " + to);
        }
        speaker = to;
        awaiting = to == Speaker.QUEUED || to == Speaker.PERSON ? new Awaiting.Person("") : null;
        agent = "";
        mark(Way.What.PASSED, to.key());
    }

    /** Lets the visitor wait for a person of a team; empty for any. */
    public void queue(String team) {
        this.team = team;
        pass(Speaker.QUEUED);
    }

    /** Keeps a line for whoever takes the conversation; a blank one is none. */
    public void note(String text) {
        if (!text.isBlank()) {
            effects.add(new Deed.Note(Texts.unescaped(text)));
        }
    }

    /** Notes what answered the question asked last. */
    public void answeredBy(String ref) {
        effects.add(new Deed.Answered(ref, asked.last()));
    }

    public void gap(String question) {
        effects.add(new Deed.NoteGap(question));
    }

    public void trace(String rule, String detail) {
        trace.add(new TraceLine(rule, detail, at == null ? "" : at.step()));
    }

    /** A number in [0, 1) decided by the stamp. */
    public double drawn() {
        return random.nextDouble();
    }

    public int pick(int n) {
        return n == 1 ? 0 : random.nextInt(n);
    }

    /** The turn as it has become. */
    public Turn.Taken done() {
        leads.saveAgain();
        return new Turn.Taken(state(), effects, trace, way);
    }

    /** Where the conversation stands so far. */
    public State state() {
        return new State(
                seq,
                speaker,
                at,
                returns,
                facts.all(),
                awaiting,
                asked.all(),
                trail.places(),
                facts.left(),
                arms,
                team,
                visit.channel(),
                visit.page(),
                visit.visitor(),
                visit.zone(),
                visit.returning(),
                silent,
                quiet,
                nudged,
                agent,
                timers,
                facts.told(),
                visit.arrival(),
                signals.kept(),
                leads.at());
    }
}
