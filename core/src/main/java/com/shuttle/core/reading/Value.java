package com.shuttle.core.reading;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.Collection;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What a variable holds. In JSON a string, a number, a boolean or an array of strings where that says it all, otherwise
 * an object with one telling key: {@code {"date":"2026-04-01"}}, {@code {"time":"18:00"}}, {@code {"moment":…}},
 * {@code {"amount":…,"currency":…}}, {@code {"file":…,"name":…}}, {@code {"secret":…}}.
 */
public sealed interface Value {

    record Text(String text) implements Value {
        @Override
        public Object plain() {
            return text;
        }

        @Override
        public String shown() {
            return text;
        }
    }

    record Numeric(BigDecimal number) implements Value {
        public Numeric {
            BigDecimal bare = number.stripTrailingZeros();
            number = bare.scale() < 0 ? bare.setScale(0) : bare;
        }

        public static Numeric of(long number) {
            return new Numeric(BigDecimal.valueOf(number));
        }

        @Override
        public Object plain() {
            return number;
        }

        @Override
        public String shown() {
            return number.toPlainString();
        }
    }

    record YesNo(boolean yes) implements Value {
        @Override
        public Object plain() {
            return yes;
        }

        @Override
        public String shown() {
            return yes ? "yes" : "no";
        }
    }

    /** @param currency ISO 4217 code */
    record Money(BigDecimal amount, String currency) implements Value {
        public Money {
            amount = amount.setScale(2, RoundingMode.HALF_UP);
        }

        @Override
        public Object plain() {
            Map<String, Object> plain = new LinkedHashMap<>();
            plain.put("amount", amount);
            plain.put("currency", currency);
            return plain;
        }

        @Override
        public String shown() {
            String symbol = Currency.getInstance(currency).getSymbol(Locale.UK);
            String number = amount.stripTrailingZeros().scale() <= 0
                    ? String.format(Locale.UK, "%,.0f", amount)
                    : String.format(Locale.UK, "%,.2f", amount);
            return symbol.length() > 1 && Character.isLetter(symbol.charAt(symbol.length() - 1))
                    ? symbol + " " + number
                    : symbol + number;
        }
    }

    record Day(LocalDate date) implements Value {
        private static final DateTimeFormatter SHOWN = DateTimeFormatter.ofPattern("EEEE d MMMM uuuu", Locale.UK);

        @Override
        public Object plain() {
            return Map.of("date", date.toString());
        }

        @Override
        public String shown() {
            return SHOWN.format(date);
        }
    }

    record Clock(LocalTime time) implements Value {
        @Override
        public Object plain() {
            return Map.of("time", time.toString());
        }

        @Override
        public String shown() {
            return time.toString();
        }
    }

    /** A date and a time on the visitor's clock. */
    record Moment(LocalDateTime at) implements Value {
        @Override
        public Object plain() {
            return Map.of("moment", at.toString());
        }

        @Override
        public String shown() {
            return new Day(at.toLocalDate()).shown() + ", " + at.toLocalTime();
        }
    }

    /** Several of a list, in the list's order. */
    record Many(List<String> items) implements Value {
        public Many {
            items = List.copyOf(items);
        }

        @Override
        public Object plain() {
            return items;
        }

        @Override
        public String shown() {
            return items.isEmpty() ? "none" : String.join(", ", items);
        }
    }

    /** A file the visitor sent; {@code id} is the shell's. */
    record File(String id, String name) implements Value {
        @Override
        public Object plain() {
            return Map.of("file", id, "name", name);
        }

        @Override
        public String shown() {
            return name;
        }
    }

    /** Something that is never shown. {@code sealed} is the shell's cipher text; the engine cannot open it. */
    record Secret(String sealed) implements Value {
        @Override
        public Object plain() {
            return Map.of("secret", sealed);
        }

        @Override
        public String shown() {
            return "•••••";
        }
    }

    /** The JSON form: a string, number, boolean, list of strings or map. */
    @JsonValue
    Object plain();

    /** As a visitor reads it. */
    String shown();

    /**
     * The value of a JSON form.
     *
     * @throws IllegalArgumentException for anything else
     */
    @JsonCreator
    static Value of(Object plain) {
        return switch (plain) {
            case String text -> new Text(text);
            case Boolean yes -> new YesNo(yes);
            case BigDecimal number -> new Numeric(number);
            case Number number -> new Numeric(new BigDecimal(number.toString()));
            case Collection<?> items ->
                new Many(items.stream().map(String::valueOf).toList());
            case Map<?, ?> map when map.containsKey("date") -> new Day(LocalDate.parse(text(map, "date")));
            case Map<?, ?> map when map.containsKey("time") -> new Clock(LocalTime.parse(text(map, "time")));
            case Map<?, ?> map when map.containsKey("moment") -> new Moment(LocalDateTime.parse(text(map, "moment")));
            case Map<?, ?> map
            when map.containsKey("amount") -> new Money(new BigDecimal(text(map, "amount")), text(map, "currency"));
            case Map<?, ?> map when map.containsKey("file") -> new File(text(map, "file"), text(map, "name"));
            case Map<?, ?> map when map.containsKey("secret") -> new Secret(text(map, "secret"));
            default ->
                throw new IllegalArgumentException("expected the JSON form of a value, but got a "
                        + plain.getClass().getSimpleName());
        };
    }

    private static String text(Map<?, ?> map, String key) {
        return String.valueOf(map.get(key));
    }
}
