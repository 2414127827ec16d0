package com.shuttle.core.edit;

import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepKind;
import com.shuttle.core.flow.Target;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Applies edits to flows. Pure functions; a flow is never changed in place. */
public final class FlowEditor {

    /** The most steps a flow may have. */
    public static final int MOST_STEPS = 5000;

    private static final Pattern ID = Pattern.compile("[a-z](\\d+)");

    private FlowEditor() {}

    /** Applies one edit. */
    public static Edited apply(Flow flow, Edit edit) {
        try {
            return switch (edit) {
                case Edit.Add add -> add(flow, add);
                case Edit.Delete(String step) -> delete(flow, find(flow, step));
                case Edit.Move(String step, int by) -> move(flow, find(flow, step), by);
                case Edit.Become(String step, StepKind kind) -> become(flow, find(flow, step), kind);
                case Edit.Set(String id, String field, String value) -> {
                    Step step = find(flow, id);
                    Step changed = Fields.set(step, field, value);
                    String words = field.equals("title")
                            ? "named a step “" + changed.name() + "”"
                            : "changed " + Fields.inWords(field) + " of “" + changed.name() + "”";
                    yield done(replace(flow, changed), words, id);
                }
                case Edit.Lead(String id, String exit, String target) -> lead(flow, find(flow, id), exit, target);
                case Edit.AddItem(String id, String list, String after) -> {
                    Step changed = Parts.add(find(flow, id), list, after);
                    yield done(
                            replace(flow, changed), "added " + Parts.called(list) + " to “" + changed.name() + "”", id);
                }
                case Edit.DeleteItem(String id, String list, String item) -> {
                    Step changed = Parts.delete(find(flow, id), list, item);
                    yield done(
                            replace(flow, changed),
                            "removed " + Parts.called(list) + " of “" + changed.name() + "”",
                            id);
                }
                case Edit.MoveItem(String id, String list, String item, int by) -> {
                    Step changed = Parts.move(find(flow, id), list, item, by);
                    yield done(
                            replace(flow, changed), "moved " + Parts.called(list) + " of “" + changed.name() + "”", id);
                }
                case Edit.RenameVariable(String from, String to) ->
                    done(Renaming.rename(flow, from, to), "renamed the variable " + from + " to " + to, "");
                case Edit.AddWording(String id) -> {
                    Step step = find(flow, id);
                    List<String> wordings = new ArrayList<>(step.wordings());
                    wordings.add("");
                    yield done(
                            replace(flow, Fields.withWordings(step, wordings)),
                            "added a wording to “" + step.name() + "”",
                            id);
                }
                case Edit.DeleteWording(String id, int index) -> {
                    Step step = find(flow, id);
                    if (step.wordings().size() < 2
                            || index < 0
                            || index >= step.wordings().size()) {
                        throw new Refusal("The last wording cannot be removed.");
                    }
                    List<String> wordings = new ArrayList<>(step.wordings());
                    wordings.remove(index);
                    yield done(
                            replace(flow, Fields.withWordings(step, wordings)),
                            "removed a wording of “" + step.name() + "”",
                            id);
                }
                case Edit.AddSection(String id) -> addSection(flow, find(flow, id));
                case Edit.NameSection(String id, String title) -> nameSection(flow, id, title);
                case Edit.DeleteSection(String id) -> deleteSection(flow, id);
            };
        } catch (Refusal refusal) {
            return new Edited.Refused(refusal.getMessage());
        }
    }

    /** Stops an edit halfway; never leaves this package. */
    static final class Refusal extends RuntimeException {
        private static final long serialVersionUID = 1;

        Refusal(String why) {
            super(why, null, false, false);
        }
    }

