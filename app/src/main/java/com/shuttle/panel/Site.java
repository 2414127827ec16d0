package com.shuttle.panel;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A website of the organisation's.
 *
 * @param addresses origins such as {@code https://tarnfell.example}; the panel shows on no other
 * @param bots      ids of those that show there, the one that is asked first in front
 * @param seenAt    when a page of it last asked for the panel; null for never
 * @param seenOn    address of that page
 */
public record Site(
        String id,
        String name,
        List<String> addresses,
        List<String> bots,
        @Nullable Instant seenAt,
        String seenOn) {
    public Site {
        addresses = List.copyOf(addresses);
        bots = List.copyOf(bots);
    }

    /** Whether the panel may show on pages of an origin. */
    boolean allows(String origin) {
        return addresses.contains(origin);
    }
}
