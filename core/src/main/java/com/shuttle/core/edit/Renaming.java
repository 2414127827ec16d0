package com.shuttle.core.edit;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.shape.Refusal;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.node.ObjectNode;

/** Gives a variable another name in every step of a flow: where it is set, in expressions, in placeholders. */
final class Renaming {

    private static final Pattern NAME = Pattern.compile("[a-z][a-z0-9_]{0,63}");

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
        boolean changed = step.kind()
                .shape()
                .map(
                        tree,
                        (form, text, top) -> Fields.fit(
                                form,
                                text,
                                switch (form.role()) {
                                    case VARIABLE -> text.equals(from) ? to : text;
                                    case EXPRESSION ->
                                        inExpression
                                                .matcher(text)
                                                .replaceAll(
                                                        match -> match.group().equals(from)
                                                                ? to
                                                                : Matcher.quoteReplacement(match.group()));
                                    case PROSE, REFERENCE, PLAIN ->
                                        inPlaceholder.matcher(text).replaceAll("$1" + to);
                                }));
        return changed ? Fields.fitted(tree) : step;
    }
}
