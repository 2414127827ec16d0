package com.shuttle.core.engine;

import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Release;
import com.shuttle.core.reading.Value;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Visitors of a made-up bot, who say at some questions what a script has for them and answer plainly to all else. A
 * conversation is right when what was meant is what is noted in the end, nothing that was told is asked for, and a question
 * in between was answered.
 */
final class Visitors {

    private static final Instant NOW = Instant.parse("2026-11-27T10:00:00Z");
    private static final int MOST_TURNS = 30;

    private final Playbook playbook;
    private final FakeWorld world;
    private final Map<String, String> plain;
    private final Map<String, String> truth;

    /** @param plain what a plain visitor answers, by the id of the step; @param truth what is noted then, by variable */
    Visitors(String flow, FakeWorld world, Map<String, String> plain, Map<String, String> truth) {
        this.playbook = new Playbook(new Release(
                1,
                new Release.Profile("Visitors", "GB", "Europe/London"),
                "main",
                List.of(FlowJson.readTrusted(flow)),
                List.of(),
                List.of()));
        this.world = world;
        this.plain = plain;
        this.truth = truth;
    }

    /**
     * What somebody says.
     *
     * @param kind  its class
     * @param said  by the id of a step, in order
     * @param noted what is to be known in the end, where it is not what a plain visitor has; {@code reply} is a part of what the
     *     bot must have said
     * @param given steps that must not be asked
     */
    record Script(
            String kind, String line, Map<String, List<String>> said, Map<String, String> noted, Set<String> given) {}

    /** Reads scripts: {@code kind | step: words / step: words | variable=value; … | step, …}. */
    static List<Script> scripts(String resource) throws IOException {
        try (InputStream in = Objects.requireNonNull(Visitors.class.getResourceAsStream(resource))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.isBlank() && !line.startsWith("#"))
                    .map(Visitors::script)
                    .toList();
        }
    }

    private static Script script(String line) {
        String[] parts = (line + " ").split("\\s*\\|\\s*", -1);
        Map<String, List<String>> said = new LinkedHashMap<>();
        for (String one : parts[1].split(" / ")) {
            said.computeIfAbsent(one.substring(0, one.indexOf(':')).strip(), step -> new ArrayList<>())
                    .add(one.substring(one.indexOf(':') + 1).strip());
        }
        Map<String, String> noted = new LinkedHashMap<>();
        for (String one : parts[2].split(";")) {
            if (one.contains("=")) {
                noted.put(
                        one.substring(0, one.indexOf('=')).strip(),
                        one.substring(one.indexOf('=') + 1).strip());
            }
        }
        Set<String> given = parts.length < 4
                ? Set.of()
                : Arrays.stream(parts[3].split(","))
                        .map(String::strip)
                        .filter(step -> !step.isEmpty())
                        .collect(Collectors.toSet());
        return new Script(parts[0], parts[1], said, noted, given);
    }

    /** How a conversation went: what was wrong with it, empty for nothing, and all that was said. */
    record Outcome(String fault, List<String> log) {}

    Outcome play(Script script) {
        Map<String, List<String>> left = new LinkedHashMap<>();
        script.said().forEach((step, words) -> left.put(step, new ArrayList<>(words)));
        List<String> log = new ArrayList<>();
        List<String> bot = new ArrayList<>();
        Set<String> asked = new LinkedHashSet<>();
        State state = take(State.NEW, new Event.Started(stamp(0), "web", "/"), log, bot);
        boolean spoken = false;
        for (int turn = 1; turn < MOST_TURNS && state.awaiting() != null; turn++) {
            Place at = state.at();
            String step = at == null ? "" : at.step();
            List<String> words = left.getOrDefault(step, List.of());
            if (spoken
                    || !words.isEmpty()
                            && step.equals(script.said().keySet().iterator().next())) {
                asked.add(step);
            }
            String says = words.isEmpty() ? plain.getOrDefault(step, "?") : words.removeFirst();
            spoken |= !says.equals(plain.get(step));
            log.add("> " + says);
            state = take(state, new Event.Said(stamp(turn), says), log, bot);
        }
        return new Outcome(fault(script, state, bot, asked), log);
    }

    private static Stamp stamp(int turn) {
        return new Stamp(NOW.plusSeconds(turn), turn);
    }

    private State take(State state, Event event, List<String> log, List<String> bot) {
        Turn.Taken taken = (Turn.Taken) Engine.take(playbook, state, event, world);
        taken.messages().stream()
                .filter(message -> message.from() != Message.From.VISITOR)
                .forEach(message -> {
                    bot.add(message.text());
                    log.add("< " + message.text());
                });
        return taken.state();
    }

    private String fault(Script script, State state, List<String> bot, Set<String> asked) {
        List<String> faults = new ArrayList<>();
        Map<String, String> wanted = new LinkedHashMap<>(truth);
        wanted.putAll(script.noted());
        String reply = wanted.remove("reply");
        wanted.forEach((variable, value) -> {
            String got = shown(state.variables().get(variable));
            if (!got.equals(value)) {
                faults.add(variable + ": wanted " + value + ", got " + got);
            }
        });
        script.given().stream()
                .filter(asked::contains)
                .filter(step -> !script.said().containsKey(step))
                .forEach(step -> faults.add("asked for " + step));
        if (reply != null && bot.stream().noneMatch(text -> text.contains(reply))) {
            faults.add("did not say " + reply);
        }
        return String.join("; ", faults);
    }

    private static String shown(Value value) {
        return switch (value) {
            case null -> "-";
            case Value.Many many -> many.items().isEmpty() ? "-" : String.join("+", many.items());
            case Value.Money money -> money.amount().stripTrailingZeros().toPlainString();
            case Value.Day day -> day.date().toString();
            case Value.Clock clock -> clock.time().toString();
            default -> value.shown();
        };
    }
}
