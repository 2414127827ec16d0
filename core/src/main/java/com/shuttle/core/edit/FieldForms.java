package com.shuttle.core.edit;

import com.shuttle.core.edit.FlowEditor.Refusal;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Media;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Words;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * How what is typed into a field becomes its JSON, by the field's name: texts cleaned, numbers, spans of time, lists of
 * words, addresses. What does not fit is refused with a sentence for who typed it, and nothing is cut.
 */
final class FieldForms {

    static final int LONGEST_TEXT = 8000;
    static final int LONGEST_LINE = 200;
    static final int LONGEST_ADDRESS = 2000;
    private static final int MOST_WORDS = 100;
    private static final Pattern BOUND =
            Pattern.compile("|today|[+-]\\d{1,5}|\\d{4}-\\d\\d-\\d\\d(T\\d\\d:\\d\\d)?|\\d\\d:\\d\\d");
    private static final Pattern REGION = Pattern.compile("([A-Z]{2})?");
    private static final Pattern LOOK = Pattern.compile("|stars|faces|numbers");
    private static final Set<String> WEEKDAYS =
            Set.of("monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday");
    private static final Set<String> SOURCES = Set.of("entries", "articles", "tables");
    private static final Pattern VARIABLE = Pattern.compile("([a-z][a-z0-9_]{0,63})?");
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

    /** How the typed value of a field becomes JSON; null removes the field. */
    interface Form extends Function<String, @Nullable JsonNode> {}

    private static final Map<String, Form> FORMS = new LinkedHashMap<>();

    static {
        Form text = value -> JSON.stringNode(text(value));
        Form line = value -> JSON.stringNode(line(value));
        Form flag = value -> JSON.booleanNode(Boolean.parseBoolean(value));
        Form name = value -> JSON.stringNode(variable(value));
        Form words = FieldForms::words;
        Form number = FieldForms::number;
        Form expression = value -> JSON.stringNode(short_(value, 2000));
        Form address = FieldForms::address;
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
        all(words, "also", "fileTypes", "collections");
        all(number, "min", "max", "by");
        all(expression, "when", "value", "rule");
        all(address, "address", "picture", "link");
        Form bound = value -> fitting(
                value.strip(),
                BOUND,
                "A bound is today, +14 for days ahead, a date like 2026-12-24 or a time like 09:00.");
        all(bound, "earliest", "latest");
        FORMS.put(
                "region",
                value ->
                        fitting(value.strip().toUpperCase(Locale.ROOT), REGION, "A country has two letters, like GB."));
        FORMS.put("look", value -> fitting(value.strip(), LOOK, "There is no such look."));
        FORMS.put("weekdays", value -> chosenWords(value, WEEKDAYS, "Days of the week are written in full."));
        FORMS.put("sources", value -> chosenWords(value, SOURCES, "There are entries and articles."));
        FORMS.put("type", value -> chosen(value, v -> ValueType.of(v).key(), "There is no such type."));
        FORMS.put("layout", value -> chosen(value, v -> Choice.Layout.of(v).key(), "There is no such layout."));
        FORMS.put("media", FieldForms::media);
        FORMS.put("tries", value -> count(value, 1, 9, "Tries are a number from 1 to 9."));
        FORMS.put(
                "typing",
                value -> value.isBlank() ? null : count(value, 0, 10_000, "The delay is 0 to 10,000 milliseconds."));
        FORMS.put("seconds", FieldForms::span);
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

    private FieldForms() {}

    /** The form of a field; null where there is no such field. */
    static @Nullable Form of(String name) {
        return FORMS.get(name);
    }

    private static void all(Form form, String... names) {
        Arrays.stream(names).forEach(name -> FORMS.put(name, form));
    }

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
                .map(FieldForms::line)
                .filter(word -> !word.isEmpty())
                .limit(MOST_WORDS)
                .forEach(words::add);
        return words;
    }

    private static JsonNode fitting(String value, Pattern form, String problem) {
        if (!form.matcher(value).matches()) {
            throw new Refusal(problem);
        }
        return JSON.stringNode(value);
    }

    private static JsonNode chosenWords(String value, Set<String> known, String problem) {
        JsonNode chosen = words(value.toLowerCase(Locale.ROOT));
        for (JsonNode word : chosen) {
            if (!known.contains(word.asString())) {
                throw new Refusal(problem);
            }
        }
        return chosen;
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

    static String text(String value) {
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
}
