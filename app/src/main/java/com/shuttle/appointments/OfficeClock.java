package com.shuttle.appointments;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The clock on which the team's pages are drawn. Thread-safe. */
@Component
class OfficeClock {

    private static final int FARTHEST_YEARS = 100;

    private final InstantSource clock;
    private final ZoneId zone;

    OfficeClock(InstantSource clock, @Value("${shuttle.zone:Europe/London}") String zone) {
        this.clock = clock;
        this.zone = ZoneId.of(zone);
    }

    ZoneId zone() {
        return zone;
    }

    Instant now() {
        return clock.instant();
    }

    LocalDate today() {
        return clock.instant().atZone(zone).toLocalDate();
    }

    /** The day of a text such as 2026-03-12; today for what is none, or far away. */
    LocalDate day(String text) {
        try {
            LocalDate day = text.isBlank() ? today() : LocalDate.parse(text);
            return Math.abs(day.getYear() - today().getYear()) > FARTHEST_YEARS ? today() : day;
        } catch (DateTimeException e) {
            return today();
        }
    }
}