    private static Edited add(Flow flow, Edit.Add add) {
        if (flow.allSteps().size() >= MOST_STEPS) {
            throw new Refusal("A flow can have " + MOST_STEPS + " steps at most.");
        }
        Step blank = add.kind().blank(newId(flow));
        if (add.after() == null) {
            Step first = flow.firstStep();
            Section top = flow.sections().getFirst();
            List<Step> steps = new ArrayList<>(top.steps());
            steps.addFirst(first == null ? blank : Ways.leadOn(blank, Target.step(first.id())));
            return done(withSection(flow, top.withSteps(steps)), "added a " + label(blank), blank.id());
        }
        Step after = find(flow, add.after());
        String exit = add.exit() != null ? add.exit() : Ways.wayOnBelow(after);
        Flow changed = flow;
        if (exit != null) {
            requireSlot(after, exit);
            Target before = after.exit(exit);
            blank = before == null ? blank : Ways.leadOn(blank, before);
            changed = replace(flow, after.withExit(exit, Target.step(blank.id())));
        }
        Step placed = blank;
        String above = exit == null ? after.id() : Ways.endOfBranchesBefore(flow, after, exit);
        changed = mapSections(changed, section -> {
            int at = indexIn(section, above);
            if (at < 0) {
                return section;
            }
            List<Step> steps = new ArrayList<>(section.steps());
            steps.add(at + 1, placed);
            return section.withSteps(steps);
        });
        return done(changed, "added a " + label(blank) + " after “" + after.name() + "”", blank.id());
    }

    private static Edited delete(Flow flow, Step step) {
        List<Step> all = flow.allSteps();
        int at = all.indexOf(step);
        Target on = step.slots().isEmpty()
                ? null
                : step.exit(step.slots().getFirst().id());
        Target heal = on instanceof Target.ToStep(String id) && id.equals(step.id()) ? null : on;
        Flow without = mapSections(
                flow,
                section -> section.withSteps(section.steps().stream()
                        .filter(other -> !other.id().equals(step.id()))
                        .map(other -> redirected(other, step.id(), heal))
                        .toList()));
        String focus = all.size() == 1 ? "" : all.get(at == 0 ? 1 : at - 1).id();
        return done(without, "deleted “" + step.name() + "”", focus);
    }

    private static Step redirected(Step step, String from, @Nullable Target to) {
        Step changed = step;
        for (Map.Entry<String, Target> exit : step.exits().entrySet()) {
            if (exit.getValue() instanceof Target.ToStep(String id) && id.equals(from)) {
                changed = changed.withExit(exit.getKey(), to);
            }
        }
        return changed;
    }

    private static Edited move(Flow flow, Step step, int by) {
        Flow changed = flow;
        for (int i = 0; i < Math.abs((long) by) && i < MOST_STEPS; i++) {
            changed = moveOne(changed, step, by < 0 ? -1 : 1);
        }
        return done(changed, "moved “" + step.name() + "” " + (by < 0 ? "up" : "down"), step.id());
    }

    /** One row up or down; at the edge of a section into the next one. */
    private static Flow moveOne(Flow flow, Step step, int by) {
        List<List<Step>> sections = new ArrayList<>();
        flow.sections().forEach(section -> sections.add(new ArrayList<>(section.steps())));
        for (int s = 0; s < sections.size(); s++) {
            int at = sections.get(s).indexOf(step);
            if (at < 0) {
                continue;
            }
            int to = at + by;
            if (to >= 0 && to < sections.get(s).size()) {
                sections.get(s).remove(at);
                sections.get(s).add(to, step);
            } else if (s + by >= 0 && s + by < sections.size()) {
                sections.get(s).remove(at);
                List<Step> next = sections.get(s + by);
                next.add(by < 0 ? next.size() : 0, step);
            }
            break;
        }
        List<Section> moved = new ArrayList<>();
        for (int s = 0; s < sections.size(); s++) {
            moved.add(flow.sections().get(s).withSteps(sections.get(s)));
        }
        return new Flow(flow.id(), flow.name(), flow.phrases(), moved);
    }

    private static Edited become(Flow flow, Step step, StepKind kind) {
        if (step.kind() == kind) {
            return done(flow, "kept “" + step.name() + "”", step.id());
        }
        String on = Ways.wayOn(step);
        Target target = on == null ? null : step.exit(on);
        Step changed = Fields.set(Fields.set(kind.blank(step.id()), "title", step.title()), "note", step.note());
        if (!changed.wordings().isEmpty() && !step.wordings().isEmpty()) {
            changed = Fields.withWordings(changed, step.wordings());
        }
        changed = target == null ? changed : Ways.leadOn(changed, target);
        return done(replace(flow, changed), "made “" + step.name() + "” a " + label(changed), step.id());
    }

