package com.shuttle.core.engine.turn;

import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.LocalDate;

/** A designer's text with placeholders as a cell of a table has it. */
public final class WrittenCell {

    private WrittenCell() {}

    /** A text that is one variable becomes its value, days and amounts in the form of cells; empty where nothing is known. */
    public static String of(String text, TurnRun run) {
        return switch (Given.of(text, run)) {
            case null -> "";
            case Value.Day(LocalDate date) -> date.toString();
            case Value.Moment moment -> moment.at().toLocalDate().toString();
            case Value.Money(BigDecimal amount, String currency) ->
                amount.stripTrailingZeros().toPlainString();
            case Value.Secret ignored -> "";
            case Value value -> value.shown().strip();
        };
    }
}
