package com.shuttle.studio;

import com.shuttle.core.edit.Edit;
import com.shuttle.core.flow.CallService;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.service.Service;
import com.shuttle.services.Catalogue;
import com.shuttle.services.StoredService;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/**
 * When a step is given a service, its inputs, outputs and results come with it, as one edit. What the step has already for a
 * name that the service also has stays as it is, with where it leads.
 */
@Component
class CallFilling {

    private static final int MOST_OUTPUTS = 8;

    private final Catalogue services;

    CallFilling(Catalogue services) {
        this.services = services;
    }

    /** The edit as it is to be made; most are as they are. */
    Edit filled(Flow flow, Edit edit) {
        if (!(edit instanceof Edit.Set set)
                || !set.field().equals("service")
                || !(flow.findStep(set.step()).orElse(null) instanceof CallService step)) {
            return edit;
        }
        return services.published().stream()
                .filter(one -> one.id().equals(set.value()))
                .map(StoredService::published)
                .findFirst()
                .<Edit>map(service -> new Edit.Several(edits(flow, step, service, set)))
                .orElse(edit);
    }

    private static List<Edit> edits(Flow flow, CallService step, Service service, Edit.Set set) {
        Set<String> known = new HashSet<>();
        flow.allSteps().stream().map(Step::fills).forEach(fills -> known.addAll(fills.keySet()));
        List<Edit> edits = new ArrayList<>(List.of(set));
        ItemEdits gives = new ItemEdits(
                edits,
                step.id(),
                "gives",
                "g",
                step.gives().stream()
                        .map(give -> new ItemEdits.Item(give.id(), give.input()))
                        .toList());
        gives.drop(service.inputs().stream().map(Service.Input::key).toList());
        service.inputs()
                .forEach(input -> gives.add(
                        input.key(),
                        "input",
                        input.key(),
                        "value",
                        known.contains(input.key()) ? "{{" + input.key() + "}}" : ""));
        ItemEdits takes = new ItemEdits(
                edits,
                step.id(),
                "takes",
                "t",
                step.takes().stream()
                        .map(take -> new ItemEdits.Item(take.id(), take.output()))
                        .toList());
        takes.drop(service.outputs().stream().map(Service.Output::key).toList());
        service.outputs().stream()
                .limit(MOST_OUTPUTS)
                .forEach(output -> takes.add(
                        output.key(),
                        "output",
                        output.key(),
                        "variable",
                        output.key(),
                        "type",
                        output.kind().type().key()));
        ItemEdits results = new ItemEdits(
                edits,
                step.id(),
                "results",
                "r",
                step.results().stream()
                        .map(result -> new ItemEdits.Item(result.id(), result.result()))
                        .toList());
        results.drop(service.results().stream().map(Service.Result::key).toList());
        service.results().forEach(result -> results.add(result.key(), "result", result.key(), "name", result.name()));
        return edits;
    }
}
