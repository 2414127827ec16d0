package com.shuttle.studio;

import com.shuttle.bots.Draft;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.core.script.ScriptLayout;
import com.shuttle.web.Json;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A flow as the script shows it.
 *
 * @param layout JSON of the {@link ScriptLayout}, for the drawing of the threads
 */
public record ScriptView(Draft draft, List<SectionView> sections, String layout, int steps) {

    /** @param first whether it is the first of the flow, which keeps its place */
    public record SectionView(String id, String title, boolean first, List<RowView> rows) {}

    /**
     * One row.
     *
     * @param index of the row in the flow, from 0
     */
    public record RowView(int index, Step step, String kind, List<ExitView> exits, StepSettings.Editor editor) {

        /** What more an option of a Choice has. */
        public List<Setting> option(String id) {
            return StepSettings.option(step, id);
        }

        /** The exit by which it naturally goes on; empty where each exit is its own way, or there is none. */
        public String way() {
            boolean parts = List.of("choice", "branch", "experiment").contains(kind);
            return parts || exits.isEmpty() ? "" : exits.getFirst().id();
        }

        /** The exits that have no place of their own among the settings. */
        public List<ExitView> others() {
            return exits.stream()
                    .filter(exit -> !exit.id().contains(":")
                            && !exit.id().equals("to")
                            && !exit.id().equals("back"))
                    .toList();
        }

        /** The exit of this id; for templates that place exits one by one. */
        public @Nullable ExitView exit(String id) {
            return exits.stream()
                    .filter(exit -> exit.id().equals(id))
                    .findFirst()
                    .orElse(null);
        }
    }

    /**
     * An exit with where it leads, in words.
     *
     * @param target in its JSON form; empty for nowhere
     * @param words  e.g. "Plan a visit"; for an exit that leads nowhere what happens then
     * @param below  whether it leads to the very next row, which needs no words
     * @param row    index of the row it leads to; -1 for none
     */
    public record ExitView(
            String id, String label, String target, String words, boolean below, boolean usual, int row) {}

    static ScriptView of(Draft draft, Map<String, String> flowNames, List<Setting.Choice> teams) {
        Flow flow = draft.flow();
        List<Step> steps = flow.allSteps();
        Map<String, Integer> rowOf = new HashMap<>();
        for (int i = 0; i < steps.size(); i++) {
            rowOf.put(steps.get(i).id(), i);
        }
        List<SectionView> sections = new ArrayList<>();
        int index = 0;
        for (Section section : flow.sections()) {
            List<RowView> rows = new ArrayList<>();
            for (Step step : section.steps()) {
                List<ExitView> exits = new ArrayList<>();
                for (ExitSlot slot : step.slots()) {
                    exits.add(exit(step, slot, index, steps, rowOf, flowNames));
                }
                rows.add(new RowView(
                        index++, step, step.kind().key(), List.copyOf(exits), StepSettings.of(step, teams)));
            }
            sections.add(new SectionView(section.id(), section.title(), sections.isEmpty(), List.copyOf(rows)));
        }
        return new ScriptView(draft, List.copyOf(sections), Json.write(ScriptLayout.of(flow)), steps.size());
    }

    private static ExitView exit(
            Step step,
            ExitSlot slot,
            int index,
            List<Step> steps,
            Map<String, Integer> rowOf,
            Map<String, String> flowNames) {
        Target target = step.exit(slot.id());
        int row = target instanceof Target.ToStep(String id) ? rowOf.getOrDefault(id, -1) : -1;
        String words = switch (target) {
            case null -> nowhere(slot);
            case Target.ToStep ignored ->
                row < 0 ? "a step that is gone" : steps.get(row).name();
            case Target.ToFlow(String flow) -> "the flow " + flowNames.getOrDefault(flow, flow);
            case Target.Back ignored -> "back to where it came from";
            case Target.End ignored -> "the end";
        };
        return new ExitView(
                slot.id(),
                slot.label(),
                target == null ? "" : target.text(),
                words,
                row == index + 1,
                slot.usual(),
                row);
    }

    private static String nowhere(ExitSlot slot) {
        return switch (slot.id()) {
            case "otherwise" -> "asks the knowledge";
            case "gave_up" -> "offers a person";
            case "skipped" -> "as answered";
            case "back" -> "rests, open to any question";
            case "declined" -> "leads nowhere yet";
            case "suggested" -> "as answered";
            case "closed" -> "ends";
            default -> "leads nowhere yet";
        };
    }
}
