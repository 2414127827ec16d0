package com.shuttle.core.followup;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * What is known of somebody who is followed up. Each moment is null where it did not happen.
 *
 * @param enteredAt  since when they are followed up
 * @param reachable  whether there is an email
 * @param agreedAt   when they agreed to mail, and have not withdrawn it
 * @param stoppedAt  when they wanted no more, or mail came back; {@code bounced} tells which
 * @param answeredAt first word of theirs after they were entered
 * @param bookedAt   first appointment they made after that
 * @param movedAt    first change of state after that
 */
public record Standing(
        Instant enteredAt,
        boolean reachable,
        @Nullable Instant agreedAt,
        @Nullable Instant stoppedAt,
        boolean bounced,
        @Nullable Instant answeredAt,
        @Nullable Instant bookedAt,
        @Nullable Instant movedAt) {}
