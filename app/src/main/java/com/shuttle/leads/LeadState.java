package com.shuttle.leads;

/** A state that leads go through. @param outcome what it means */
public record LeadState(String id, String name, Outcome outcome) {

    /** What becomes of leads in it. */
    public enum Outcome {
        OPEN("still open"),
        WON("won"),
        LOST("lost");

        private final String label;

        Outcome(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }

        static Outcome of(String key) {
            for (Outcome outcome : values()) {
                if (outcome.key().equals(key)) {
                    return outcome;
                }
            }
            return OPEN;
        }
    }
}
