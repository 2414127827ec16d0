package com.shuttle.core.reading;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.math.BigDecimal;

/** What a variable holds. In JSON simply a string, a number or a boolean. */
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
        @Override
        public Object plain() {
            return number;
        }

        @Override
        public String shown() {
            return number.stripTrailingZeros().toPlainString();
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

    /** A {@link String}, {@link BigDecimal} or {@link Boolean}. */
    @JsonValue
    Object plain();

    /** As a visitor reads it. */
    String shown();

    /**
     * The value of a plain string, number or boolean.
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
            default ->
                throw new IllegalArgumentException("expected a string, number or boolean, but got a "
                        + plain.getClass().getSimpleName());
        };
    }
}
