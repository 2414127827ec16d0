package com.shuttle.core.flow;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Builds flows for tests, one step a line. Targets are in their JSON form, or a bare step id. */
public final class FlowBuilder {

    private final String id;
    private final List<Step> steps = new ArrayList<>();
    private List<String> phrases = List.of();

    private FlowBuilder(String id) {
        this.id = id;
    }

    public static FlowBuilder flow(String id) {
        return new FlowBuilder(id);
    }

    public FlowBuilder phrases(String... phrases) {
        this.phrases = List.of(phrases);
        return this;
    }

    public FlowBuilder message(String step, String text, String next) {
        return add(new Step.Message(step, "", "", List.of(text), null, List.of(), 0, exits("next", next)));
    }

    public FlowBuilder question(String step, String text, ValueType type, String variable, String answered) {
        return add(Question.of(step, List.of(text), type, variable, exits("answered", answered)));
    }

    /** @param optionsThenTargets label, target, label, target … */
    public FlowBuilder choice(String step, String text, String... optionsThenTargets) {
        List<Option> options = new ArrayList<>();
        Map<String, Target> exits = new LinkedHashMap<>();
        for (int i = 0; i < optionsThenTargets.length; i += 2) {
            Option option = new Option("o" + (i / 2 + 1), optionsThenTargets[i], List.of());
            options.add(option);
            exits.putAll(exits(option.exit(), optionsThenTargets[i + 1]));
        }
        return add(Choice.of(step, List.of(text), options, exits));
    }

    public FlowBuilder answer(String step, String text, String answered, String notFound) {
        Map<String, Target> exits = new LinkedHashMap<>(exits("answered", answered));
        exits.putAll(exits("not_found", notFound));
        return add(new Answer(step, "", "", List.of(text), List.of(), List.of(), "", "", "", 0, 0, "", exits));
    }

    public FlowBuilder handOff(String step, String team, String closed, String nobody) {
        Map<String, Target> exits = new LinkedHashMap<>(exits("closed", closed));
        exits.putAll(exits("nobody", nobody));
        return add(new HandOff(step, "", "", List.of("Passing you on."), team, "", 0, "Nobody is in.", exits));
    }

    public FlowBuilder goTo(String step, String to, boolean comeBack, String back) {
        Map<String, Target> exits = new LinkedHashMap<>(exits("to", to));
        exits.putAll(exits("back", back));
        return add(new Step.GoTo(step, "", "", comeBack, false, exits));
    }

    public FlowBuilder end(String step, String text) {
        return add(new Step.End(step, "", "", List.of(text), false, "", Map.of()));
    }

    /** Adds a step from its JSON form, in which single quotes stand for double ones. */
    public FlowBuilder json(String json) {
        return add(StepJson.step(tools.jackson.databind.json.JsonMapper.shared().readTree(json.replace('\'', '"'))));
    }

    public FlowBuilder add(Step step) {
        steps.add(step);
        return this;
    }

    /** Leads an exit of a step already added. */
    public FlowBuilder lead(String step, String exit, String target) {
        steps.replaceAll(s -> s.id().equals(step) ? s.withExit(exit, target(target)) : s);
        return this;
    }

    public Flow build() {
        return new Flow(id, id, phrases, List.of(new Section("s1", "All", steps)));
    }

    private static Map<String, Target> exits(String slot, String target) {
        return target == null ? Map.of() : Map.of(slot, target(target));
    }

    private static Target target(String target) {
        return target.contains(":") || target.equals("back") || target.equals("end")
                ? Target.parse(target)
                : Target.step(target);
    }
}
