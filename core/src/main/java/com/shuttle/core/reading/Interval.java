package com.shuttle.core.reading;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
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

    private static final Finder BELOW = Finder.of("\\b(?:under|below|less than|fewer than)\\b");
    private static final Finder UP_TO =
            Finder.of("\\b(?:up to|at most|no more than|or less|or fewer|or under|maximum)\\b");
    private static final Finder ABOVE = Finder.of("\\b(?:over|above|more than)\\b");
    private static final Finder FROM =
            Finder.of("(?:\\b(?:at least|from|or more|or over|or above|minimum|and up|and over|plus)\\b|\\+)");

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
        if (BELOW.in(label)) {
            return new Interval(null, false, first, false);
        }
        if (UP_TO.in(label)) {
            return new Interval(null, false, first, true);
        }
        if (ABOVE.in(label)) {
            return new Interval(first, false, null, false);
        }
        return FROM.in(label) ? new Interval(first, true, null, false) : null;
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
