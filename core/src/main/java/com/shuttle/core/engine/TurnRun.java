package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.From;
import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
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
final class TurnRun {

    final Playbook playbook;
    final Ports ports;

    private final SplittableRandom random;
    private final Map<String, Value> variables;
    private final List<Place> returns;
    private final List<String> asked;
    private final List<Place> answered;
    private final List<Effect> effects = new ArrayList<>();
    private final List<TraceLine> trace = new ArrayList<>();

    private long seq;
    private Speaker speaker;
    private @Nullable Place at;
    private @Nullable Awaiting awaiting;
    private String team;
    private String channel;
    private String page;
    private boolean leadTouched;

    /** Words of the visitor that a step to come may answer; null once used. */
    private @Nullable String openWords;

    TurnRun(Playbook playbook, State state, Stamp stamp, Ports ports) {
        this.playbook = playbook;
        this.ports = ports;
        this.random = new SplittableRandom(stamp.seed());
        this.variables = new LinkedHashMap<>(state.variables());
        this.returns = new ArrayList<>(state.returns());
        this.asked = new ArrayList<>(state.asked());
        this.answered = new ArrayList<>(state.answered());
        this.seq = state.seq();
        this.speaker = state.speaker();
        this.at = state.at();
        this.awaiting = state.awaiting();
        this.team = state.team();
        this.channel = state.channel();
        this.page = state.page();
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

    String region() {
        return playbook.release().profile().region();
    }

    boolean knows(String variable) {
        return variables.containsKey(variable);
    }

    /** Whether the walk goes on: the bot speaks, stands at a step and waits for nothing. */
    boolean walking() {
        return speaker == Speaker.BOT && at != null && awaiting == null;
    }

    /** The visitor's earlier questions and then this one. */
    List<String> askedThen(String question) {
        List<String> turns = new ArrayList<>(asked);
        turns.add(question);
        return turns;
    }

    // Changes

    void arrivedFrom(String channel, String page) {
        this.channel = channel;
        this.page = page;
    }

    void say(From from, String author, String text, List<Offer> offers) {
        effects.add(new Effect.Say(new Message(++seq, from, text, author, offers)));
    }

    /** Says one of the wordings, filled in; nothing if that leaves no text and there is nothing to offer. */
    String sayOneOf(List<String> wordings, List<Offer> offers) {
        List<String> usable =
                wordings.stream().filter(wording -> !wording.isBlank()).toList();
        String text =
                usable.isEmpty() ? "" : filled(usable.get(usable.size() == 1 ? 0 : random.nextInt(usable.size())));
        if (!text.isBlank() || !offers.isEmpty()) {
            say(From.BOT, "", text.isBlank() ? Phrasebook.WHICH : text, offers);
        }
        return text;
    }

    void say(String text) {
        sayOneOf(List.of(text), List.of());
    }

    String filled(String text) {
        return Texts.fill(
                text,
                variables,
                playbook.variables(),
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
        answered.clear();
    }

    void forgetVariables() {
        variables.clear();
    }

    void answered(Place question) {
        answered.remove(question);
        answered.add(question);
        if (answered.size() > State.TRAIL) {
            answered.removeFirst();
        }
    }

    /** The question answered last that is not the one stood at, taken off the trail; null if there is none. */
    @Nullable
    Place takeAnswered() {
        while (!answered.isEmpty()) {
            Place place = answered.removeLast();
            if (!place.equals(at) && playbook.step(place) != null) {
                return place;
            }
        }
        return null;
    }

    void set(String variable, Value value) {
        Value before = variables.put(variable, value);
        ValueType type = playbook.variables().get(variable);
        boolean leadFact = type == ValueType.EMAIL || type == ValueType.PERSON_NAME || type == ValueType.PHONE;
        leadTouched |= leadFact && !value.equals(before);
    }

    void forget(String variable) {
        variables.remove(variable);
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

    void queue(String team) {
        this.team = team;
        pass(Speaker.QUEUED);
        effects.add(new Effect.Queue(team));
    }

    void leaveQueue() {
        pass(Speaker.BOT);
        effects.add(new Effect.LeaveQueue());
    }

    void gap(String question) {
        effects.add(new Effect.NoteGap(question));
    }

    void trace(String rule, String detail) {
        trace.add(new TraceLine(rule, detail, at == null ? "" : at.step()));
    }

    int pick(int n) {
        return n == 1 ? 0 : random.nextInt(n);
    }

    Turn.Taken done() {
        keepLead();
        State state = new State(seq, speaker, at, returns, variables, awaiting, asked, answered, team, channel, page);
        return new Turn.Taken(state, effects, trace);
    }

    private void keepLead() {
        String name = first(ValueType.PERSON_NAME);
        String email = first(ValueType.EMAIL);
        if (leadTouched && !name.isEmpty() && !email.isEmpty()) {
            effects.add(new Effect.KeepLead(name, email, first(ValueType.PHONE)));
        }
    }

    private String first(ValueType type) {
        return variables.entrySet().stream()
                .filter(entry -> playbook.variables().get(entry.getKey()) == type)
                .map(entry -> entry.getValue().shown())
                .findFirst()
                .orElse("");
    }
}
