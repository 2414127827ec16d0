package com.shuttle.exchange;

import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Entry;
import org.jspecify.annotations.Nullable;

/**
 * What would become of a thing found.
 *
 * @param fault   why it cannot be brought in; empty where it can
 * @param entry   null unless it is a good entry
 * @param article null unless it is a good article
 */
public record Verdict(
        Found found,
        State state,
        String fault,
        @Nullable Entry entry,
        @Nullable Article article) {

    public enum State {
        /** Cannot be brought in as it is. */
        FAULTY("with faults"),
        /** Not in the collection yet. */
        NEW("new"),
        /** There with other words. */
        CHANGED("changed"),
        /** There with the same words. */
        SAME("same as before");

        private final String label;

        State(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public boolean good() {
        return state != State.FAULTY;
    }

    static Verdict faulty(Found found, String fault) {
        return new Verdict(found, State.FAULTY, fault, null, null);
    }
}
