package com.shuttle.web;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Optional;

/** Moments as programs and pages write them. */
public final class Instants {

    private static final Instant FIRST = Instant.EPOCH;
    private static final Instant LAST = Instant.parse("2200-01-01T00:00:00Z");

    private Instants() {}

    /** A text such as 2026-03-12T14:00:00Z or with another offset; empty for what is none, or no time of ours. */
    public static Optional<Instant> of(String text) {
        try {
            Instant instant = OffsetDateTime.parse(text.strip()).toInstant();
            return instant.isBefore(FIRST) || instant.isAfter(LAST) ? Optional.empty() : Optional.of(instant);
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
