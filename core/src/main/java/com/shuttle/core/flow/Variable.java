package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;

/**
 * A variable that a designer has declared.
 *
 * @param name lower-case letters, digits and underscores, beginning with a letter
 * @param note for designers; may be empty
 */
public record Variable(String name, ValueType type, Origin origin, String note) {

    /** Whose it is, and so how long it lasts. */
    public enum Origin implements Keyed {
        CONVERSATION("this conversation"),
        VISITOR("the visitor, from one conversation to the next"),
        PAGE("the website, which tells it");

        private final String label;

        Origin(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        /** @throws IllegalArgumentException if there is no such origin */
        @JsonCreator
        public static Origin of(String key) {
            return Keyed.of(Origin.class, key, "origin");
        }
    }

    public Variable {
        note = Parts.text(note);
    }
}
