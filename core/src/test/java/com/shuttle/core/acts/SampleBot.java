package com.shuttle.core.acts;

import com.shuttle.core.acts.Situation.Pending;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.conversation.World;
import com.shuttle.core.engine.Engine;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A bot that stands where a sample's message was sent: what is known there was asked before, by a choice where the trade's samples
 * offer it among options, and what is asked there is asked now.
 */
final class SampleBot {

    private static final JsonMapper JSON = JsonMapper.shared();
    private static final Stamp NOW = new Stamp(Instant.parse("2026-04-15T09:00:00Z"), 7);
    private static final String PENDING = "p";

    /** Kinds of values that are told by how they look. */
    private static final List<ValueType> TOLD = List.of(
            ValueType.EMAIL,
            ValueType.PHONE,
            ValueType.DATE,
            ValueType.TIME,
            ValueType.MONEY,
            ValueType.NUMBER,
            ValueType.YES_NO);

    private final Situation situation;
    private final List<Situation> trade;
    private final ArrayNode steps = JSON.createArrayNode();
    private final Map<String, Value> known = new LinkedHashMap<>();

    /** @param trade all situations of the trade, whose options what is known may be one of */
    SampleBot(Situation situation, List<Situation> trade) {
        this.situation = situation;
        this.trade = trade;
    }

    /** What comes of saying it there; empty where the bot cannot be brought to stand there. */
    Optional<Turn.Taken> says(String text, World world) {
        Playbook playbook = playbook();
        World before = new Silent(world);
        State state = taken(Engine.take(playbook, State.NEW, new Event.Started(NOW, "web", "", "", "", known), before))
                .state();
        for (String value : situation.known().values()) {
            Awaiting awaiting = state.awaiting();
            List<String> ids = awaiting == null || standsThere(state) ? List.of() : ids(awaiting, value);
            if (!ids.isEmpty()) {
                state = taken(Engine.take(playbook, state, new Event.Picked(NOW, ids), before))
                        .state();
            }
        }
        return standsThere(state)
                ? Optional.of(taken(Engine.take(playbook, state, new Event.Said(NOW, text), world)))
                : Optional.empty();
    }

    private static boolean standsThere(State state) {
        return state.at() != null && state.at().step().equals(PENDING);
    }

    private static List<String> ids(Awaiting awaiting, String value) {
        List<String> parts = Arrays.asList(value.split(", ?"));
        return awaiting.offers().stream()
                .filter(offer -> offer.label().equals(value) || parts.contains(offer.label()))
                .map(Offer::id)
                .toList();
    }

    private static Turn.Taken taken(Turn turn) {
        if (turn instanceof Turn.Taken taken) {
            return taken;
        }
        throw new IllegalStateException("refused: " + turn);
    }

    private Playbook playbook() {
        List<Map.Entry<String, String>> all = List.copyOf(situation.known().entrySet());
        for (int i = 0; i < all.size(); i++) {
            String next = "step:" + (i + 1 < all.size() ? "k" + (i + 1) : PENDING);
            knows("k" + i, all.get(i).getKey(), all.get(i).getValue(), next);
        }
        asks();
        step("question", "last", "And is there anything else?", "answered", "end")
                .put("type", ValueType.LONG_TEXT.key())
                .put("variable", "remarks");
        ObjectNode flow = JSON.createObjectNode();
        flow.put("format", "shuttle-flow/1").put("id", "main").put("name", "Main");
        ObjectNode section = flow.putArray("sections").addObject();
        section.put("id", "s").put("title", "").set("steps", steps);
        Flow main = FlowJson.readTrusted(JSON.writeValueAsString(flow));
        Release.Profile profile = new Release.Profile("Vesper", "GB", "Europe/London");
        return new Playbook(new Release(1, profile, "main", List.of(main), List.of(), List.of()));
    }

    private ObjectNode step(String kind, String id, String ask, String exit, String target) {
        ObjectNode step = steps.addObject();
        step.put("kind", kind).put("id", id);
        step.putArray("ask").add(ask.isBlank() ? "What can I do for you?" : ask);
        step.putObject("exits").put(exit, target);
        return step;
    }

    private void knows(String id, String name, String value, String next) {
        String variable =
                name.toLowerCase(Locale.ROOT).replaceAll("[^a-z]+", "_").replaceAll("^_|_$", "");
        Situation chosen = chosen(value);
        if (chosen == null) {
            ValueType type = type(value);
            known.put(variable, value(type, value));
            step("question", id, "What about the " + name + "?", "answered", next)
                    .put("type", type.key())
                    .put("variable", variable)
                    .put("skipWhenKnown", true);
        } else {
            offers(step("choice", id, chosen.question(), "picked", next), chosen, variable);
        }
    }

    private @Nullable Situation chosen(String value) {
        return trade.stream()
                .filter(one -> one.pending() == Pending.CHOICE && one.options().contains(value)
                        || one.pending() == Pending.SEVERAL
                                && one.options().containsAll(Arrays.asList(value.split(", ?"))))
                .findFirst()
                .orElse(null);
    }

    private static void offers(ObjectNode step, Situation situation, String variable) {
        step.put("variable", variable).put("together", true);
        step.put("many", situation.pending() == Pending.SEVERAL);
        ArrayNode options = step.putArray("options");
        situation
                .options()
                .forEach(label ->
                        options.addObject().put("id", "o" + options.size()).put("label", label));
    }

    private static ValueType type(String value) {
        return value.matches("\\d{1,6}")
                ? ValueType.NUMBER
                : TOLD.stream()
                        .filter(type -> Reader.reply(type, value, Learn.CONTEXT) instanceof Reading.Given given
                                && given.end() - given.start() >= 0.8 * value.length())
                        .findFirst()
                        .orElse(ValueType.TEXT);
    }

    private static Value value(ValueType type, String value) {
        return type != ValueType.TEXT && Reader.reply(type, value, Learn.CONTEXT) instanceof Reading.Given given
                ? given.value()
                : new Value.Text(value);
    }

    private void asks() {
        switch (situation.pending()) {
            case CHOICE, SEVERAL ->
                offers(step("choice", PENDING, situation.question(), "picked", "step:last"), situation, "asked_now");
            case VALUE ->
                step("question", PENDING, situation.question(), "answered", "step:last")
                        .put("type", (situation.type() == null ? ValueType.TEXT : situation.type()).key())
                        .put("variable", "asked_now");
            default -> step("answer", PENDING, situation.question(), "answered", "step:" + PENDING);
        }
    }
}
