package com.shuttle.core.flow;

import com.shuttle.core.flow.shape.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tools.jackson.databind.node.ObjectNode;

/**
 * Names of things outside a flow, as files have them where their ids are not known: {@code @table/Telescopes} wherever the id
 * of a table belongs. What a reference is to, is told by the kind's {@link com.shuttle.core.flow.shape.Shape}. Pure functions.
 */
public final class Names {

    private Names() {}

    /** The things of a kind that there are. */
    @FunctionalInterface
    public interface Known {
        /** @param what as in {@link Form#refers}, such as {@code team} or {@code column of} the id of a table */
        List<Form.Value> all(String what);
    }

    /** A flow with ids for the names in it; or what is named and is not there, with its place. */
    public static FlowJson.Result resolved(Flow flow, Known known) {
        List<Fault> faults = new ArrayList<>();
        List<Section> sections = new ArrayList<>();
        for (int s = 0; s < flow.sections().size(); s++) {
            List<Step> steps = new ArrayList<>();
            for (int i = 0; i < flow.sections().get(s).steps().size(); i++) {
                Step step = flow.sections().get(s).steps().get(i);
                steps.add(resolved(step, "/sections/" + s + "/steps/" + i, known, faults));
            }
            sections.add(flow.sections().get(s).withSteps(steps));
        }
        return faults.isEmpty()
                ? new FlowJson.Result.Good(flow.withSections(sections))
                : new FlowJson.Result.Bad(faults);
    }

    private static Step resolved(Step step, String place, Known known, List<Fault> faults) {
        ObjectNode tree = StepJson.tree(step);
        boolean changed = step.kind().shape().map(tree, (form, text, top) -> {
            if (form.refers().isEmpty() || !text.startsWith("@")) {
                return text;
            }
            Optional<String> id = id(within(form.refers(), tree), text, known);
            if (id.isEmpty()) {
                String what = form.refers().replaceFirst("@.*", "");
                faults.add(new Fault(place + "/" + top.name(), "there is no " + what + " called “" + name(text) + "”"));
            }
            return id.orElse(text);
        });
        return changed ? StepJson.step(tree) : step;
    }

    /** What belongs to another thing that the step names is looked for there. */
    private static String within(String refers, ObjectNode step) {
        int at = refers.indexOf('@');
        return at < 0
                ? refers
                : refers.substring(0, at) + " of "
                        + step.path(refers.substring(at + 1)).asString("");
    }

    private static Optional<String> id(String what, String text, Known known) {
        String name = name(text).toLowerCase(Locale.ROOT);
        return known.all(what).stream()
                .filter(one -> one.label().toLowerCase(Locale.ROOT).equals(name))
                .map(Form.Value::value)
                .findFirst();
    }

    private static String name(String text) {
        return text.substring(text.indexOf('/') + 1);
    }
}
