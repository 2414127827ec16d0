package com.shuttle.core.knowledge;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * Whether and when something may be said to visitors.
 *
 * @param published false for a draft
 * @param from      first day it holds; null where it always did
 * @param until     last day it holds; null where it has no end
 */
public record Standing(
        boolean published,
        @Nullable LocalDate from,
        @Nullable LocalDate until) {

    /** Published, for good. */
    public static final Standing USUAL = new Standing(true, null, null);

    public boolean holds(LocalDate day) {
        return published && (from == null || !day.isBefore(from)) && !over(day);
    }

    /** Whether its last day has passed. */
    public boolean over(LocalDate day) {
        return until != null && day.isAfter(until);
    }
}
