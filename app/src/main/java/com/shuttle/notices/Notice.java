package com.shuttle.notices;

import java.time.Instant;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Something that is told outside.
 *
 * @param conversation it is about; null for none
 * @param receiver     address of a mail or a callback
 * @param subject      of a mail; of a callback what it is about
 * @param text         of a mail in Markdown; of a callback its data in JSON
 * @param attached     whether the conversation goes with it
 * @param why          the last attempt failed; empty for none that did
 * @param until        it is tried
 * @param calendar     an iCalendar file that goes with a mail; null for none
 * @param besides      what a mail that nobody asked for just now has besides
 */
public record Notice(
        String id,
        @Nullable String conversation,
        Kind kind,
        String receiver,
        String subject,
        String text,
        boolean attached,
        State state,
        int attempts,
        String why,
        Instant madeAt,
        Instant until,
        @Nullable Instant sentAt,
        @Nullable String calendar,
        Besides besides) {

    /**
     * What follow-ups have besides. Each may be empty.
     *
     * @param replyTo     where answers go
     * @param unsubscribe path by which whoever gets it gets no more
     * @param file        id of a file that goes with it
     * @param person      id of whom it is to
     */
    public record Besides(String replyTo, String unsubscribe, String file, String person) {
        public static final Besides NOTHING = new Besides("", "", "", "");
    }

    /** How it is told. */
    public enum Kind {
        MAIL("mail"),
        CALLBACK("web callback");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** How far it has come. */
    public enum State {
        WAITING("is tried"),
        SENT("sent"),
        FAILED("failed"),
        STOPPED("stopped");

        private final String label;

        State(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public boolean waiting() {
        return state == State.WAITING;
    }

    public boolean failed() {
        return state == State.FAILED;
    }

    public boolean mail() {
        return kind == Kind.MAIL;
    }
}
