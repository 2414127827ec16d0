package com.shuttle.core.edit;

import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Refusal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The items in the lists of steps, as the kinds' shapes have them. */
final class Parts {

    private static final int MOST = 100;

    private Parts() {}

    /** A list in the making: what its items are, and the items. */
    private record Found(Items items, ArrayNode array) {}

    /** What one item of a list is called. */
    static String called(Step step, String list) {
        return found(step, StepJson.tree(step), list).items().inWords();
    }

    /** A step with a blank item more, after another one or at the end. */
    static Step add(Step step, String list, @Nullable String after) {
        ObjectNode tree = StepJson.tree(step);
        Found found = found(step, tree, list);
        if (found.array().size() >= Math.min(MOST, found.items().most())) {
            throw new Refusal("There can be " + Math.min(MOST, found.items().most()) + " at most.");
        }
        int at = after == null ? found.array().size() : Fields.item(found.items(), found.array(), after) + 1;
        found.array().insert(at, blank(found));
        return Fields.fitted(tree);
    }

    static Step delete(Step step, String list, String item) {
        ObjectNode tree = StepJson.tree(step);
        Found found = found(step, tree, list);
        found.array().remove(Fields.item(found.items(), found.array(), item));
        return Fields.fitted(tree);
    }

    /** A step with one item moved up (negative) or down among its list. */
    static Step move(Step step, String list, String item, int by) {
        ObjectNode tree = StepJson.tree(step);
        Found found = found(step, tree, list);
        ArrayNode array = found.array();
        int from = Fields.item(found.items(), array, item);
        int to = Math.clamp((long) from + by, 0, array.size() - 1);
        List<JsonNode> order = new ArrayList<>();
        array.forEach(order::add);
        order.add(to, order.remove(from));
        array.removeAll();
        order.forEach(array::add);
        return Fields.fitted(tree);
    }

    /** The list at a path: {@code options}, or that of an item, {@code facts.transport.options}. */
    private static Found found(Step step, ObjectNode tree, String list) {
        Spot spot = Spot.of(step, tree, list);
        if (spot.property() instanceof Items items) {
            return new Found(items, spot.owner().withArray(items.name()));
        }
        throw spot.missing();
    }

    private static ObjectNode blank(Found found) {
        Items items = found.items();
        ObjectNode blank = (ObjectNode) items.blank().deepCopy();
        if (!items.key().isEmpty()) {
            blank.put(items.key(), free(found.array(), items.key(), items.prefix()));
        }
        return blank;
    }

    private static String free(ArrayNode array, String key, String prefix) {
        Set<String> taken = new HashSet<>();
        array.forEach(item -> taken.add(item.path(key).asString("")));
        int n = 1;
        while (taken.contains(prefix + n)) {
            n++;
        }
        return prefix + n;
    }
}
