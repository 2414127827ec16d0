package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Criteria with points, and the bands that their sum falls in. What it comes to for a visitor is worked out by
 * {@code scoring.Scoring}. Immutable.
 *
 * @param name  as designers call it
 * @param bands in any order; those of the same sum are a fault that a check names, and the first of them counts
 */
public record Scorecard(String id, String name, List<Group> groups, List<Band> bands) {

    /** Most criteria of a card. */
    public static final int MOST_CRITERIA = 60;

    /** Most points that a case gives or takes. */
    public static final int MOST_POINTS = 1000;

    /**
     * Criteria that belong together.
     *
     * @param most points that they give together at the most; null for as many as they are
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Group(String id, String name, @Nullable Integer most, List<Criterion> criteria) {
        public Group {
            name = Parts.text(name);
            criteria = criteria == null ? List.of() : List.copyOf(criteria);
        }
    }

    /**
     * One thing that is looked at.
     *
     * @param about   a variable of the bot or one that the engine sets, or an expression
     * @param called  what designers call it in a reason; empty for the variable's own name
     * @param cases   the first that holds counts; where none does there are no points
     * @param unknown points while it is not known
     */
    public record Criterion(String id, String about, String called, List<Case> cases, int unknown) {
        public Criterion {
            about = Parts.text(about).strip();
            called = Parts.text(called).strip();
            cases = cases == null ? List.of() : List.copyOf(cases);
        }

        /** Whether it is about a variable by its name, and not an expression. */
        @JsonIgnore
        public boolean ofVariable() {
            return about.matches("[a-z][a-z0-9_]*");
        }

        /** What it is called in a reason. */
        @JsonIgnore
        public String name() {
            return called.isEmpty() ? about.replace('_', ' ') : called;
        }
    }

    /**
     * What it has to be.
     *
     * @param value  compared with; the lower end of a range; several of a set are separated by commas
     * @param to     the upper end of a range
     * @param points given where it holds
     * @param out    whether a visitor for whom it holds is ruled out, whatever the sum
     */
    public record Case(String id, Is is, String value, String to, int points, boolean out) {
        public Case {
            is = is == null ? Is.KNOWN : is;
            value = Parts.text(value).strip();
            to = Parts.text(to).strip();
        }
    }

    /** How a value is compared. Capitals do not count. */
    public enum Is implements Keyed {
        MORE("more than", true),
        AT_LEAST("at least", true),
        /** Both ends count. */
        WITHIN("from", true),
        AT_MOST("at most", true),
        LESS("less than", true),
        SAME("is", true),
        ONE_OF("is one of", true),
        HAS("has in it", true),
        YES("is yes", false),
        NO("is no", false),
        KNOWN("is known", false),
        ELSE("anything else", false);

        private final String label;
        private final boolean compares;

        Is(String label, boolean compares) {
            this.label = label;
            this.compares = compares;
        }

        public String label() {
            return label;
        }

        /** Whether it compares with a value. */
        public boolean compares() {
            return compares;
        }

        @JsonCreator
        public static Is of(String key) {
            return Keyed.of(Is.class, key, "comparison");
        }
    }

    /** A part of all sums. @param from the least sum of it; the lowest band also has every sum below */
    public record Band(String id, String name, int from) {
        public Band {
            name = Parts.text(name);
        }
    }

    public Scorecard {
        name = Parts.text(name);
        groups = groups == null ? List.of() : List.copyOf(groups);
        bands = bands == null
                ? List.of()
                : bands.stream().sorted(Comparator.comparingInt(Band::from)).toList();
    }

    /** All criteria in their order. */
    @JsonIgnore
    public List<Criterion> criteria() {
        return groups.stream().flatMap(group -> group.criteria().stream()).toList();
    }

    /** The band that a sum falls in; empty where there are no bands. */
    public Optional<Band> band(int sum) {
        Band of = null;
        for (Band band : bands) {
            boolean higher = of == null || band.from() <= sum && band.from() > of.from();
            of = higher ? band : of;
        }
        return Optional.ofNullable(of);
    }
}
