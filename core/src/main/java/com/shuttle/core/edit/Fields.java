package com.shuttle.core.edit;

import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property;
import com.shuttle.core.flow.shape.Refusal;
import com.shuttle.core.reading.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/**
 * The fields of steps by name. A name is the path in the step's JSON form, with points: {@code title},
 * {@code limits.min}; an item of a list by its key, or by its number where it has none:
 * {@code options.o1.label}, {@code facts.email.ask}, {@code checks.0.rule}. {@code text.N} is wording N, whatever the kind
 * calls its wordings. What a field may hold is told by the kind's {@link com.shuttle.core.flow.shape.Shape}.
 */
final class Fields {

    private Fields() {}

    /** @param value as it was typed */
    static Step set(Step step, String field, String value) {
        ObjectNode tree = StepJson.tree(step);
        Spot spot = Spot.of(step, tree, field);
        String typed = Words.clean(value);
        switch (spot.property()) {
            case Property.Field one ->
                put(spot.owner(), one.name(), one.form().typed().json(typed));
            case Property.Wordings wordings -> {
                ArrayNode texts = spot.owner().withArray(wordings.name());
                int at = index(spot.key(), texts, "That wording is no longer there.");
                JsonNode text = Forms.TEXT.typed().json(typed);
                texts.set(at, text == null ? StringNode.valueOf("") : text);
            }
            case Property.Part part -> choose(spot.owner(), part, typed);
            case Property.Items items -> throw spot.missing();
        }
        Step changed = fitted(tree);
        if (changed instanceof Question question && (field.equals("fallback") || field.equals("type"))) {
            Defaults.refuseUnfit(question);
        }
        return changed;
    }

    private static void put(ObjectNode owner, String name, @Nullable JsonNode value) {
        if (value == null) {
            owner.remove(name);
        } else {
            owner.set(name, value);
        }
    }

    /** Makes the object of a part that is made by choosing, or takes it away. */
    private static void choose(ObjectNode owner, Property.Part part, String typed) {
        Property.Field chosen = part.chosen();
        if (chosen == null) {
            throw new Refusal("That does not fit here.");
        }
        JsonNode value = chosen.form().typed().json(typed);
        if (value == null || value.asString("").isEmpty()) {
            owner.remove(part.name());
        } else {
            owner.withObject("/" + part.name()).set(chosen.name(), value);
        }
    }

    /** The index of an item by its key or its number. */
    static int item(Property.Items items, ArrayNode array, String key) {
        for (int i = 0; i < array.size() && !items.key().isEmpty(); i++) {
            if (key.equals(array.get(i).path(items.key()).asString(""))) {
                return i;
            }
        }
        return index(key, array, "That is no longer there.");
    }

    static int index(String key, ArrayNode array, String gone) {
        int at = key.matches("\\d{1,3}") ? Integer.parseInt(key) : -1;
        if (at < 0 || at >= array.size()) {
            throw new Refusal(gone);
        }
        return at;
    }

    /** The step of a changed tree, without exits that it no longer has. */
    static Step fitted(ObjectNode tree) {
        Step step;
        try {
            step = StepJson.step(tree);
        } catch (IllegalArgumentException e) {
            throw new Refusal("That does not fit here.");
        }
        List<String> slots = step.slots().stream().map(ExitSlot::id).toList();
        Map<String, Target> exits = step.exits();
        if (slots.containsAll(exits.keySet())) {
            return step;
        }
        Map<String, Target> left = exits.entrySet().stream()
                .filter(exit -> slots.contains(exit.getKey()))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a, LinkedHashMap::new));
        return step.withExits(left);
    }

    /** A text after a change that nobody typed. What was longer than it may be stays so, but grows no further. */
    static String fit(Form form, String before, String text) {
        if (form.longest() > 0 && text.length() > Math.max(form.longest(), before.length())) {
            throw new Refusal("A text would become longer than " + form.longest() + " characters.");
        }
        return text;
    }

    static Step withWordings(Step step, List<String> wordings) {
        if (step.kind().wordings().isEmpty()) {
            throw new Refusal("A " + step.kind().label() + " says nothing.");
        }
        return StepJson.with(step, step.kind().wordings(), wordings);
    }

    /** The text that stands at a field now; null where there is none, or no text. */
    static @Nullable String text(Step step, String field) {
        try {
            Spot spot = Spot.of(step, StepJson.tree(step), field);
            JsonNode at = spot.owner().get(spot.property().name());
            if (at instanceof ArrayNode texts && spot.property() instanceof Property.Wordings) {
                at = texts.get(index(spot.key(), texts, ""));
            }
            return at instanceof StringNode string ? string.stringValue() : null;
        } catch (Refusal gone) {
            return null;
        }
    }

    /** What a history calls a field. */
    static String inWords(Step step, String field) {
        String first = field.contains(".") ? field.substring(0, field.indexOf('.')) : field;
        return step.kind()
                .shape()
                .inWords(field.startsWith("text.") ? step.kind().wordings() : first);
    }
}
