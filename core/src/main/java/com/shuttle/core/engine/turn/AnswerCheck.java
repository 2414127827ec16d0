package com.shuttle.core.engine.turn;

import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.Check;
import com.shuttle.core.flow.Limits;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Regex;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.TextStyle;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Whether an answer keeps to what its question allows. */
public final class AnswerCheck {

    private AnswerCheck() {}

    /** What to tell the visitor; null where the answer is fit. */
    public static @Nullable String problem(Wanted wanted, Value value, TurnRun run) {
        String limit = limit(wanted, value, run.around().now());
        if (limit != null) {
            return limit;
        }
        for (Check check : wanted.checks()) {
            if (!check.rule().isBlank()
                    && !wanted.variable().isBlank()
                    && fails(check, wanted.variable(), value, run)) {
                String words = run.filled(check.words());
                return words.isBlank() ? Phrasebook.UNFIT : words;
            }
        }
        return null;
    }

    /** A rule that cannot be told lets the answer pass: the designer's mistake must not stop a visitor. */
    private static boolean fails(Check check, String variable, Value value, TurnRun run) {
        return switch (run.evaluator().evaluate(check.rule(), Map.of(variable, value))) {
            case Expressions.Result.Given(Value.YesNo(boolean holds)) -> !holds;
            case Expressions.Result.Given given -> false;
            case Expressions.Result.Failed(String why) -> {
                run.trace("cannot tell", check.rule() + ": " + why);
                yield false;
            }
        };
    }

    private static @Nullable String limit(Wanted wanted, Value value, LocalDateTime now) {
        Limits limits = wanted.limits();
        return switch (value) {
            case Value.Numeric(BigDecimal number) -> {
                boolean marks = wanted.type() == ValueType.RATING;
                BigDecimal min = marks ? BigDecimal.valueOf(Offers.lowest(wanted)) : limits.min();
                BigDecimal max = marks ? BigDecimal.valueOf(Offers.highest(wanted)) : limits.max();
                if ((limits.whole() || marks) && number.stripTrailingZeros().scale() > 0) {
                    yield "That has to be a whole number.";
                }
                yield amount(number, min, max, "");
            }
            case Value.Money money -> amount(money.amount(), limits.min(), limits.max(), money.currency());
            case Value.Day(LocalDate date) -> day(date, limits, now);
            case Value.Clock(LocalTime time) -> time(time, limits);
            case Value.Moment(LocalDateTime at) -> {
                String day = day(at.toLocalDate(), limits, now);
                boolean gone = limits.earliest().equals("today") && at.isBefore(now);
                yield day != null ? day : gone ? "That time has passed already." : null;
            }
            default -> null;
        };
    }

    private static @Nullable String amount(
            BigDecimal number, @Nullable BigDecimal min, @Nullable BigDecimal max, String currency) {
        if (min != null && number.compareTo(min) < 0) {
            return "That is too little: " + shown(min, currency) + " is the least"
                    + (max == null ? "." : ", and " + shown(max, currency) + " the most.");
        }
        if (max != null && number.compareTo(max) > 0) {
            return "That is too much: " + shown(max, currency) + " is the most"
                    + (min == null ? "." : ", and " + shown(min, currency) + " the least.");
        }
        return null;
    }

    private static String shown(BigDecimal number, String currency) {
        return currency.isEmpty() ? number.toPlainString() : new Value.Money(number, currency).shown();
    }

    private static @Nullable String day(LocalDate date, Limits limits, LocalDateTime now) {
        LocalDate earliest = day(limits.earliest(), now.toLocalDate());
        LocalDate latest = day(limits.latest(), now.toLocalDate());
        if (earliest != null && date.isBefore(earliest)) {
            return date.isBefore(now.toLocalDate())
                    ? "That day has passed already."
                    : "That is too soon: " + new Value.Day(earliest).shown() + " is the first day possible.";
        }
        if (latest != null && date.isAfter(latest)) {
            return "That is too late: " + new Value.Day(latest).shown() + " is the last day possible.";
        }
        String weekday = date.getDayOfWeek().name().toLowerCase(Locale.ROOT);
        if (!limits.weekdays().isEmpty() && !limits.weekdays().contains(weekday)) {
            return "That is a " + date.getDayOfWeek().getDisplayName(TextStyle.FULL, Locale.UK) + ". It has to be a "
                    + Phrasebook.either(
                            limits.weekdays().stream().map(Phrasebook::capital).toList()) + ".";
        }
        return null;
    }

    /** A limit's day; null where it sets none or is no date. */
    public static @Nullable LocalDate day(String limit, LocalDate today) {
        try {
            if (limit.equals("today")) {
                return today;
            }
            if (Regex.matches(limit, "[+-]\\d{1,5}")) {
                return today.plusDays(Integer.parseInt(limit));
            }
            return limit.length() >= 10 ? LocalDate.parse(limit.substring(0, 10)) : null;
        } catch (DateTimeException e) {
            return null;
        }
    }

    private static @Nullable String time(LocalTime time, Limits limits) {
        try {
            if (!limits.earliest().isBlank() && time.isBefore(LocalTime.parse(limits.earliest()))) {
                return "That is too early: " + limits.earliest() + " is the first time possible.";
            }
            if (!limits.latest().isBlank() && time.isAfter(LocalTime.parse(limits.latest()))) {
                return "That is too late: " + limits.latest() + " is the last time possible.";
            }
        } catch (DateTimeException e) {
            return null;
        }
        return null;
    }
}
