package com.shuttle.core.flow;

/** The parts of steps that part the way. */
public final class Branches {

    private Branches() {}

    /**
     * One rule of a Branch.
     *
     * @param id   unique within its step
     * @param name what designers call it; may be empty
     * @param when a condition; empty never holds
     */
    public record Rule(String id, String name, String when) {
        public Rule {
            name = Parts.text(name);
            when = Parts.text(when);
        }

        public String exit() {
            return "rule:" + id;
        }

        /** The name, or the condition where it has none. */
        public String label() {
            return !name.isBlank() ? name : when.isBlank() ? "a rule" : when;
        }
    }

    /**
     * One arm of an Experiment.
     *
     * @param weight share of the visitors relative to the other arms, 0 to 1000
     */
    public record Arm(String id, String name, int weight) {
        public Arm {
            name = Parts.text(name);
        }

        public String exit() {
            return "arm:" + id;
        }

        public String label() {
            return name.isBlank() ? "arm " + id : name;
        }
    }

    /**
     * A variable and the expression that gives its value.
     *
     * @param id unique within its step
     */
    public record Assignment(String id, String variable, String value) {
        public Assignment {
            variable = Parts.text(variable);
            value = Parts.text(value);
        }
    }
}
