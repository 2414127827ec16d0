package com.shuttle.core.edit;

import com.shuttle.core.edit.FlowEditor.Refusal;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.Target;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
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
 * {@code limits.min}; an item of a list by its id, a fact by its variable, anything else by its number:
 * {@code options.o1.label}, {@code facts.email.ask}, {@code checks.0.rule}. {@code text.N} is wording N, whatever the kind
 * calls its wordings.
 */
final class Fields {

    private Fields() {}

    static Step set(Step step, String field, String value) {
        String[] path = path(step, field);
        ObjectNode tree = StepJson.tree(step);
        if (field.startsWith("text.")) {
            ArrayNode wordings = tree.withArray(step.kind().wordings());
            wordings.set(
                    index(path[1], wordings, "That wording is no longer there."),
                    StringNode.valueOf(FieldForms.text(value)));
            return fitted(tree);
        }
        String last = path[path.length - 1];
        JsonNode holder = holder(tree, path, step);
        if (holder instanceof ArrayNode wordings) {
            wordings.set(
                    index(last, wordings, "That wording is no longer there."),
                    StringNode.valueOf(FieldForms.text(value)));
            return fitted(tree);
        }
        if (!(holder instanceof ObjectNode parent)) {
            throw noField(step, field);
        }
        FieldForms.Form form = FieldForms.of(last);
        if (form == null
                || path.length == 1
                        && Arrays.stream(step.getClass().getRecordComponents())
                                .map(RecordComponent::getName)
                                .noneMatch(last::equals)) {
            throw noField(step, field);
        }
        JsonNode node = form.apply(value);
        if (node == null) {
            parent.remove(last);
        } else if (node instanceof ObjectNode part && parent.get(last) instanceof ObjectNode before) {
            before.setAll(part);
        } else {
            parent.set(last, node);
        }
        return fitted(tree);
    }

    /** Whether the value of a field is an array where it stands among the parts of a step. */
    private static String[] path(Step step, String field) {
        String[] path = field.split("\\.", -1);
        if (path[0].equals("text")
                && (path.length != 2 || step.kind().wordings().isEmpty())) {
            throw new Refusal("A " + step.kind().label() + " says nothing.");
        }
        if (path.length > 5 || Arrays.stream(path).anyMatch(String::isBlank)) {
            throw noField(step, field);
        }
        return path;
    }

    /** What holds the last part of a path: an object, or the wordings of a bubble. */
    private static JsonNode holder(ObjectNode tree, String[] path, Step step) {
        JsonNode at = tree;
        for (int i = 0; i < path.length - 1; i++) {
            String key = path[i];
            if (at instanceof ArrayNode array) {
                at = array.get(item(array, key));
            } else if (at instanceof ObjectNode object && object.get(key) != null) {
                at = object.get(key);
            } else if (at instanceof ObjectNode object && Parts.OBJECTS.contains(key)) {
                at = object.putObject(key);
            } else {
                throw noField(step, String.join(".", path));
            }
        }
        return at;
    }

    /** The index of an item by its id, its variable or its number. */
    static int item(ArrayNode array, String key) {
        for (int i = 0; i < array.size(); i++) {
            JsonNode item = array.get(i);
            if (key.equals(item.path("id").asString(""))
                    || key.equals(item.path("variable").asString(""))
                            && item.path("id").isMissingNode()) {
                return i;
            }
        }
        return index(key, array, "That is no longer there.");
    }

    private static int index(String key, ArrayNode array, String gone) {
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
        List<String> slots = step.slots().stream().map(slot -> slot.id()).toList();
        Map<String, Target> exits = step.exits();
        if (slots.containsAll(exits.keySet())) {
            return step;
        }
        Map<String, Target> left = exits.entrySet().stream()
                .filter(exit -> slots.contains(exit.getKey()))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a, LinkedHashMap::new));
        return step.withExits(left);
    }

    static Step withWordings(Step step, List<String> wordings) {
        if (step.kind().wordings().isEmpty()) {
            throw new Refusal("A " + step.kind().label() + " says nothing.");
        }
        return StepJson.with(step, step.kind().wordings(), wordings);
    }

    /** The text that stands at a field now; null where there is none, or no text. */
    static @Nullable String text(Step step, String field) {
        String own = field.startsWith("text.") ? step.kind().wordings() + field.substring(4) : field;
        JsonNode at = StepJson.tree(step);
        for (String key : own.split("\\.", -1)) {
            try {
                at = at instanceof ArrayNode array ? array.get(item(array, key)) : at.get(key);
            } catch (Refusal gone) {
                return null;
            }
            if (at == null) {
                return null;
            }
        }
        return at instanceof StringNode string ? string.stringValue() : null;
    }

    static String inWords(String field) {
        String[] path = field.split("\\.");
        return switch (path[0]) {
            case "text", "say", "ask" -> "the wording";
            case "title" -> "the title";
            case "kind" -> "the kind";
            case "note" -> "the note";
            case "type" -> "the type";
            case "variable" -> "the variable";
            case "retry" -> "the error words";
            case "team" -> "the team";
            case "options" -> "an option";
            case "facts" -> "a fact";
            case "rules" -> "a rule";
            case "arms" -> "an arm";
            case "sets" -> "a computed value";
            case "checks" -> "a check";
            case "limits" -> "the limits";
            case "media", "bubbles" -> "what is shown";
            default -> "the settings";
        };
    }

    private static Refusal noField(Step step, String field) {
        return new Refusal("A " + step.kind().label() + " has no " + field.replace('.', ' ') + ".");
    }
}
