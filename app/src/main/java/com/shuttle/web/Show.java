package com.shuttle.web;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.springframework.stereotype.Component;

/** Times in words, for templates. Thread-safe. */
@Component("show")
public class Show {

    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm 'UTC'", Locale.ENGLISH);

    private final InstantSource clock;

    Show(InstantSource clock) {
        this.clock = clock;
    }

    /** E.g. "3 May 2026, 14:05 UTC". */
    public String time(Instant at) {
        return TIME.format(at.atZone(ZoneOffset.UTC));
    }

    /** How long ago, roughly: "just now", "12 min", "3 h", "5 days". Times to come count as now. */
    public String ago(Instant at) {
        Duration gone = Duration.between(at, clock.instant());
        if (gone.toMinutes() < 1) {
            return "just now";
        }
        if (gone.toHours() < 1) {
            return gone.toMinutes() + " min";
        }
        return gone.toDays() < 2 ? gone.toHours() + " h" : gone.toDays() + " days";
    }
}
