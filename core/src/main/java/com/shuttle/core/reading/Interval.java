package com.shuttle.core.reading;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * The numbers that an option stands for: "Under 18", "£500 to £1,000", "Over 50", "3 or more".
 *
 * @param from null for no lower end
 * @param to   null for no upper end
 */
record Interval(
        @Nullable BigDecimal from,
        boolean fromIncluded,
        @Nullable BigDecimal to,
        boolean toIncluded) {

    private static final Pattern BELOW =
            Pattern.compile("\\b(?:under|below|less than|fewer than)\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern UP_TO = Pattern.compile(
            "\\b(?:up to|at most|no more than|or less|or fewer|or under|maximum)\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern ABOVE = Pattern.compile("\\b(?:over|above|more than)\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern FROM = Pattern.compile(
            "(?:\\b(?:at least|from|or more|or over|or above|minimum|and up|and over|plus)\\b|\\+)",
            Pattern.CASE_INSENSITIVE);

    /** The interval a label names; null if it names none. */
    static @Nullable Interval of(String label, Context context) {
        List<Mention> numbers = NumberReader.find(Tokens.of(Regex.replaceAll(label, "[£€$₹]", " ")), context);
        if (numbers.size() != 1) {
            return null;
        }
        Mention only = numbers.getFirst();
        BigDecimal first = number(only.values().getFirst());
        if (only.range()) {
            return new Interval(first, true, number(only.values().getLast()), true);
        }
        if (BELOW.matcher(label).find()) {
            return new Interval(null, false, first, false);
        }
        if (UP_TO.matcher(label).find()) {
            return new Interval(null, false, first, true);
        }
        if (ABOVE.matcher(label).find()) {
            return new Interval(first, false, null, false);
        }
        return FROM.matcher(label).find() ? new Interval(first, true, null, false) : null;
    }

    /** The one number a message says. */
    static Optional<BigDecimal> said(String text, Context context) {
        Reading reading = MoneyReader.read(text, context);
        if (reading instanceof Reading.Given(Value.Money(BigDecimal amount, String currency), int start, int end)) {
            return Optional.of(amount);
        }
        return NumberReader.read(text, context)
                        instanceof Reading.Given(Value.Numeric(BigDecimal number), int start, int end)
                ? Optional.of(number)
                : Optional.empty();
    }

    boolean holds(BigDecimal number) {
        boolean above = from == null || number.compareTo(from) > 0 || fromIncluded && number.compareTo(from) == 0;
        boolean below = to == null || number.compareTo(to) < 0 || toIncluded && number.compareTo(to) == 0;
        return above && below;
    }

    private static BigDecimal number(Value value) {
        return ((Value.Numeric) value).number();
    }
}
