package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * An ordered list of steps in named sections. The conversation starts at the first step of the first section that has
 * one; the order of the rest is the designer's and has no meaning to the engine.
 *
 * @param id       unique within its bot, lower-case letters, digits and dashes
 * @param phrases  what visitors type to get here from anywhere in the bot; may be empty
 * @param sections at least one
 * @param pins     step id to its place on the map, for steps moved by hand; those of no step are without meaning
 */
@JsonPropertyOrder({"format", "id", "name", "phrases", "sections", "pins"})
public record Flow(
        String id,
        String name,
        List<String> phrases,
        List<Section> sections,
        @JsonInclude(JsonInclude.Include.NON_EMPTY) Map<String, Pin> pins) {

    /** Where a designer put a step on the map, in the map's units: its upper left corner. */
    public record Pin(int x, int y) {}

    /** The name of the JSON format that flows are written in. */
    public static final String FORMAT = "shuttle-flow/1";

    public Flow {
        phrases = phrases == null ? List.of() : List.copyOf(phrases);
        sections = List.copyOf(sections);
        // Not Map.copyOf, which has no order: files are to be the same each time they are written.
        pins = pins == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(pins));
    }

    public Flow(String id, String name, List<String> phrases, List<Section> sections) {
        this(id, name, phrases, sections, Map.of());
    }

    /** This flow with other sections. */
    public Flow withSections(List<Section> changed) {
        return new Flow(id, name, phrases, changed, pins);
    }

    /** This flow with other pins. */
    public Flow withPins(Map<String, Pin> changed) {
        return new Flow(id, name, phrases, sections, changed);
    }

    /** This flow under another id, with its own exits to itself. */
    public Flow as(String changedId) {
        Target here = new Target.ToFlow(id);
        List<Section> led = sections.stream()
                .map(section -> section.withSteps(section.steps().stream()
                        .map(step -> led(step, here, new Target.ToFlow(changedId)))
                        .toList()))
                .toList();
        return new Flow(changedId, name, phrases, led, pins);
    }

    private static Step led(Step step, Target from, Target to) {
        if (!step.exits().containsValue(from)) {
            return step;
        }
        Map<String, Target> exits = new LinkedHashMap<>(step.exits());
        exits.replaceAll((slot, target) -> target.equals(from) ? to : target);
        return step.withExits(exits);
    }

    /** This flow with another name and other phrases. */
    public Flow described(String changedName, List<String> changedPhrases) {
        return new Flow(id, changedName, changedPhrases, sections, pins);
    }

    /** A flow with nothing in it. */
    public static Flow empty(String id, String name) {
        return new Flow(id, name, List.of(), List.of(new Section("s1", "", List.of())));
    }

    public String getFormat() {
        return FORMAT;
    }

    /** All steps in the designer's order. */
    public List<Step> allSteps() {
        List<Step> steps = new ArrayList<>();
        for (Section section : sections) {
            steps.addAll(section.steps());
        }
        return List.copyOf(steps);
    }

    public Optional<Step> findStep(String stepId) {
        return allSteps().stream().filter(step -> step.id().equals(stepId)).findFirst();
    }

    /** Where the conversation starts, or null in an empty flow. */
    @JsonIgnore
    public @Nullable Step firstStep() {
        List<Step> steps = allSteps();
        return steps.isEmpty() ? null : steps.getFirst();
    }

    /** Every variable that a step of this flow fills, with its type, in the order of the steps. */
    public Map<String, ValueType> variables() {
        Map<String, ValueType> variables = new LinkedHashMap<>();
        for (Step step : allSteps()) {
            step.fills().forEach((name, type) -> {
                if (!name.isBlank()) {
                    variables.putIfAbsent(name, type);
                }
            });
        }
        return variables;
    }
}
