package com.shuttle.leads;

import java.time.Instant;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Something that happened to a person.
 *
 * @param words        in a sentence without its end, such as "became a lead"
 * @param account      who did it; empty where a conversation or the application did
 * @param conversation in which it happened; empty for none
 * @param undo         how it is undone, as JSON; null where it cannot be, or was
 */
public record PersonEvent(
        String id,
        String person,
        Kind kind,
        String words,
        String account,
        String conversation,
        @Nullable String undo,
        Instant at) {

    /** What sort of thing. */
    public enum Kind {
        MADE,
        TALKED,
        SCORED,
        STATE,
        OWNER,
        EDITED,
        NOTE,
        TASK,
        MAIL,
        CONSENT,
        MERGED;

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Kind of(String key) {
            return valueOf(key.toUpperCase(Locale.ROOT));
        }
    }
}
