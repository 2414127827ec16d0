package com.shuttle.core.edit;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.shape.Refusal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Copies of steps put into a flow. Pure functions. */
final class Copies {

    private Copies() {}

    /** The steps with these ids in the order of the flow. */
    static List<Step> chosen(Flow flow, List<String> ids) {
        Set<String> wanted = Set.copyOf(ids);
        List<Step> steps = flow.allSteps().stream()
                .filter(step -> wanted.contains(step.id()))
                .toList();
        if (steps.isEmpty()) {
            throw new Refusal("That step is no longer there.");
        }
        return steps;
    }

    static String words(String what, List<Step> steps) {
        return steps.size() == 1
                ? what + " “" + steps.getFirst().name() + "”"
                : what + " " + steps.size() + " steps from “" + steps.getFirst().name() + "” on";
    }

    /** The id that the first copy gets. */
    static String focus(Flow flow, List<Step> steps) {
        return newIds(flow, steps).values().iterator().next();
    }

    static Flow paste(Flow flow, @Nullable String after, List<Step> steps) {
        if (steps.isEmpty()) {
            throw new Refusal("There is nothing to paste.");
        }
        if (steps.stream().map(Step::id).distinct().count() < steps.size()) {
            throw new Refusal("What was copied has the same step twice.");
        }
        if (flow.allSteps().size() + steps.size() > FlowEditor.MOST_STEPS) {
            throw new Refusal("A flow can have " + FlowEditor.MOST_STEPS + " steps at most.");
        }
        Map<String, String> ids = newIds(flow, steps);
        Set<String> here = new HashSet<>();
        flow.allSteps().forEach(step -> here.add(step.id()));
        List<Step> copies = new ArrayList<>();
        steps.forEach(step -> copies.add(copy(step, ids, here)));
        return after == null ? atTop(flow, copies) : below(flow, FlowEditor.find(flow, after), copies);
    }

    /** Old id to new one, in order. */
    private static Map<String, String> newIds(Flow flow, List<Step> steps) {
        Map<String, String> ids = new LinkedHashMap<>();
        int next = Integer.parseInt(FlowEditor.newId(flow).substring(1));
        for (Step step : steps) {
            ids.put(step.id(), "n" + next++);
        }
        return ids;
    }

    private static Step copy(Step step, Map<String, String> ids, Set<String> here) {
        Map<String, Target> exits = new LinkedHashMap<>();
        step.exits().forEach((exit, target) -> {
            if (!(target instanceof Target.ToStep(String to))) {
                exits.put(exit, target);
            } else if (ids.containsKey(to)) {
                exits.put(exit, Target.step(ids.get(to)));
            } else if (here.contains(to)) {
                exits.put(exit, target);
            }
        });
        return StepJson.with(StepJson.with(step, "id", ids.get(step.id())), "exits", exits);
    }

    private static Flow atTop(Flow flow, List<Step> copies) {
        Step first = flow.firstStep();
        spliced(copies, first == null ? null : Target.step(first.id()));
        Section top = flow.sections().getFirst();
        return FlowEditor.mapSections(
                flow, section -> section.equals(top) ? section.withSteps(joined(copies, section.steps(), 0)) : section);
    }

    private static Flow below(Flow flow, Step after, List<Step> copies) {
        String exit = Ways.wayOnBelow(after);
        Flow led = flow;
        if (exit != null) {
            spliced(copies, after.exit(exit));
            led = FlowEditor.replace(
                    flow, after.withExit(exit, Target.step(copies.getFirst().id())));
        }
        String above = exit == null ? after.id() : Ways.endOfBranchesBefore(flow, after, exit);
        return FlowEditor.mapSections(led, section -> {
            int at = FlowEditor.indexIn(section, above);
            return at < 0 ? section : section.withSteps(joined(copies, section.steps(), at + 1));
        });
    }

    /** Leads the last copy on to where the thread went, unless it leads to one of the copies. */
    private static void spliced(List<Step> copies, @Nullable Target on) {
        Step last = copies.getLast();
        String way = Ways.wayOn(last);
        Set<Target> own = new HashSet<>();
        copies.forEach(copy -> own.add(Target.step(copy.id())));
        if (way != null && on != null && !own.contains(last.exit(way))) {
            copies.set(copies.size() - 1, last.withExit(way, on));
        }
    }

    private static List<Step> joined(List<Step> copies, List<Step> steps, int at) {
        List<Step> joined = new ArrayList<>(steps);
        joined.addAll(at, copies);
        return joined;
    }
}
