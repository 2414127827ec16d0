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

    /** What a list says beneath its name. @param mainFlow id of the flow where conversations start */
    public String words(String mainFlow) {
        StringBuilder words = new StringBuilder(steps == 1 ? "1 step" : steps + " steps");
        if (id.equals(mainFlow)) {
            words.append(", where conversations start");
        }
        if (!phrases.isEmpty()) {
            words.append(", ").append(phrases.size()).append(phrases.size() == 1 ? " phrase" : " phrases");
        }
        if (!calledBy.isEmpty()) {
            words.append(", called by ").append(String.join(", ", calledBy));
        }
        return words.toString();
    }
}
