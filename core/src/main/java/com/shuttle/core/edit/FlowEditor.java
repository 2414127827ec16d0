package com.shuttle.core.edit;

import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.StepKind;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property;
import com.shuttle.core.flow.shape.Refusal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
                case Edit.Set(String id, String field, String value, String was) -> {
                    Step step = find(flow, id);
                    String stands = was == null ? null : Fields.text(step, field);
                    if (stands != null && !stands.equals(was) && !stands.equals(value)) {
                        yield new Edited.Clash(stands);
                    }
                    Step changed = Proposals.retyped(flow, step, Fields.set(step, field, value));
                    String words = field.equals("title")
                            ? "named a step “" + changed.name() + "”"
                            : "changed " + Fields.inWords(changed, field) + " of “" + changed.name() + "”";
                    yield done(replace(flow, changed), words, id);
                }
                case Edit.Lead(String id, String exit, String target) -> lead(flow, find(flow, id), exit, target);
                case Edit.AddItem(String id, String list, String after) -> {
                    Step changed = Parts.add(find(flow, id), list, after);
                    yield done(
                            replace(flow, changed),
                            "added " + Parts.called(changed, list) + " to “" + changed.name() + "”",
                            id);
                }
                case Edit.DeleteItem(String id, String list, String item) -> {
                    Step changed = Parts.delete(find(flow, id), list, item);
                    yield done(
                            replace(flow, changed),
                            "removed " + Parts.called(changed, list) + " of “" + changed.name() + "”",
                            id);
                }
                case Edit.MoveItem(String id, String list, String item, int by) -> {
                    Step changed = Parts.move(find(flow, id), list, item, by);
                    yield done(
                            replace(flow, changed),
                            "moved " + Parts.called(changed, list) + " of “" + changed.name() + "”",
                            id);
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
                case Edit.AddSection(String id) -> Sections.add(flow, find(flow, id));
                case Edit.NameSection(String id, String title) -> Sections.name(flow, id, title);
                case Edit.DeleteSection(String id) -> Sections.delete(flow, id);
                case Edit.Paste(String after, List<Step> steps) ->
                    done(Copies.paste(flow, after, steps), Copies.words("pasted", steps), Copies.focus(flow, steps));
                case Edit.Duplicate(List<String> ids) -> {
                    List<Step> steps = Copies.chosen(flow, ids);
                    yield done(
                            Copies.paste(flow, steps.getLast().id(), steps),
                            Copies.words("duplicated", steps),
                            Copies.focus(flow, steps));
                }
                case Edit.Replace replace -> {
                    Flow changed = Prose.replace(flow, replace.find(), replace.with(), replace.matchCase());
                    int places = Prose.find(flow, replace.find(), replace.matchCase())
                            .size();
                    yield done(
                            changed,
                            "replaced “" + Forms.line(replace.find()) + "” by “" + Forms.line(replace.with()) + "” in "
                                    + places + (places == 1 ? " place" : " places"),
                            "");
                }
                case Edit.Several(List<Edit> edits) -> several(flow, edits);
                case Edit.Pin(String id, int x, int y) -> {
                    Map<String, Flow.Pin> pins = new HashMap<>(flow.pins());
                    pins.put(find(flow, id).id(), new Flow.Pin(x, y));
                    yield done(flow.withPins(pins), "moved “" + find(flow, id).name() + "” on the map", id);
                }
                case Edit.Unpin ignored -> done(flow.withPins(Map.of()), "let the map place all steps again", "");
            };
        } catch (Refusal refusal) {
            return new Edited.Refused(refusal.sentence());
        }
    }

    /** The text that a {@link Edit.Set} left in its field, which may be cleaner than what was typed; null for other edits. */
    public static @Nullable String stored(Flow flow, Edit edit) {
        return edit instanceof Edit.Set set
                ? flow.findStep(set.step())
                        .map(step -> Fields.text(step, set.field()))
                        .orElse(null)
                : null;
    }

    /** Whether a field of a step holds a condition; no for a field that there is not. */
    public static boolean isCondition(Step step, String field) {
        try {
            return Spot.of(step, StepJson.tree(step), field).property() instanceof Property.Field one
                    && one.form().control() == Form.Control.CONDITION;
        } catch (Refusal none) {
            return false;
        }
    }

    /** All or none; told in the words of the only one, or of the first with the number of the others. */
    private static Edited several(Flow flow, List<Edit> edits) {
        if (edits.isEmpty() || edits.size() > MOST_STEPS) {
            throw new Refusal("There is nothing to change.");
        }
        Flow changed = flow;
        List<Edited.Done> all = new ArrayList<>();
        for (Edit edit : edits) {
            if (!(apply(changed, edit) instanceof Edited.Done done)) {
                throw new Refusal("One of these changes cannot be made, so none was.");
            }
            all.add(done);
            changed = done.flow();
        }
        int others = all.size() - 1;
        String first = all.getFirst().words();
        String words = others == 0 ? first : first + ", and " + others + (others == 1 ? " more" : " more like it");
        return done(changed, words, all.getLast().focus());
    }

    private static Edited add(Flow flow, Edit.Add add) {
        if (flow.allSteps().size() >= MOST_STEPS) {
            throw new Refusal("A flow can have " + MOST_STEPS + " steps at most.");
        }
        Step blank = Proposals.begun(flow, add.kind().blank(newId(flow)));
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
        String way = Ways.wayOn(step);
        Target on = way != null
                ? step.exit(way)
                : step.slots().isEmpty()
                        ? null
                        : step.exit(step.slots().getFirst().id());
        Target heal = on instanceof Target.ToStep(String id) && id.equals(step.id()) ? null : on;
        Map<String, Flow.Pin> pins = new HashMap<>(flow.pins());
        pins.remove(step.id());
        Flow without = mapSections(
                flow.withPins(pins),
                section -> section.withSteps(section.steps().stream()
                        .filter(other -> !other.id().equals(step.id()))
                        .map(other -> redirected(other, step.id(), heal))
                        .toList()));
        String focus = all.size() == 1 ? "" : all.get(at == 0 ? 1 : at - 1).id();
        long led = all.stream()
                .filter(other -> !other.equals(step))
                .flatMap(other -> other.exits().values().stream())
                .filter(Target.step(step.id())::equals)
                .count();
        String healed = led == 0 ? "" : "; what led there now leads " + inWords(flow, heal);
        return done(without, "deleted “" + step.name() + "”" + healed, focus);
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
        return flow.withSections(moved);
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
        changed = Proposals.begun(flow, target == null ? changed : Ways.leadOn(changed, target));
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

    // Parts

    static Step find(Flow flow, String id) {
        return flow.findStep(id).orElseThrow(() -> new Refusal("That step is no longer there."));
    }

    static void requireSlot(Step step, String exit) {
        if (step.slots().stream().noneMatch(slot -> slot.id().equals(exit))) {
            throw new Refusal("That exit is no longer there.");
        }
    }

    static String newId(Flow flow) {
        int most = 0;
        for (Step step : flow.allSteps()) {
            var matcher = ID.matcher(step.id());
            if (matcher.matches() && matcher.group(1).length() < 9) {
                most = Math.max(most, Integer.parseInt(matcher.group(1)));
            }
        }
        return "n" + (most + 1);
    }

    static int indexIn(Section section, String step) {
        for (int i = 0; i < section.steps().size(); i++) {
            if (section.steps().get(i).id().equals(step)) {
                return i;
            }
        }
        return -1;
    }

    static Flow replace(Flow flow, Step changed) {
        return mapSections(
                flow,
                section -> section.withSteps(section.steps().stream()
                        .map(step -> step.id().equals(changed.id()) ? changed : step)
                        .toList()));
    }

    private static Flow withSection(Flow flow, Section changed) {
        return mapSections(flow, section -> section.id().equals(changed.id()) ? changed : section);
    }

    static Flow mapSections(Flow flow, UnaryOperator<Section> change) {
        return flow.withSections(flow.sections().stream().map(change).toList());
    }

    private static String label(Step step) {
        return step.kind().label();
    }

    static String inWords(Flow flow, @Nullable Target target) {
        return switch (target) {
            case null -> "nowhere";
            case Target.ToStep(String id) ->
                "to “" + flow.findStep(id).map(Step::name).orElse(id) + "”";
            case Target.ToFlow(String id) -> "to the flow " + id;
            case Target.Back ignored -> "back";
            case Target.End ignored -> "to the end";
        };
    }

    static Edited done(Flow flow, String words, String focus) {
        return new Edited.Done(flow, words, focus);
    }
}
