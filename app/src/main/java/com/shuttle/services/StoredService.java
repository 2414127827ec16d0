package com.shuttle.services;

import com.shuttle.core.service.Service;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A service as it is kept.
 *
 * @param draft     as it is being written
 * @param version   of what is published; 0 for nothing yet
 * @param published what is called; null for nothing yet
 */
public record StoredService(
        String id,
        String connection,
        Service draft,
        int version,
        @Nullable Service published,
        Instant updatedAt) {

    public boolean live() {
        return published != null;
    }

    /** Whether the draft differs from what is published. */
    public boolean changed() {
        return published != null && !published.equals(draft);
    }

    /** In words. */
    public String state() {
        return !live()
                ? "draft"
                : changed() ? "published %d, with changes since".formatted(version) : "published " + version;
    }
}
