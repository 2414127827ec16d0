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
        Items gives = new Items(
                edits,
                step.id(),
                "gives",
                "g",
                step.gives().stream()
                        .map(give -> new Item(give.id(), give.input()))
                        .toList());
        gives.drop(service.inputs().stream().map(Service.Input::key).toList());
        service.inputs()
                .forEach(input -> gives.add(
                        input.key(),
                        "input",
                        input.key(),
                        "value",
                        known.contains(input.key()) ? "{{" + input.key() + "}}" : ""));
        Items takes = new Items(
                edits,
                step.id(),
                "takes",
                "t",
                step.takes().stream()
                        .map(take -> new Item(take.id(), take.output()))
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
        Items results = new Items(
                edits,
                step.id(),
                "results",
                "r",
                step.results().stream()
                        .map(result -> new Item(result.id(), result.result()))
                        .toList());
        results.drop(service.results().stream().map(Service.Result::key).toList());
        service.results().forEach(result -> results.add(result.key(), "result", result.key(), "name", result.name()));
        return edits;
    }

    private record Item(String id, String of) {}

    /** The items of one of the step's lists, while edits of it are gathered. */
    private static final class Items {
        private final List<Edit> edits;
        private final String step;
        private final String list;
        private final String prefix;
        private final List<Item> items;

        Items(List<Edit> edits, String step, String list, String prefix, List<Item> items) {
            this.edits = edits;
            this.step = step;
            this.list = list;
            this.prefix = prefix;
            this.items = new ArrayList<>(items);
        }

        /** Leaves out what is none of these. */
        void drop(List<String> wanted) {
            for (Item item : List.copyOf(items)) {
                if (!wanted.contains(item.of())) {
                    edits.add(new Edit.DeleteItem(step, list, item.id()));
                    items.remove(item);
                }
            }
        }

        /** Adds an item with these fields, unless there is one for the same. */
        void add(String of, String... fields) {
            if (items.stream().anyMatch(item -> item.of().equals(of))) {
                return;
            }
            int n = 1;
            while (true) {
                String id = prefix + n;
                if (items.stream().noneMatch(item -> item.id().equals(id))) {
                    break;
                }
                n++;
            }
            String id = prefix + n;
            items.add(new Item(id, of));
            edits.add(new Edit.AddItem(step, list, null));
            for (int i = 0; i < fields.length; i += 2) {
                edits.add(new Edit.Set(step, list + "." + id + "." + fields[i], fields[i + 1]));
            }
        }
    }
}
