package com.shuttle.core.edit;

import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.shape.Property;
import com.shuttle.core.flow.shape.Refusal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Where a path leads in the JSON form of a step: the property and the object that holds it.
 *
 * @param key of wordings, which of them; otherwise empty
 */
record Spot(Step step, String path, ObjectNode owner, Property property, String key) {

    private static final int DEEPEST = 5;

    /**
     * Follows a path through the shape of the step's kind. Objects on the way that are made when first set are made in
     * {@code tree}.
     *
     * @throws Refusal if it leads nowhere
     */
    static Spot of(Step step, ObjectNode tree, String path) {
        String[] keys = path.split("\\.", -1);
        if (keys[0].equals("text") && keys.length == 2) {
            if (step.kind().wordings().isEmpty()) {
                throw new Refusal("A " + step.kind().label() + " says nothing.");
            }
            keys[0] = step.kind().wordings();
        }
        if (keys.length > DEEPEST) {
            throw missing(step, path);
        }
        List<? extends Property> among = step.kind().shape().properties();
        ObjectNode owner = tree;
        ObjectNode holder = tree;
        for (int i = 0; i < keys.length; i++) {
            Property property = named(among, keys[i], owner, tree);
            boolean last = i == keys.length - 1;
            boolean lastButOne = i == keys.length - 2;
            switch (property) {
                case Property.Wordings wordings
                when lastButOne -> {
                    return new Spot(step, path, holder, wordings, keys[i + 1]);
                }
                case Property.Part part
                when !last -> {
                    among = part.of();
                    if (part.chosen() != null && !(holder.get(part.name()) instanceof ObjectNode)) {
                        throw missing(step, path);
                    }
                    holder = holder.withObject("/" + part.name());
                }
                case Property.Items items
                when !last -> {
                    among = items.of();
                    holder = item(items, holder, keys[++i]);
                    owner = holder;
                    if (i == keys.length - 1) {
                        throw missing(step, path);
                    }
                }
                case null -> throw missing(step, path);
                default -> {
                    if (!last) {
                        throw missing(step, path);
                    }
                    return new Spot(step, path, holder, property, "");
                }
            }
        }
        throw missing(step, path);
    }

    /** The property of a name; of several, the one that is shown now. */
    private static @Nullable Property named(
            List<? extends Property> among, String name, JsonNode owner, JsonNode step) {
        Property first = null;
        for (Property property : among) {
            if (property.name().equals(name)) {
                if (!(property instanceof Property.Field field) || field.when().holds(owner, step)) {
                    return property;
                }
                first = first == null ? property : first;
            }
        }
        return first;
    }

    private static ObjectNode item(Property.Items items, ObjectNode holder, String key) {
        ArrayNode array = holder.withArray(items.name());
        if (array.get(Fields.item(items, array, key)) instanceof ObjectNode item) {
            return item;
        }
        throw new Refusal("That is no longer there.");
    }

    /** The refusal of a path that leads nowhere. */
    Refusal missing() {
        return missing(step, path);
    }

    private static Refusal missing(Step step, String path) {
        return new Refusal("A " + step.kind().label() + " has no " + path.replace('.', ' ') + ".");
    }
}
