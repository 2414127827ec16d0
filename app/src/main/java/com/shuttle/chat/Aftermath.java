package com.shuttle.chat;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What a conversation left behind.
 *
 * @param notes      what the bot wrote down for the person, in order
 * @param milestones names, in the order they were reached
 * @param files      id to name, in the order they were sent
 * @param rating     null for none
 */
public record Aftermath(
        List<String> notes,
        List<String> milestones,
        Map<String, String> files,
        @Nullable Rating rating) {

    /** @param stars 1 to 5 */
    public record Rating(int stars, String remark) {

        /** "4 of 5 – “quick”". */
        public String words() {
            return stars + " of 5" + (remark.isEmpty() ? "" : " – “" + remark + "”");
        }
    }

    /** Whether there is nothing to show. */
    public boolean isEmpty() {
        return notes.isEmpty() && milestones.isEmpty() && files.isEmpty() && rating == null;
    }
}
