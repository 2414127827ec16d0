package com.shuttle.chat;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What a conversation left behind.
 *
 * @param brief      what the bot passes on to the person; may be empty
 * @param milestones names, in the order they were reached
 * @param files      id to name, in the order they were sent
 * @param rating     null for none
 */
public record Aftermath(
        String brief,
        List<String> milestones,
        Map<String, String> files,
        @Nullable Rating rating) {

    /** @param stars 1 to 5 */
    public record Rating(int stars, String remark) {}

    /** Whether there is nothing to show. */
    public boolean isEmpty() {
        return brief.isBlank() && milestones.isEmpty() && files.isEmpty() && rating == null;
    }
}
