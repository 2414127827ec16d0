package com.shuttle.core.acts;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * How likely it is that a clause does each of the things that clauses do.
 *
 * @param kinds from 0 to 1, by the order of {@link Kind}; their sum is 1
 */
public record Odds(double[] kinds) {

    /** Nothing is known of a clause: every act is as likely as another. */
    public static final Odds UNKNOWN = new Odds(new double[0]);

    /** Whether anything is known. */
    public boolean known() {
        return kinds.length > 0;
    }

    /** Of a kind; 0 where nothing is known. */
    public double of(Kind kind) {
        return known() ? kinds[kind.ordinal()] : 0;
    }

    /** Of an act; 0 where nothing is known. */
    public double of(Act act) {
        double sum = 0;
        for (int i = 0; i < kinds.length; i++) {
            sum += Kind.values()[i].act() == act ? kinds[i] : 0;
        }
        return sum;
    }

    /** Moved towards one kind. @param share how far, 0 to 1 */
    Odds towards(Kind kind, double share) {
        double[] moved = new double[Kind.values().length];
        for (int i = 0; i < moved.length; i++) {
            moved[i] = (known() ? kinds[i] : 1.0 / moved.length) * (1 - share) + (i == kind.ordinal() ? share : 0);
        }
        return new Odds(moved);
    }

    /** To a thousandth, which is more than they are worth. */
    Odds rounded() {
        return new Odds(Arrays.stream(kinds)
                .map(odds -> Math.round(odds * 1000) / 1000.0)
                .toArray());
    }

    /** The likeliest act; {@link Act#GIVE} where nothing is known. */
    public Act act() {
        return best(List.of(Act.values()), this::of);
    }

    /** The likeliest kind of an act. */
    public Kind kind(Act act) {
        return best(act.kinds(), this::of);
    }

    /** The likeliest kind of the likeliest act. */
    public Kind kind() {
        return kind(act());
    }

    private interface Of<T> {
        double of(T what);
    }

    private static <T> T best(List<T> all, Of<T> odds) {
        return all.stream()
                .max(Comparator.comparingDouble((T one) -> odds.of(one))
                        .thenComparing(Comparator.comparingInt((T one) -> all.indexOf(one))
                                .reversed()))
                .orElseThrow();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Odds(double[] others) && Arrays.equals(kinds, others);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(kinds);
    }
}
