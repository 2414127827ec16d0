package com.shuttle.studio;

import com.shuttle.bots.Draft;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.script.ScriptLayout;
import com.shuttle.web.Json;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A flow as the script shows it.
 *
 * @param layout JSON of the {@link ScriptLayout}, for the drawing of the threads
 */
public record ScriptView(Draft draft, List<SectionView> sections, String layout, int steps) {

    /** @param first whether it is the first of the flow, which keeps its place */
    public record SectionView(String id, String title, boolean first, List<RowView> rows) {

        /** How many steps are folded away with it. */
        public String count() {
            return rows.size() == 1 ? "1 step" : rows.size() + " steps";
        }

        /** What folding it is called. */
        public String folding() {
            return "Fold " + (title.isEmpty() ? "this section" : title);
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
            String id, String label, String target, String words, boolean below, ExitSlot.Role role, int row) {

        /** Whether a finished flow would lead it somewhere, and it leads nowhere. */
        public boolean open() {
            return target.isEmpty() && role != ExitSlot.Role.SIDE;
        }

        /** Whether it is worth a line only while its row is edited. */
        public boolean quiet() {
            return below && role != ExitSlot.Role.OWN || target.isEmpty() && role == ExitSlot.Role.SIDE;
        }
    }

    /** The row of a step; empty where there is none. */
    Optional<RowView> row(String step) {
        return sections.stream()
                .flatMap(section -> section.rows().stream())
                .filter(row -> row.step().id().equals(step))
                .findFirst();
    }

    /**
     * What the rows have to know of the world around the flow: the flows' names, and what references can be to.
     *
     * @param phones whether the bot answers on phones too
     */
    public record Around(Map<String, String> flows, Map<String, List<Form.Value>> references, boolean phones) {
        public static final Around NOTHING = new Around(Map.of(), Map.of(), false);

        /** The name of a thing that a step refers to; empty if it is not known. */
        String named(String id) {
            return references.values().stream()
                    .flatMap(List::stream)
                    .filter(value -> value.value().equals(id))
                    .map(Form.Value::label)
                    .findFirst()
                    .orElse("");
        }
    }

    static ScriptView of(Draft draft, Around around) {
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
                    exits.add(exit(step, slot, index, steps, rowOf, around.flows()));
                }
                rows.add(RowView.of(index++, step, exits, around));
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
            case null -> slot.unled();
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
                slot.role(),
                row);
    }
}
