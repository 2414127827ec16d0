package com.shuttle.studio;

import com.shuttle.core.expression.Expressions;
import com.shuttle.core.expression.PlainWords;
import com.shuttle.core.expression.Rules;
import com.shuttle.core.flow.ValueType;
import com.shuttle.web.Access;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Helps writing expressions: what is wrong and where, the same as rows and in plain words. */
@RestController
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/expressions")
class ExpressionController {

    record Row(String variable, String comparison, String value) {}

    /** One of {@code text}, {@code words} or {@code rows} says what is meant. */
    record Asked(
            @Nullable String text,
            @Nullable String words,
            @Nullable List<Row> rows,
            boolean all,
            boolean condition) {}

    /**
     * An expression in all its forms.
     *
     * @param problem empty where there is none
     * @param at      index of the problem in what was sent
     * @param rows    null where it says more than rows can
     * @param words   empty where it says more than plain words can
     */
    record Shown(
            String text, String problem, int at, @Nullable List<Row> rows, boolean all, String words) {}

    private final PlainConditions conditions;

    ExpressionController(PlainConditions conditions) {
        this.conditions = conditions;
    }

    @PostMapping
    Shown show(@PathVariable String id, @RequestBody Asked asked) {
        PlainConditions.Known known = conditions.known(id);
        Map<String, ValueType> types = known.types();
        if (asked.words() != null) {
            return switch (PlainWords.read(asked.words(), types, known.names())) {
                case PlainWords.Result.Read(Rules rules) ->
                    shown(known.expressions(), rules.text(types), asked.condition());
                case PlainWords.Result.Unread(String why, int at) -> new Shown("", why, at, null, true, "");
            };
        }
        if (asked.rows() != null) {
            List<Rules.Row> rows = new ArrayList<>();
            for (Row row : asked.rows()) {
                rows.add(new Rules.Row(row.variable(), comparison(row.comparison()), row.value()));
            }
            return rows.isEmpty()
                    ? new Shown("", "", 0, List.of(), asked.all(), "")
                    : shown(known.expressions(), new Rules(asked.all(), rows).text(types), asked.condition());
        }
        String text = asked.text() == null ? "" : asked.text();
        String written = asked.condition() ? known.written(text).orElse(text) : text;
        return shown(known.expressions(), written, asked.condition());
    }

    private static Shown shown(Expressions expressions, String text, boolean condition) {
        if (text.isBlank()) {
            return new Shown("", "", 0, List.of(), true, "");
        }
        Expressions.Problem problem = condition ? expressions.problemOfCondition(text) : expressions.problemOf(text);
        Rules rules = condition ? Rules.read(text).orElse(null) : null;
        return new Shown(
                text,
                problem == null ? "" : problem.message(),
                problem == null ? 0 : problem.at(),
                rules == null
                        ? null
                        : rules.rows().stream()
                                .map(row ->
                                        new Row(row.variable(), row.comparison().key(), row.value()))
                                .toList(),
                rules == null || rules.all(),
                condition ? PlainWords.of(text).orElse("") : "");
    }

    private static Rules.Comparison comparison(String key) {
        for (Rules.Comparison comparison : Rules.Comparison.values()) {
            if (comparison.name().equals(key.toUpperCase(Locale.ROOT))) {
                return comparison;
            }
        }
        return Rules.Comparison.IS;
    }
}
