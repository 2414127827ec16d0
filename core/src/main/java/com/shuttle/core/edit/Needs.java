package com.shuttle.core.edit;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import tools.jackson.databind.node.ObjectNode;

/** What the steps of a release refer to outside of it. Pure functions. */
public final class Needs {

    /**
     * A reference.
     *
     * @param what a thing of its own, such as {@code table}; columns and inputs belong to theirs and are left out
     * @param id   of the thing
     * @param step name of the step, {@code flow} of its flow
     */
    public record Need(String what, String id, String flow, String step) {}

    private Needs() {}

    /** In the order of the steps, each thing once for each step. */
    public static List<Need> of(Release release) {
        Set<Need> needs = new LinkedHashSet<>();
        for (Flow flow : release.flows()) {
            for (Step step : flow.allSteps()) {
                ObjectNode json = StepJson.tree(step);
                step.kind().shape().map(json, (form, text, top) -> {
                    if (!text.isBlank()
                            && !form.refers().isEmpty()
                            && form.refers().indexOf('@') < 0) {
                        needs.add(new Need(form.refers(), text, flow.name(), step.name()));
                    }
                    return text;
                });
            }
        }
        return new ArrayList<>(needs);
    }
}
