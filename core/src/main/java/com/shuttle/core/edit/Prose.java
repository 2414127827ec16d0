package com.shuttle.core.edit;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.node.ObjectNode;

/**
 * Finding and replacing in what people read of a flow: wordings, labels, hints, error words, titles and notes. Names of
 * variables, expressions, addresses and targets are no such text. Pure functions.
 */
public final class Prose {

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
            step.kind().shape().map(StepJson.tree(step), (form, prose, top) -> {
                Matcher matcher = pattern.matcher(prose);
                while (form.role() == Form.Role.PROSE && matcher.find()) {
                    found.add(new Found(
                            step.id(),
                            step.name(),
                            top.inWords(),
                            prose.substring(Math.max(0, matcher.start() - AROUND), matcher.start()),
                            matcher.group(),
                            prose.substring(matcher.end(), Math.min(prose.length(), matcher.end() + AROUND))));
                }
                return prose;
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
        boolean changed = step.kind()
                .shape()
                .map(
                        tree,
                        (form, text, top) ->
                                form.role() == Form.Role.PROSE ? Fields.fit(form, text, change.apply(text)) : text);
        return changed ? Fields.fitted(tree) : step;
    }

    private static Pattern pattern(String text, boolean matchCase) {
        return Pattern.compile(
                text, Pattern.LITERAL | (matchCase ? 0 : Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE));
    }
}
