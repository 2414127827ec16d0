package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Effect;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Message.From;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Reads;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.TraceLine;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.conversation.Way;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.Response;
import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** A conversation under test: keeps state, events and reads, and checks with every turn that a replay leads to the same. */
final class Talk {

    private static final JsonMapper STORED = stored();

    final FakeWorld ports;
    final Playbook playbook;
    State state = State.NEW;
    List<String> heard = List.of();
    List<Effect> effects = List.of();
    List<TraceLine> trace = List.of();
    List<Way> way = List.of();
    final List<Event> events = new ArrayList<>();
    final List<List<Reads.Read>> reads = new ArrayList<>();

    Talk(FakeWorld ports, Flow... flows) {
        this(ports, new Release.Profile("Vesper", "GB", "Europe/London"), List.of(), flows);
    }

    /** As {@link #with}, where the bot says this on occasions; its people are there on Mondays. */
    static Talk saying(FakeWorld ports, List<Response> responses, Flow... flow) {
        Map<String, String> hours = Map.of("monday", "09:00-17:00");
        Release.Profile profile = new Release.Profile("Vesper", "GB", "Europe/London", "", hours, responses);
        Talk talk = new Talk(ports, profile, List.of(), flow);
        talk.take(new Event.Started(talk.stamp(), "web", ""));
        return talk;
    }

    /** As {@link #with}, where a person is asked for by a flow. */
    static Talk personBy(String flow, FakeWorld ports, Flow... flows) {
        StandingWords person = new StandingWords(StandingWords.PERSON, false, List.of(), flow);
        Release.Profile profile = new Release.Profile("Vesper", "GB", "Europe/London");
        Talk talk = new Talk(ports, new Release(1, profile, flows[0].id(), List.of(flows), List.of(), List.of(person)));
        talk.take(new Event.Started(talk.stamp(), "web", ""));
        return talk;
    }

    private Talk(FakeWorld ports, Release.Profile profile, List<Variable> declared, Flow... flows) {
        this(ports, new Release(1, profile, flows[0].id(), List.of(flows), declared, List.of()));
    }

    private Talk(FakeWorld ports, Release release) {
        this.ports = ports;
        this.playbook = new Playbook(release);
    }

    static Talk with(FakeWorld ports, Flow... flows) {
        Talk talk = new Talk(ports, flows);
        talk.take(new Event.Started(talk.stamp(), "web", "https://tarnfell.example/"));
        return talk;
    }

    /** Scored with cards. */
    static Talk scoring(List<Scorecard> cards, Flow flow) {
        Release.Profile profile = new Release.Profile("Vesper", "GB", "Europe/London");
        Talk talk = new Talk(
                new FakeWorld(), new Release(1, profile, flow.id(), List.of(flow), List.of(), List.of(), cards));
        talk.take(new Event.Started(talk.stamp(), "web", ""));
        return talk;
    }

    /** Not begun yet. */
    static Talk notBegun(Flow flow) {
        return new Talk(new FakeWorld(), flow);
    }

    /** Not begun yet; the website tells a variable. */
    static Talk told(String variable, Flow flow) {
        Variable declared = new Variable(variable, ValueType.TEXT, Variable.Origin.PAGE, "");
        return new Talk(new FakeWorld(), new Release.Profile("Vesper", "GB", "Europe/London"), List.of(declared), flow);
    }

    /** As {@link #with}, where a variable outlives the conversation. */
    static Talk remembering(String variable, Flow flow) {
        Variable declared = new Variable(variable, ValueType.PERSON_NAME, Variable.Origin.VISITOR, "");
        Talk talk = new Talk(
                new FakeWorld(), new Release.Profile("Vesper", "GB", "Europe/London"), List.of(declared), flow);
        talk.take(new Event.Started(talk.stamp(), "web", ""));
        return talk;
    }

    static Talk with(Flow... flows) {
        return with(new FakeWorld(), flows);
    }

    Talk says(String text) {
        return take(new Event.Said(stamp(), text));
    }

    Talk picks(String option) {
        return take(new Event.Picked(stamp(), List.of(option)));
    }

    Talk take(Event event) {
        assertThat(tell(event)).isInstanceOf(Turn.Taken.class);
        return this;
    }

    Turn tell(Event event) {
        Reads.Recorder recorder = new Reads.Recorder(ports);
        Turn turn = Engine.take(playbook, state, event, recorder);
        if (turn instanceof Turn.Taken taken) {
            assertThat(Engine.take(playbook, state, event, new Reads.Replayer(recorder.reads())))
                    .as("replayed turn")
                    .isEqualTo(turn);
            // As on a server, it goes on with what the stores give back.
            state = STORED.readValue(STORED.writeValueAsString(taken.state()), State.class);
            assertThat(state).as("kept state").isEqualTo(taken.state());
            effects = taken.effects();
            trace = taken.trace();
            way = taken.way();
            heard = taken.messages().stream()
                    .filter(message -> message.from() != From.VISITOR)
                    .map(Message::text)
                    .toList();
            events.add(event);
            reads.add(recorder.reads());
        }
        return turn;
    }

    /** Reads and writes as the stores do. */
    static JsonMapper stored() {
        return JsonMapper.builder()
                .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
                .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
                .build();
    }

    Stamp stamp() {
        return new Stamp(Instant.parse("2026-03-10T18:40:00Z").plusSeconds(events.size()), events.size());
    }

    Talk hears(String... texts) {
        assertThat(heard).containsExactly(texts);
        return this;
    }

    Talk hearsPart(String part) {
        assertThat(String.join("\n", heard)).contains(part);
        return this;
    }

    Talk tookBy(String rule) {
        assertThat(trace).extracting(TraceLine::rule).contains(rule);
        return this;
    }

    Talk knows(String variable, String value) {
        assertThat(state.variables().get(variable))
                .as(variable)
                .satisfies(v -> assertThat(v.shown()).isEqualTo(value));
        return this;
    }
}