    private static Edited lead(Flow flow, Step step, String exit, @Nullable String to) {
        requireSlot(step, exit);
        Target target;
        try {
            target = to == null || to.isBlank() ? null : Target.parse(to);
        } catch (IllegalArgumentException e) {
            throw new Refusal("That is no place to lead to.");
        }
        if (target instanceof Target.ToStep(String id)) {
            find(flow, id);
        }
        String name = step.slots().stream()
                .filter(slot -> slot.id().equals(exit))
                .map(ExitSlot::label)
                .findFirst()
                .orElse(exit);
        return done(
                replace(flow, step.withExit(exit, target)),
                "led “" + name + "” of “" + step.name() + "” " + inWords(flow, target),
                step.id());
    }

    private static Edited addSection(Flow flow, Step step) {
        Set<String> ids = new HashSet<>();
        flow.sections().forEach(section -> ids.add(section.id()));
        int n = 1;
        while (ids.contains("s" + n)) {
            n++;
        }
        List<Section> sections = new ArrayList<>();
        for (Section section : flow.sections()) {
            int at = indexIn(section, step.id());
            if (at < 0) {
                sections.add(section);
            } else {
                sections.add(section.withSteps(section.steps().subList(0, at)));
                sections.add(new Section(
                        "s" + n, "", section.steps().subList(at, section.steps().size())));
            }
        }
        return done(new Flow(flow.id(), flow.name(), flow.phrases(), sections), "began a section", step.id());
    }

    private static Edited nameSection(Flow flow, String id, String title) {
        Flow changed = mapSections(
                flow,
                section -> section.id().equals(id) ? new Section(id, Fields.line(title), section.steps()) : section);
        return done(changed, "named a section “" + Fields.line(title) + "”", "");
    }

    private static Edited deleteSection(Flow flow, String id) {
        List<Section> sections = new ArrayList<>();
        for (Section section : flow.sections()) {
            if (section.id().equals(id) && !sections.isEmpty()) {
                List<Step> joined = new ArrayList<>(sections.getLast().steps());
                joined.addAll(section.steps());
                sections.set(sections.size() - 1, sections.getLast().withSteps(joined));
            } else if (section.id().equals(id)) {
                sections.add(new Section(id, "", section.steps()));
            } else {
                sections.add(section);
            }
        }
        return done(new Flow(flow.id(), flow.name(), flow.phrases(), sections), "removed a heading", "");
    }

    // Parts

    private static Step find(Flow flow, String id) {
        return flow.findStep(id).orElseThrow(() -> new Refusal("That step is no longer there."));
    }

    private static void requireSlot(Step step, String exit) {
        if (step.slots().stream().noneMatch(slot -> slot.id().equals(exit))) {
            throw new Refusal("That exit is no longer there.");
        }
    }

    private static String newId(Flow flow) {
        int most = 0;
        for (Step step : flow.allSteps()) {
            var matcher = ID.matcher(step.id());
            if (matcher.matches() && matcher.group(1).length() < 9) {
                most = Math.max(most, Integer.parseInt(matcher.group(1)));
            }
        }
        return "n" + (most + 1);
    }

    private static int indexIn(Section section, String step) {
        for (int i = 0; i < section.steps().size(); i++) {
            if (section.steps().get(i).id().equals(step)) {
                return i;
            }
        }
        return -1;
    }

    private static Flow replace(Flow flow, Step changed) {
        return mapSections(
                flow,
                section -> section.withSteps(section.steps().stream()
                        .map(step -> step.id().equals(changed.id()) ? changed : step)
                        .toList()));
    }

    private static Flow withSection(Flow flow, Section changed) {
        return mapSections(flow, section -> section.id().equals(changed.id()) ? changed : section);
    }

    private static Flow mapSections(Flow flow, UnaryOperator<Section> change) {
        return new Flow(
                flow.id(),
                flow.name(),
                flow.phrases(),
                flow.sections().stream().map(change).toList());
    }

    private static String label(Step step) {
        return step.kind().label();
    }

    private static String inWords(Flow flow, @Nullable Target target) {
        return switch (target) {
            case null -> "nowhere";
            case Target.ToStep(String id) ->
                "to “" + flow.findStep(id).map(Step::name).orElse(id) + "”";
            case Target.ToFlow(String id) -> "to the flow " + id;
            case Target.Back ignored -> "back";
            case Target.End ignored -> "to the end";
        };
    }

    private static Edited done(Flow flow, String words, String focus) {
        return new Edited.Done(flow, words, focus);
    }
}
