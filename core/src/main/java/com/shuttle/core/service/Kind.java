package com.shuttle.core.service;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.shuttle.core.flow.Keyed;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** What an input or output of a service is. */
public enum Kind implements Keyed {
    TEXT("text", ValueType.TEXT),
    NUMBER("number", ValueType.NUMBER),
    YES_NO("yes or no", ValueType.YES_NO),
    DATE("date", ValueType.DATE),
    /** Several texts; only of outputs. */
    LIST("list", ValueType.MULTI_CHOICE);

    private static final int MOST_ITEMS = 50;

    /** Characters of a text that is taken from a reply. */
    private static final int LONGEST = 2000;

    private final String label;
    private final ValueType type;

    Kind(String label, ValueType type) {
        this.label = label;
        this.type = type;
    }

    public String label() {
        return label;
    }

    /** Of the variable that holds it. */
    public ValueType type() {
        return type;
    }

    /** @throws IllegalArgumentException if there is no such kind */
    @JsonCreator
    public static Kind of(String key) {
        return Keyed.of(Kind.class, key, "kind");
    }

    /**
     * A value as it is written into a request: numbers plainly, dates as in ISO 8601, yes and no as {@code true} and {@code
     * false}; empty where it is none of this kind.
     */
    public Optional<String> written(Value value) {
        String shown = value.shown().strip();
        return switch (this) {
            case TEXT ->
                switch (value) {
                    case Value.Secret ignored -> Optional.empty();
                    case Value.Day(LocalDate date) -> Optional.of(date.toString());
                    case Value.Moment moment -> Optional.of(moment.at().toString());
                    default -> Optional.of(shown);
                };
            case NUMBER ->
                switch (value) {
                    case Value.Numeric(BigDecimal number) -> Optional.of(number.toPlainString());
                    case Value.Money money -> Optional.of(money.amount().toPlainString());
                    default -> number(shown).map(BigDecimal::toPlainString);
                };
            case YES_NO -> yesNo(shown).map(String::valueOf);
            case DATE ->
                switch (value) {
                    case Value.Day(LocalDate date) -> Optional.of(date.toString());
                    case Value.Moment moment ->
                        Optional.of(moment.at().toLocalDate().toString());
                    default -> date(shown).map(LocalDate::toString);
                };
            case LIST -> Optional.empty();
        };
    }

    /** A node of a reply as a value of this kind; empty where it is none. */
    public Optional<Value> read(JsonNode node) {
        return switch (this) {
            case TEXT -> node.isValueNode() ? Optional.of(new Value.Text(cut(node.asString()))) : Optional.empty();
            case NUMBER ->
                node.isNumber()
                        ? Optional.of(new Value.Numeric(node.decimalValue()))
                        : node.isString() ? number(node.asString()).map(Value.Numeric::new) : Optional.empty();
            case YES_NO -> node.isValueNode() ? yesNo(node.asString()).map(Value.YesNo::new) : Optional.empty();
            case DATE -> node.isString() ? date(node.asString()).map(Value.Day::new) : Optional.empty();
            case LIST -> list(node);
        };
    }

    private static Optional<Value> list(JsonNode node) {
        if (!node.isArray()) {
            return Optional.empty();
        }
        List<String> items = new ArrayList<>();
        for (JsonNode item : node) {
            if (item.isValueNode() && !item.isNull() && items.size() < MOST_ITEMS) {
                items.add(cut(item.asString()));
            }
        }
        return Optional.of(new Value.Many(items));
    }

    private static String cut(String text) {
        return text.length() <= LONGEST ? text : text.substring(0, LONGEST - 1) + "…";
    }

    private static Optional<BigDecimal> number(String text) {
        return text.matches("-?\\d{1,15}(\\.\\d{1,10})?") ? Optional.of(new BigDecimal(text)) : Optional.empty();
    }

    private static Optional<Boolean> yesNo(String text) {
        return switch (text.strip().toLowerCase(Locale.ROOT)) {
            case "yes", "true" -> Optional.of(true);
            case "no", "false" -> Optional.of(false);
            default -> Optional.empty();
        };
    }

    /** A date, or the one that a date with a time begins with. */
    private static Optional<LocalDate> date(String text) {
        try {
            return text.matches("\\d{4}-\\d\\d-\\d\\d(T.*)?")
                    ? Optional.of(LocalDate.parse(text.substring(0, 10)))
                    : Optional.empty();
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }
}
