package com.shuttle.core.edit;

import com.shuttle.core.edit.FlowEditor.Refusal;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/**
 * Finding and replacing in what people read of a flow: wordings, labels, hints, error words, titles and notes. Names of
 * variables, expressions, addresses and targets are no such text. Pure functions.
 */
public final class Prose {

    /** Properties of steps and their parts that hold text for people. */
    private static final Set<String> PROSE = Set.of(
            "title",
            "note",
            "say",
            "ask",
            "hint",
            "example",
            "fallback",
            "retry",
            "reply",
            "unknown",
            "lead",
            "more",
            "readBack",
            "brief",
            "nobody",
            "rate",
            "label",
            "group",
            "text",
            "also",
            "alt",
            "name",
            "words");

    private static final int AROUND = 40;

    private Prose() {}

    /**
     * One place where a text stands.
     *
     * @param name of the step
     * @param where which of its texts, in words
     * @param before some of the text before the match, at most 40 characters; likewise {@code after}
     */
    public record Found(String step, String name, String where, String before, String match, String after) {}

    /** Every place where a text stands, in the order of the steps. A blank text stands nowhere. */
    public static List<Found> find(Flow flow, String text, boolean matchCase) {
        List<Found> found = new ArrayList<>();
        if (text.isBlank()) {
            return found;
        }
        Pattern pattern = pattern(text, matchCase);
        for (Step step : flow.allSteps()) {
            each(StepJson.tree(step), "", (key, prose) -> {
                Matcher matcher = pattern.matcher(prose);
                while (matcher.find()) {
                    found.add(new Found(
                            step.id(),
                            step.name(),
                            Fields.inWords(key),
                            prose.substring(Math.max(0, matcher.start() - AROUND), matcher.start()),
                            matcher.group(),
                            prose.substring(matcher.end(), Math.min(prose.length(), matcher.end() + AROUND))));
                }
            });
        }
        return found;
    }

    /** A flow with every such place replaced. */
    static Flow replace(Flow flow, String text, String with, boolean matchCase) {
        if (text.isBlank()) {
            throw new Refusal("Please say what to find.");
        }
        Pattern pattern = pattern(text, matchCase);
        String replacement = Matcher.quoteReplacement(with);
        return FlowEditor.mapSections(
                flow,
                section -> section.withSteps(section.steps().stream()
                        .map(step ->
                                mapped(step, prose -> pattern.matcher(prose).replaceAll(replacement)))
                        .toList()));
    }

    private static Step mapped(Step step, UnaryOperator<String> change) {
        ObjectNode tree = StepJson.tree(step);
        return map(tree, change) ? Fields.fitted(tree) : step;
    }

    private static Pattern pattern(String text, boolean matchCase) {
        return Pattern.compile(
                text, Pattern.LITERAL | (matchCase ? 0 : Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE));
    }

    private interface Visit {
        void prose(String key, String text);
    }

    private static void each(JsonNode node, String top, Visit visit) {
        if (!(node instanceof ObjectNode object)) {
            return;
        }
        for (String key : object.propertyNames()) {
            String first = top.isEmpty() ? key : top;
            for (JsonNode value : object.get(key) instanceof ArrayNode array ? array : List.of(object.get(key))) {
                if (value instanceof StringNode string && PROSE.contains(key)) {
                    visit.prose(first, string.stringValue());
                } else {
                    each(value, first, visit);
                }
            }
        }
    }

    private static boolean map(JsonNode node, UnaryOperator<String> change) {
        boolean changed = false;
        if (node instanceof ObjectNode object) {
            for (String key : object.propertyNames().toArray(String[]::new)) {
                JsonNode value = object.get(key);
                if (value instanceof StringNode string) {
                    if (PROSE.contains(key)) {
                        String replaced = fit(key, change.apply(string.stringValue()));
                        changed |= !replaced.equals(string.stringValue());
                        object.put(key, replaced);
                    }
                } else if (value instanceof ArrayNode array) {
                    for (int i = 0; i < array.size(); i++) {
                        if (array.get(i) instanceof StringNode string && PROSE.contains(key)) {
                            String replaced = fit(key, change.apply(string.stringValue()));
                            changed |= !replaced.equals(string.stringValue());
                            array.set(i, StringNode.valueOf(replaced));
                        } else {
                            changed |= map(array.get(i), change);
                        }
                    }
                } else {
                    changed |= map(value, change);
                }
            }
        }
        return changed;
    }

    private static String fit(String key, String text) {
        int longest = key.equals("title") || key.equals("label") ? FieldForms.LONGEST_LINE : FieldForms.LONGEST_TEXT;
        if (text.length() > longest) {
            throw new Refusal("A text would become longer than " + longest + " characters.");
        }
        return text;
    }
}
