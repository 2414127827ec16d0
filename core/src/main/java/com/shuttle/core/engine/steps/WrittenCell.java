package com.shuttle.core.engine.steps;

import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** A designer's text with placeholders as a cell of a table has it. */
final class WrittenCell {

    private static final Pattern ONE_VARIABLE = Pattern.compile("\\s*\\{\\{\\s*([a-z][a-z0-9_]*)\\s*\\}\\}\\s*");

    private WrittenCell() {}

    /** A text that is one variable becomes its value, days and amounts in the form of cells; empty where nothing is known. */
    static String of(String text, TurnRun run) {
        Matcher one = ONE_VARIABLE.matcher(text);
        Value known = one.matches() ? known(one.group(1), run) : null;
        return known == null ? Texts.unescaped(run.filled(text)).strip() : of(known);
    }

    private static @Nullable Value known(String variable, TurnRun run) {
        Value told = run.facts.value(variable);
        return told == null ? run.known().system().get(variable) : told;
    }

    private static String of(Value value) {
        return switch (value) {
            case Value.Day(LocalDate date) -> date.toString();
            case Value.Moment moment -> moment.at().toLocalDate().toString();
            case Value.Money(BigDecimal amount, String currency) ->
                amount.stripTrailingZeros().toPlainString();
            case Value.Secret ignored -> "";
            default -> value.shown().strip();
        };
    }
}
