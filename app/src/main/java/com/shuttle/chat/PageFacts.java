package com.shuttle.chat;

import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.flow.Variable;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What a website tells of its visitor, as values of the variables that the designer expects from there. Anything else is left out,
 * and so is what is not of its variable's type: numbers in decimals, {@code true} and {@code false}, days as {@code 2026-03-10}.
 */
final class PageFacts {

    private PageFacts() {}

    static Map<String, Value> of(Playbook playbook, Map<String, String> told) {
        Map<String, Value> values = new LinkedHashMap<>();
        for (Variable variable : playbook.ofPage()) {
            String text = told.getOrDefault(variable.name(), "").strip();
            Value value = text.isEmpty() ? null : value(variable, text);
            if (value != null) {
                values.put(variable.name(), value);
            }
        }
        return values;
    }

    private static @Nullable Value value(Variable variable, String text) {
        try {
            return switch (variable.type()) {
                case NUMBER, SLIDER, RATING -> new Value.Numeric(new BigDecimal(text));
                case YES_NO ->
                    text.equals("true") || text.equals("false") ? new Value.YesNo(text.equals("true")) : null;
                case DATE -> new Value.Day(LocalDate.parse(text));
                case SECRET, FILE, MONEY, TIME, DATE_TIME, MULTI_CHOICE -> null;
                default -> new Value.Text(text);
            };
        } catch (NumberFormatException | DateTimeException unreadable) {
            return null;
        }
    }
}
