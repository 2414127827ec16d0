package com.shuttle.core.edit;

import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.SaveLead;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Gives flows that were made while everybody who left name and email became a lead the step that makes one now: right behind the
 * last of the two, between it and where it led. Pure functions.
 */
public final class LeadsKept {

    private static final String ID = "lead-kept";

    private LeadsKept() {}

    /** The flow with the step; the same where it does not ask for both, or says already who is a lead. */
    public static Flow in(Flow flow) {
        List<Step> all = flow.allSteps();
        String name = variable(all, ValueType.PERSON_NAME);
        String email = variable(all, ValueType.EMAIL);
        boolean told = all.stream()
                .anyMatch(step ->
                        step instanceof SaveLead || step instanceof Step.Milestone milestone && milestone.lead());
        Step last = all.stream()
                .filter(step -> step.wayOn() != null)
                .filter(step -> asks(step, name) || asks(step, email))
                .reduce((earlier, later) -> later)
                .orElse(null);
        if (told || name.isEmpty() || email.isEmpty() || last == null) {
            return flow;
        }
        return inserted(flow, last, save(unused(all), name, email, variable(all, ValueType.PHONE), last));
    }

    private static String variable(List<Step> steps, ValueType type) {
        return steps.stream()
                .flatMap(step -> step.wants().stream())
                .filter(wanted -> wanted.type() == type)
                .map(Wanted::variable)
                .filter(variable -> !variable.isBlank())
                .findFirst()
                .orElse("");
    }

    private static boolean asks(Step step, String variable) {
        return step.wants().stream().anyMatch(wanted -> wanted.variable().equals(variable));
    }

    private static String unused(List<Step> steps) {
        String id = ID;
        for (int n = 2; taken(steps, id); n++) {
            id = ID + "-" + n;
        }
        return id;
    }

    private static boolean taken(List<Step> steps, String id) {
        return steps.stream().anyMatch(step -> step.id().equals(id));
    }

    private static SaveLead save(String id, String name, String email, String phone, Step after) {
        List<SaveLead.Cell> fields = new ArrayList<>(List.of(
                new SaveLead.Cell("f1", "name", "{{" + name + "}}"),
                new SaveLead.Cell("f2", "email", "{{" + email + "}}")));
        if (!phone.isEmpty()) {
            fields.add(new SaveLead.Cell("f3", "phone", "{{" + phone + "}}"));
        }
        Target led = after.exit(on(after).id());
        Map<String, Target> exits = led == null ? Map.of() : Map.of(SaveLead.SAVED.id(), led);
        return new SaveLead(id, "", "", fields, "", "", "", exits);
    }

    private static ExitSlot on(Step step) {
        @Nullable ExitSlot on = step.wayOn();
        return on == null ? ExitSlot.NEXT : on;
    }

    private static Flow inserted(Flow flow, Step after, SaveLead save) {
        List<Section> sections = new ArrayList<>();
        for (Section section : flow.sections()) {
            List<Step> steps = new ArrayList<>();
            for (Step step : section.steps()) {
                boolean here = step.id().equals(after.id());
                steps.add(here ? step.withExit(on(step).id(), Target.step(save.id())) : step);
                if (here) {
                    steps.add(save);
                }
            }
            sections.add(new Section(section.id(), section.title(), steps));
        }
        return new Flow(flow.id(), flow.name(), flow.phrases(), sections, flow.pins());
    }
}
