package com.shuttle.studio;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Target;
import java.util.ArrayList;
import java.util.List;

/**
 * A flow in the list of a bot's flows.
 *
 * @param phrases  what leads to it from anywhere
 * @param calledBy names of the flows with an exit that leads to it, in order
 */
record FlowRow(String id, String name, int steps, List<String> phrases, List<String> calledBy) {

    static List<FlowRow> of(List<Flow> flows) {
        List<FlowRow> rows = new ArrayList<>();
        for (Flow flow : flows) {
            Target here = new Target.ToFlow(flow.id());
            List<String> calling = flows.stream()
                    .filter(other -> other.allSteps().stream()
                            .anyMatch(step -> step.exits().containsValue(here)))
                    .map(Flow::name)
                    .toList();
            rows.add(new FlowRow(flow.id(), flow.name(), flow.allSteps().size(), flow.phrases(), calling));
        }
        return List.copyOf(rows);
    }
}
