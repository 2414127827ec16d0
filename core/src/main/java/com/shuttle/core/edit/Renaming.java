package com.shuttle.core.edit;

import com.shuttle.core.edit.FlowEditor.Refusal;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import java.util.Set;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/** Gives a variable another name in every step of a flow: where it is set, in expressions, in placeholders. */
final class Renaming {

    private static final Pattern NAME = Pattern.compile("[a-z][a-z0-9_]{0,63}");
    private static final Set<String> NAMES = Set.of("variable", "of", "from");
    private static final Set<String> EXPRESSIONS = Set.of("when", "rule", "value");

    private Renaming() {}

    static Flow rename(Flow flow, String from, String to) {
        if (!NAME.matcher(to).matches()) {
            throw new Refusal("A variable's name begins with a letter and has only letters, digits and _ in it.");
        }
        Pattern inExpression = Pattern.compile(
                "\"(?:[^\"\\\\]|\\\\.)*\"|'(?:[^'\\\\]|\\\\.)*'|(?<![\\w.])" + Pattern.quote(from) + "(?!\\w)");
        Pattern inPlaceholder = Pattern.compile("(\\{\\{[#^/]?\\s*)" + Pattern.quote(from) + "(?=[\\s.|}])");
        return flow.withSections(flow.sections().stream()
                .map(section -> section.withSteps(section.steps().stream()
                        .map(step -> step(step, from, to, inExpression, inPlaceholder))
                        .toList()))
                .toList());
    }

    private static Step step(Step step, String from, String to, Pattern inExpression, Pattern inPlaceholder) {
        ObjectNode tree = StepJson.tree(step);
        return rename(tree, from, to, inExpression, inPlaceholder) ? StepJson.step(tree) : step;
    }

    private static boolean rename(JsonNode node, String from, String to, Pattern inExpression, Pattern inPlaceholder) {
        boolean changed = false;
        if (node instanceof ObjectNode object) {
            for (String key : object.propertyNames().toArray(String[]::new)) {
                JsonNode value = object.get(key);
                if (value instanceof StringNode string && !key.equals("id") && !key.equals("kind")) {
                    String text = string.stringValue();
                    String renamed = NAMES.contains(key)
                            ? text.equals(from) ? to : text
                            : EXPRESSIONS.contains(key)
                                    ? inExpression
                                            .matcher(text)
                                            .replaceAll(match -> match.group().equals(from)
                                                    ? to
                                                    : java.util.regex.Matcher.quoteReplacement(match.group()))
                                    : inPlaceholder.matcher(text).replaceAll("$1" + to);
                    if (!renamed.equals(text)) {
                        object.put(key, renamed);
                        changed = true;
                    }
                } else {
                    changed |= rename(value, from, to, inExpression, inPlaceholder);
                }
            }
        } else if (node instanceof ArrayNode array) {
            for (int i = 0; i < array.size(); i++) {
                if (array.get(i) instanceof StringNode string) {
                    String renamed = inPlaceholder.matcher(string.stringValue()).replaceAll("$1" + to);
                    if (!renamed.equals(string.stringValue())) {
                        array.set(i, renamed);
                        changed = true;
                    }
                } else {
                    changed |= rename(array.get(i), from, to, inExpression, inPlaceholder);
                }
            }
        }
        return changed;
    }
}
