package com.shuttle.core.edit;

import com.shuttle.core.edit.FlowEditor.Refusal;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The lists in steps: options, facts, rules, arms, computed values, checks and bubbles. */
final class Parts {

    /** Parts of a step that are objects, made when first set. */
    static final Set<String> OBJECTS = Set.of("limits", "media");

    /** What one item of a list is called. */
    private static final Map<String, String> LISTS = Map.of(
            "options", "an option",
            "facts", "a fact",
            "rules", "a rule",
            "arms", "an arm",
            "sets", "a value",
            "checks", "a check",
            "bubbles", "a bubble");

    private static final Map<String, String> PREFIXES = Map.of("options", "o", "rules", "r", "arms", "a", "sets", "c");
    private static final int MOST = 100;

    private Parts() {}

    static String called(String list) {
        String[] path = list.split("\\.");
        return LISTS.getOrDefault(path[path.length - 1], "a part");
    }

    /** A step with a blank item more, after another one or at the end. */
    static Step add(Step step, String list, @Nullable String after) {
        ObjectNode tree = StepJson.tree(step);
        ArrayNode items = items(tree, list, step);
        if (items.size() >= MOST) {
            throw new Refusal("There can be " + MOST + " at most.");
        }
        int at = after == null ? items.size() : Fields.item(items, after) + 1;
        items.insert(at, blank(name(list), items));
        return Fields.fitted(tree);
    }

    static Step delete(Step step, String list, String item) {
        ObjectNode tree = StepJson.tree(step);
        ArrayNode items = items(tree, list, step);
        items.remove(Fields.item(items, item));
        return Fields.fitted(tree);
    }

    /** A step with one item moved up (negative) or down among its list. */
    static Step move(Step step, String list, String item, int by) {
        ObjectNode tree = StepJson.tree(step);
        ArrayNode items = items(tree, list, step);
        int from = Fields.item(items, item);
        int to = Math.clamp((long) from + by, 0, items.size() - 1);
        List<JsonNode> order = new ArrayList<>();
        items.forEach(order::add);
        order.add(to, order.remove(from));
        items.removeAll();
        order.forEach(items::add);
        return Fields.fitted(tree);
    }

    /** The list at a path: {@code options}, or that of an item, {@code facts.transport.options}. */
    private static ArrayNode items(ObjectNode tree, String list, Step step) {
        String[] path = list.split("\\.");
        JsonNode at = tree;
        for (int i = 0; i < path.length - 1; i++) {
            at = switch (at) {
                case ObjectNode object -> object.path(path[i]);
                case ArrayNode array -> array.get(Fields.item(array, path[i]));
                default -> at;
            };
        }
        boolean own = path.length > 1
                || java.util.Arrays.stream(step.getClass().getRecordComponents())
                        .anyMatch(c -> c.getName().equals(list));
        if (!LISTS.containsKey(name(list)) || !own || !(at instanceof ObjectNode parent)) {
            throw new Refusal("A " + step.kind().label() + " has no " + name(list) + ".");
        }
        return parent.get(name(list)) instanceof ArrayNode array ? array : parent.putArray(name(list));
    }

    private static String name(String list) {
        return list.substring(list.lastIndexOf('.') + 1);
    }

    private static ObjectNode blank(String list, ArrayNode items) {
        ObjectNode blank = JsonNodeFactory.instance.objectNode();
        String prefix = PREFIXES.get(list);
        if (prefix != null) {
            blank.put("id", free(items, "id", prefix));
        }
        switch (list) {
            case "options" -> blank.put("label", "");
            case "facts" ->
                blank.put("variable", free(items, "variable", "fact_"))
                        .put("label", "")
                        .put("type", "text");
            case "arms" -> blank.put("name", "").put("weight", 50);
            case "bubbles" -> blank.putArray("say").add("");
            default -> {}
        }
        return blank;
    }

    private static String free(ArrayNode items, String key, String prefix) {
        Set<String> taken = new HashSet<>();
        items.forEach(item -> taken.add(item.path(key).asString("")));
        int n = 1;
        while (taken.contains(prefix + n)) {
            n++;
        }
        return prefix + n;
    }
}
