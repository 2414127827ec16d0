package com.shuttle.core.edit;

import com.shuttle.core.edit.FlowEditor.Refusal;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Media;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Words;
import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The fields of steps by name. A name is the path in the step's JSON form, with points: {@code title},
 * {@code limits.min}; an item of a list by its id, a fact by its variable, anything else by its number:
 * {@code options.o1.label}, {@code facts.email.ask}, {@code checks.0.rule}. {@code text.N} is wording N, whatever the kind
 * calls its wordings.
 */
final class Fields {

    static final int LONGEST_TEXT = 8000;
    static final int LONGEST_LINE = 200;
    static final int LONGEST_ADDRESS = 2000;
    private static final int MOST_WORDS = 100;
    private static final Pattern VARIABLE = Pattern.compile("([a-z][a-z0-9_]{0,63})?");
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

    /** How the typed value of a field becomes JSON; null removes the field. */
    private interface Form extends Function<String, @Nullable JsonNode> {}

    private static final Map<String, Form> FORMS = new LinkedHashMap<>();

    static {
        Form text = value -> JSON.stringNode(text(value));
        Form line = value -> JSON.stringNode(line(value));
        Form flag = value -> JSON.booleanNode(Boolean.parseBoolean(value));
        Form name = value -> JSON.stringNode(variable(value));
        Form words = Fields::words;
        Form number = Fields::number;
        Form expression = value -> JSON.stringNode(short_(value, 2000));
        Form address = Fields::address;
        all(
                text,
                "note",
                "retry",
                "reply",
                "unknown",
                "nobody",
                "brief",
                "lead",
                "more",
                "rate",
                "readBack",
                "ask",
                "text");
        all(
                line,
                "title",
                "hint",
                "example",
                "fallback",
                "label",
                "group",
                "alt",
                "team",
                "milestone",
                "name",
                "earliest",
                "latest",
                "region",
                "look",
                "words");
        all(
                flag,
                "optional",
                "skipWhenKnown",
                "onlyThis",
                "confirm",
                "many",
                "together",
                "quiet",
                "comeBack",
                "startAgain",
                "signal",
                "closed",
                "rating",
                "trusting",
                "whole");
        all(name, "variable", "of", "from");
        all(words, "also", "weekdays", "fileTypes", "collections", "sources");
        all(number, "min", "max", "by");
        all(expression, "when", "value", "rule");
        all(address, "address", "picture", "link");
        FORMS.put("type", value -> chosen(value, v -> ValueType.of(v).key(), "There is no such type."));
        FORMS.put("layout", value -> chosen(value, v -> Choice.Layout.of(v).key(), "There is no such layout."));
        FORMS.put("media", Fields::media);
        FORMS.put("tries", value -> count(value, 1, 9, "Tries are a number from 1 to 9."));
        FORMS.put(
                "typing",
                value -> value.isBlank() ? null : count(value, 0, 10_000, "The delay is 0 to 10,000 milliseconds."));
        FORMS.put("seconds", Fields::span);
        FORMS.put("patience", value -> value.isBlank() ? null : span(value));
        FORMS.put("weight", value -> count(value, 0, 1000, "A weight is a number from 0 to 1,000."));
        FORMS.put(
                "megabytes",
                value -> value.isBlank() ? null : count(value, 1, 20, "A file can have 1 to 20 megabytes."));
        FORMS.put(
                "answerFrom",
                value -> value.isBlank() ? null : count(value, 0, 100, "Confidence is 0 to 100 per cent."));
        FORMS.put(
                "suggestFrom",
                value -> value.isBlank() ? null : count(value, 0, 100, "Confidence is 0 to 100 per cent."));
    }

    private Fields() {}

    private static void all(Form form, String... names) {
        Arrays.stream(names).forEach(name -> FORMS.put(name, form));
    }

