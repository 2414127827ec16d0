package com.shuttle.core.edit;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What differs between two states of a flow, step by step. Steps are the same when their ids are. A step counts as moved
 * when it is not in the longest common subsequence of the two orders, so that moving one row over ten others tells of one
 * step and not of ten. Pure functions; time grows with n log n of the steps.
 */
public final class FlowDiff {

    private FlowDiff() {}

    public enum Sort {
        ADDED,
        REMOVED,
        CHANGED,
        MOVED,
        FLOW
    }

    /**
     * One step's difference.
     *
     * @param step    its id; empty for what belongs to the flow as a whole
     * @param details what differs; empty for a step that only moved
     */
    public record Change(Sort sort, String step, String kind, String name, List<Detail> details) {
        public Change {
            details = List.copyOf(details);
        }
    }

    /** One value. {@code before} or {@code after} is empty where there was or is none. */
    public record Detail(String what, String before, String after) {}

    /** Differences in the order of {@code after}, with what was removed where it stood. */
    public static List<Change> between(Flow before, Flow after) {
        List<Change> changes = new ArrayList<>(flowItself(before, after));
        Map<String, Step> old = byId(before);
        Map<String, Step> now = byId(after);
        Set<String> still = inPlace(before, after);
        for (String id : order(before, after)) {
            Step was = old.get(id);
            Step is = now.get(id);
            if (was == null) {
                Step added = requireNonNull(is);
                changes.add(new Change(Sort.ADDED, id, added.kind().label(), added.name(), texts(added, false)));
            } else if (is == null) {
                changes.add(new Change(Sort.REMOVED, id, was.kind().label(), was.name(), texts(was, true)));
            } else {
                List<Detail> details = details(before, was, after, is);
                if (!details.isEmpty() || !still.contains(id)) {
                    Sort sort = details.isEmpty() ? Sort.MOVED : Sort.CHANGED;
                    changes.add(new Change(sort, id, is.kind().label(), is.name(), details));
                }
            }
        }
        return changes;
    }

    private static List<Change> flowItself(Flow before, Flow after) {
        List<Detail> details = new ArrayList<>();
        differs(details, "the name", before.name(), after.name());
        differs(details, "the phrases", String.join("\n", before.phrases()), String.join("\n", after.phrases()));
        differs(details, "the sections", headings(before), headings(after));
        return details.isEmpty() ? List.of() : List.of(new Change(Sort.FLOW, "", "Flow", after.name(), details));
    }

    private static String headings(Flow flow) {
        return String.join(
                "\n",
                flow.sections().stream()
                        .map(Section::title)
                        .filter(t -> !t.isBlank())
                        .toList());
    }

    private static void differs(List<Detail> details, String what, String before, String after) {
        if (!before.equals(after)) {
            details.add(new Detail(what, before, after));
        }
    }

    /** The steps of {@code after}, each removed one after the step it stood below. */
    private static List<String> order(Flow before, Flow after) {
        Set<String> now = byId(after).keySet();
        Map<String, List<String>> removedBelow = new HashMap<>();
        String anchor = "";
        for (Step step : before.allSteps()) {
            if (now.contains(step.id())) {
                anchor = step.id();
            } else {
                removedBelow.computeIfAbsent(anchor, a -> new ArrayList<>()).add(step.id());
            }
        }
        List<String> order = new ArrayList<>(removedBelow.getOrDefault("", List.of()));
        for (String id : now) {
            order.add(id);
            order.addAll(removedBelow.getOrDefault(id, List.of()));
        }
        return order;
    }

    private static Map<String, Step> byId(Flow flow) {
        Map<String, Step> steps = new LinkedHashMap<>();
        flow.allSteps().forEach(step -> steps.put(step.id(), step));
        return steps;
    }

    /** The ids of a longest common subsequence, by patience sorting: ids are unique, so it is the longest rising run. */
    private static Set<String> inPlace(Flow before, Flow after) {
        Map<String, Integer> at = new HashMap<>();
        before.allSteps().forEach(step -> at.putIfAbsent(step.id(), at.size()));
        List<Step> kept = after.allSteps().stream()
                .filter(step -> at.containsKey(step.id()))
                .toList();
        int[] from = new int[kept.size()];
        int[] tails = new int[kept.size()];
        int length = 0;
        for (int i = 0; i < kept.size(); i++) {
            int low = 0;
            int high = length;
            while (low < high) {
                int middle = (low + high) >>> 1;
                if (requireNonNull(at.get(kept.get(tails[middle]).id()))
                        < requireNonNull(at.get(kept.get(i).id()))) {
                    low = middle + 1;
                } else {
                    high = middle;
                }
            }
            from[i] = low == 0 ? -1 : tails[low - 1];
            tails[low] = i;
            length = Math.max(length, low + 1);
        }
        Set<String> still = new HashSet<>();
        for (int i = length == 0 ? -1 : tails[length - 1]; i >= 0; i = from[i]) {
            still.add(kept.get(i).id());
        }
        return still;
    }

    /** What a step said, for one that came or went. */
    private static List<Detail> texts(Step step, boolean gone) {
        return step.wordings().stream()
                .filter(text -> !text.isBlank())
                .map(text -> gone ? new Detail("the wording", text, "") : new Detail("the wording", "", text))
                .toList();
    }

    private static List<Detail> details(Flow before, Step was, Flow after, Step is) {
        List<Detail> details = new ArrayList<>();
        ObjectNode old = StepJson.tree(was);
        ObjectNode now = StepJson.tree(is);
        Set<String> keys = new LinkedHashSet<>(old.propertyNames());
        keys.addAll(now.propertyNames());
        keys.removeAll(Set.of("id", "exits"));
        for (String key : keys) {
            differs(details, is.kind().shape().inWords(key), words(old.get(key)), words(now.get(key)));
        }
        Set<String> exits = new LinkedHashSet<>(was.exits().keySet());
        exits.addAll(is.exits().keySet());
        for (String exit : exits) {
            String led = FlowEditor.inWords(before, was.exit(exit));
            String leads = FlowEditor.inWords(after, is.exit(exit));
            if (!java.util.Objects.equals(was.exit(exit), is.exit(exit))) {
                details.add(new Detail("where “" + label(is, was, exit) + "” leads", led, leads));
            }
        }
        return details;
    }

    private static String label(Step is, Step was, String exit) {
        return java.util.stream.Stream.of(is, was)
                .flatMap(step -> step.slots().stream())
                .filter(slot -> slot.id().equals(exit))
                .map(ExitSlot::label)
                .findFirst()
                .orElse(exit);
    }

    /** A value as a designer reads it: texts as they are, lists a line each, parts as "name: value". */
    private static String words(JsonNode node) {
        return switch (node) {
            case null -> "";
            case ArrayNode array -> {
                List<String> lines = new ArrayList<>();
                array.forEach(item -> lines.add(words(item)));
                yield String.join("\n", lines);
            }
            case ObjectNode object -> {
                List<String> parts = new ArrayList<>();
                object.properties().forEach(property -> {
                    String value = words(property.getValue());
                    boolean dull = value.isEmpty()
                            || value.equals("false")
                            || property.getKey().equals("id");
                    if (!dull) {
                        parts.add(
                                Arrays.asList("label", "name").contains(property.getKey())
                                        ? value
                                        : property.getKey() + ": " + value);
                    }
                });
                yield String.join(", ", parts);
            }
            default -> node.isNull() ? "" : node.asString();
        };
    }
}
