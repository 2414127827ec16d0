package com.shuttle.bots;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * What a designer noted on a step for the others.
 *
 * @param author     name of who wrote it; empty where that is unknown
 * @param resolvedBy name of who settled it; null while it is open
 */
public record Note(
        String id,
        String flow,
        String step,
        String text,
        String author,
        Instant at,
        @Nullable String resolvedBy) {

    public boolean open() {
        return resolvedBy == null;
    }
}