    static Step set(Step step, String field, String value) {
        String[] path = path(step, field);
        ObjectNode tree = StepJson.tree(step);
        if (field.startsWith("text.")) {
            ArrayNode wordings = tree.withArray(step.kind().wordings());
            wordings.set(index(path[1], wordings, "That wording is no longer there."), JSON.stringNode(text(value)));
            return fitted(tree);
        }
        String last = path[path.length - 1];
        JsonNode holder = holder(tree, path, step);
        if (holder instanceof ArrayNode wordings) {
            wordings.set(index(last, wordings, "That wording is no longer there."), JSON.stringNode(text(value)));
            return fitted(tree);
        }
        if (!(holder instanceof ObjectNode parent)) {
            throw noField(step, field);
        }
        Form form = FORMS.get(last);
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

    // Forms

    private static JsonNode chosen(String value, Function<String, String> key, String problem) {
        try {
            return JSON.stringNode(key.apply(value));
        } catch (IllegalArgumentException e) {
            throw new Refusal(problem);
        }
    }

    private static JsonNode count(String value, int least, int most, String problem) {
        if (!value.strip().matches("\\d{1,6}")
                || Integer.parseInt(value.strip()) < least
                || Integer.parseInt(value.strip()) > most) {
            throw new Refusal(problem);
        }
        return JSON.numberNode(Integer.parseInt(value.strip()));
    }

    private static @Nullable JsonNode number(String value) {
        if (value.isBlank()) {
            return null;
        }
        if (!value.strip().matches("-?\\d{1,12}(\\.\\d{1,6})?")) {
            throw new Refusal("This has to be a number.");
        }
        return JSON.numberNode(new BigDecimal(value.strip()));
    }

    /** A span of time: a number of seconds, or with s, m, h or d behind it. */
    private static JsonNode span(String value) {
        var matcher = Pattern.compile("(\\d{1,8})\\s*(s|sec\\w*|m|min\\w*|h|hours?|d|days?)?")
                .matcher(value.strip().toLowerCase(Locale.ROOT));
        if (!matcher.matches()) {
            throw new Refusal("A time is written like 30s, 10m, 2h or 3d.");
        }
        String unit = matcher.group(2) == null ? "s" : matcher.group(2).substring(0, 1);
        long seconds = Long.parseLong(matcher.group(1))
                * Map.of("s", 1L, "m", 60L, "h", 3600L, "d", 86_400L).get(unit);
        if (seconds < 1 || seconds > 366L * 86_400) {
            throw new Refusal("A time is at least a second and at most a year.");
        }
        return JSON.numberNode(seconds);
    }

    private static JsonNode words(String value) {
        ArrayNode words = JSON.arrayNode();
        Arrays.stream(value.split(","))
                .map(Fields::line)
                .filter(word -> !word.isEmpty())
                .limit(MOST_WORDS)
                .forEach(words::add);
        return words;
    }

    private static JsonNode address(String value) {
        String bare = short_(value, LONGEST_ADDRESS).replaceAll("\\s", "");
        boolean fit = bare.isEmpty()
                || bare.startsWith("https://")
                || bare.startsWith("http://")
                || bare.startsWith("/") && !bare.startsWith("//")
                || bare.startsWith("{{");
        if (!fit) {
            throw new Refusal("An address begins with https:// or with / for a file of this application.");
        }
        return JSON.stringNode(bare);
    }

    private static @Nullable JsonNode media(String type) {
        if (type.isBlank()) {
            return null;
        }
        ObjectNode media = JSON.objectNode();
        media.set("type", chosen(type, v -> Media.Type.of(v).key(), "There is no such medium."));
        return media;
    }

    private static String variable(String value) {
        String name = value.strip().toLowerCase(Locale.ROOT).replaceAll("[\\s-]+", "_");
        if (!VARIABLE.matcher(name).matches()) {
            throw new Refusal("A variable's name begins with a letter and has only letters, digits and _ in it.");
        }
        return name;
    }

    private static String text(String value) {
        if (value.length() > LONGEST_TEXT) {
            throw new Refusal(
                    "A text can be " + LONGEST_TEXT + " characters long at most; this one has " + value.length() + ".");
        }
        return Words.clean(value);
    }

    static String line(String value) {
        return short_(value, LONGEST_LINE).replaceAll("\\s+", " ");
    }

    private static String short_(String value, int longest) {
        String line = Words.clean(value);
        if (line.length() > longest) {
            throw new Refusal("This can be " + longest + " characters long at most; it has " + line.length() + ".");
        }
        return line;
    }

    static String inWords(String field) {
        String[] path = field.split("\\.");
        return switch (path[0]) {
            case "text" -> "the wording";
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
