package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.From;
import com.shuttle.core.engine.Message.Look;
import com.shuttle.core.engine.Message.Offer;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;

/**
 * A turn in the making: the state as it changes, the effects and the trace so far. The only place where either is
 * changed. Lives for one turn on one thread.
 */
final class TurnRun {

    final Playbook playbook;
    final Ports ports;
    final Responses responses = new Responses(this);

    /** Channels that show text only. */
    private static final Set<String> PLAIN_CHANNELS = Set.of("text", "sms", "voice");

    private final SplittableRandom random;
    final Facts facts;
    private final List<Place> returns;
    private final List<String> asked;
    final Trail trail;
    private final Map<String, String> arms;
    private final Stamp stamp;
    private final List<Effect> effects = new ArrayList<>();
    private final List<TraceLine> trace = new ArrayList<>();

    private long seq;
    private Speaker speaker;
    private @Nullable Place at;
    private @Nullable Awaiting awaiting;
    private String team;
    private String channel;
    private String page;
    private String visitor;
    private String zone;
    private boolean returning;
    private boolean silent;
    private String quiet;
    private boolean nudged;
    private int timers;

    /** Words of the visitor that a step to come may answer; null once used. */
    private @Nullable String openWords;

    TurnRun(Playbook playbook, State state, Stamp stamp, Ports ports) {
        this.playbook = playbook;
        this.ports = ports;
        this.stamp = stamp;
        this.random = new SplittableRandom(stamp.seed());
        this.facts = new Facts(playbook, state, effects::add);
        this.returns = new ArrayList<>(state.returns());
        this.asked = new ArrayList<>(state.asked());
        this.trail = new Trail(state.answered());
        this.arms = new LinkedHashMap<>(state.arms());
        this.seq = state.seq();
        this.speaker = state.speaker();
        this.at = state.at();
        this.awaiting = state.awaiting();
        this.team = state.team();
        this.channel = state.channel();
        this.page = state.page();
        this.visitor = state.visitor();
        this.zone = state.zone();
        this.returning = state.returning();
        this.silent = state.silent();
        this.quiet = state.quiet();
        this.nudged = state.nudged();
    }

    // What is so far

    Speaker speaker() {
        return speaker;
    }

    @Nullable
    Place at() {
        return at;
    }

    @Nullable
    Awaiting awaiting() {
        return awaiting;
    }

    /** The visitor's clock and habits, as known so far. */
    Surroundings around() {
        return new Surroundings(playbook.release().profile(), stamp.at(), zone, ports);
    }

    String visitor() {
        return visitor;
    }

    @Nullable
    String arm(String experiment) {
        return arms.get(experiment);
    }

    /** Whether the channel shows text only. */
    boolean plain() {
        return PLAIN_CHANNELS.contains(channel);
    }

    Evaluator evaluator() {
        return new Evaluator(this);
    }

    String channel() {
        return channel;
    }

    String page() {
        return page;
    }

    boolean isReturning() {
        return returning;
    }

    /** Whether the walk goes on: the bot speaks, stands at a step and waits for nothing. */
    boolean walking() {
        return speaker == Speaker.BOT && at != null && awaiting == null;
    }

    /** Whether the bot has not said a word in this turn. */
    boolean silentSoFar() {
        return effects.stream()
                .noneMatch(effect ->
                        effect instanceof Effect.Say say && say.message().from() == From.BOT);
    }

    /** The visitor's earlier questions and then this one. */
    List<String> askedThen(String question) {
        List<String> turns = new ArrayList<>(asked);
        turns.add(question);
        return turns;
    }

    // Changes

    void arrived(Event.Started started) {
        this.channel = started.channel();
        this.page = started.page();
        this.visitor = started.visitor();
        this.zone = started.zone();
        this.returning = !started.known().isEmpty();
        facts.knownBefore(started.known());
    }

    void say(From from, String author, String text, List<Offer> offers) {
        effects.add(new Effect.Say(new Message(++seq, from, text, author, offers)));
    }

    /** Says something of the bot's, in plain text where the channel shows no more. */
    private void say(String text, List<Offer> offers, Look look) {
        String said = plain() ? PlainText.of(text, offers, look) : text;
        effects.add(new Effect.Say(new Message(++seq, From.BOT, said, "", offers, look)));
    }

    /** Says one of the wordings, filled in; nothing if that leaves no text and there is nothing to offer. */
    String sayOneOf(List<String> wordings, List<Offer> offers) {
        return sayOneOf(wordings, offers, Look.PLAIN);
    }

