package com.shuttle.core.reading;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The one of some values that is meant by where it stands among them: "the later one", "the cheaper". Pure functions. */
public final class Extremes {

    private static final Set<String> GREATER = WordLists.load("greater.txt");
    private static final Set<String> LESSER = WordLists.load("lesser.txt");

    /** Longer replies say more than that. */
    private static final int MOST_WORDS = 6;

    private Extremes() {}

    /**
     * The greatest or the least of some values, as words say.
     *
     * @param values of one kind
     * @return null where words say neither or both, or the values have no order
     */
    public static @Nullable Value of(String text, List<Value> values) {
        List<String> words = Words.of(text);
        boolean greater = words.stream().anyMatch(GREATER::contains);
        boolean lesser = words.stream().anyMatch(LESSER::contains);
        if (greater == lesser || words.size() > MOST_WORDS || values.stream().anyMatch(value -> rank(value) == null)) {
            return null;
        }
        Comparator<Value> order = Comparator.comparingDouble(value -> rank(value) instanceof Double rank ? rank : 0);
        return values.stream().max(greater ? order : order.reversed()).orElse(null);
    }

    /** Where a value stands among others of its kind; null where it has no place. */
    private static @Nullable Double rank(Value value) {
        return switch (value) {
            case Value.Numeric(var number) -> number.doubleValue();
            case Value.Money(var amount, var currency) -> amount.doubleValue();
            case Value.Day(var date) -> (double) date.toEpochDay();
            case Value.Clock(var time) -> (double) time.toSecondOfDay();
            case Value.Moment(var at) ->
                at.toLocalDate().toEpochDay() + at.toLocalTime().toSecondOfDay() / 86_400.0;
            default -> null;
        };
    }
}
