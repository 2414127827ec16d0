package com.shuttle.leads;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.List;
import java.util.Locale;

/**
 * A part of all leads that conditions single out.
 *
 * @param id    empty for one that is not kept
 * @param anyOf whether one of the terms is enough; otherwise all have to hold
 * @param terms none for everybody
 */
public record Segment(String id, String name, boolean anyOf, List<Term> terms) {

    /** Everybody. */
    public static final Segment EVERYBODY = new Segment("", "", false, List.of());

    /** One condition. @param field key of an {@link Aspect} @param value as people write it; empty where nothing is compared with */
    public record Term(String field, How how, String value) {}

    /** How a value is compared. Capitals do not count. */
    public enum How {
        IS("is"),
        IS_NOT("is not"),
        HAS("has in it"),
        AT_LEAST("is at least"),
        AT_MOST("is at most"),
        WITHIN("in the last days"),
        BEFORE("longer ago than days"),
        FILLED("is there"),
        EMPTY("is not there");

        private final String label;

        How(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Whether it compares with a value. */
        public boolean compares() {
            return this != FILLED && this != EMPTY;
        }

        static How of(String key) {
            for (How how : values()) {
                if (how.key().equals(key)) {
                    return how;
                }
            }
            return IS;
        }
    }

    public Segment {
        terms = List.copyOf(terms);
    }

    /** Whether it leaves nobody out. */
    @JsonIgnore
    public boolean everybody() {
        return terms.isEmpty();
    }
}