    String sayOneOf(List<String> wordings, List<Offer> offers, Look look) {
        List<String> usable =
                wordings.stream().filter(wording -> !wording.isBlank()).toList();
        String text =
                usable.isEmpty() ? "" : filled(usable.get(usable.size() == 1 ? 0 : random.nextInt(usable.size())));
        if (!text.isBlank() || !offers.isEmpty() || look.media() != null) {
            say(text.isBlank() && !offers.isEmpty() ? Phrasebook.WHICH : text, offers, look);
        }
        return text;
    }

    boolean nudged() {
        return nudged;
    }

    /** @param key of the timer that the visitor's next word stops; empty for none */
    void listen(String key, boolean asked) {
        quiet = key;
        nudged = asked;
    }

    /** Says a text that is filled and escaped already. */
    void sayPrepared(String text, List<Offer> offers) {
        say(text, offers, Look.PLAIN);
    }

    void say(String text) {
        sayOneOf(List.of(text), List.of());
    }

    String filled(String text) {
        return Texts.fill(
                text,
                facts.all(),
                playbook.variables(),
                evaluator().system(),
                playbook.release().profile().name());
    }

    void stand(@Nullable Place place) {
        at = place;
        awaiting = null;
    }

    void await(@Nullable Awaiting what) {
        awaiting = what;
    }

    void comeBackTo(Place place) {
        returns.add(place);
    }

    @Nullable
    Place takeReturn() {
        return returns.isEmpty() ? null : returns.removeLast();
    }

    void forgetPlaces() {
        returns.clear();
        trail.clear();
    }

    void assign(String experiment, String arm) {
        arms.put(experiment, arm);
        effects.add(new Effect.Assign(experiment, arm));
    }

    void reach(String milestone, BigDecimal value) {
        effects.add(new Effect.Reach(milestone, value));
    }

    void rate(int stars, String comment) {
        effects.add(new Effect.Rate(stars, comment));
    }

    void typing(boolean closed) {
        silent = closed;
    }

    /** Sets a timer and returns its key, which no other timer of the conversation has. */
    String timer(long seconds) {
        String key = "t" + seq + "-" + ++timers;
        effects.add(new Effect.SetTimer(key, seconds));
        return key;
    }

    /** The question answered last that is not the one stood at, taken off the trail; null if there is none. */
    @Nullable
    Place takeAnswered() {
        return trail.take(place -> !place.equals(at) && playbook.step(place) != null);
    }

    void remember(String question) {
        asked.add(question);
        if (asked.size() > State.TAIL) {
            asked.removeFirst();
        }
    }

    void open(@Nullable String words) {
        openWords = words;
    }

    @Nullable
    String takeOpenWords() {
        String words = openWords;
        openWords = null;
        return words;
    }

    /**
     * Passes the conversation to another speaker: the one place where that happens.
     *
     * @throws IllegalStateException if {@link Speaker#mayPassTo} forbids it
     */
    void pass(Speaker to) {
        if (!speaker.mayPassTo(to)) {
            throw new IllegalStateException("expected a speaker that " + speaker + " may pass to, but got " + to);
        }
        speaker = to;
        awaiting = to == Speaker.QUEUED || to == Speaker.PERSON ? Awaiting.of(Awaiting.Kind.AGENT) : null;
        if (to == Speaker.ENDED) {
            effects.add(new Effect.Finish());
        }
    }

    void queue(String team, String brief) {
        this.team = team;
        pass(Speaker.QUEUED);
        effects.add(new Effect.Queue(team, brief));
    }

    void leaveQueue() {
        pass(Speaker.BOT);
        effects.add(new Effect.LeaveQueue());
    }

    /** Notes what answered the question asked last. */
    void answeredBy(String ref) {
        effects.add(new Effect.Answered(ref, asked.isEmpty() ? "" : asked.getLast()));
    }

    void gap(String question) {
        effects.add(new Effect.NoteGap(question));
    }

    void trace(String rule, String detail) {
        trace.add(new TraceLine(rule, detail, at == null ? "" : at.step()));
    }

    /** A number in [0, 1) decided by the stamp. */
    double drawn() {
        return random.nextDouble();
    }

    int pick(int n) {
        return n == 1 ? 0 : random.nextInt(n);
    }

    Turn.Taken done() {
        facts.tellLead();
        State state = new State(
                seq,
                speaker,
                at,
                returns,
                facts.all(),
                awaiting,
                asked,
                trail.places(),
                facts.left(),
                arms,
                team,
                channel,
                page,
                visitor,
                zone,
                returning,
                silent,
                quiet,
                nudged);
        return new Turn.Taken(state, effects, trace);
    }
}
