package com.shuttle.core.expression;

import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What expressions come to, as values of a conversation. Pure functions. */
final class Results {

    private static final int DIGITS = 12;

    private Results() {}

    /** The value of a result; null for what no variable can hold, such as a division by zero or a list of lists. */
    static @Nullable Value value(@Nullable Object result) {
        return switch (result) {
            case null -> null;
            case Boolean yes -> new Value.YesNo(yes);
            case Double number when number.isInfinite() || number.isNaN() -> null;
            case Double number ->
                new Value.Numeric(new BigDecimal(number).round(new MathContext(DIGITS, RoundingMode.HALF_UP)));
            case Number number -> new Value.Numeric(new BigDecimal(number.toString()));
            case String text -> new Value.Text(text);
            case Instant instant -> at(LocalDateTime.ofInstant(instant, ZoneOffset.UTC));
            case com.google.protobuf.Timestamp stamp ->
                at(LocalDateTime.ofEpochSecond(stamp.getSeconds(), stamp.getNanos(), ZoneOffset.UTC));
            case Duration span ->
                new Value.Numeric(BigDecimal.valueOf(span.toSeconds())
                        .divide(BigDecimal.valueOf(86_400), new MathContext(DIGITS)));
            // A list within a list may hold itself twice over at each level, so that its text has no end.
            case List<?> items
            when items.stream().anyMatch(item -> item instanceof List || item instanceof Map) -> null;
            case List<?> items ->
                new Value.Many(items.stream().map(String::valueOf).toList());
            default -> null;
        };
    }

    private static Value at(LocalDateTime at) {
        return at.toLocalTime().equals(LocalTime.MIDNIGHT) ? new Value.Day(at.toLocalDate()) : new Value.Moment(at);
    }
}
