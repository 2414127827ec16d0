package com.shuttle.web;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriComponentsBuilder;

/** Times, numbers and addresses as templates show them. Thread-safe. */
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

    /** Whether somebody has waited so long since then that it should stand out: five minutes. */
    public boolean longAgo(Instant at) {
        return Duration.between(at, clock.instant()).toMinutes() >= 5;
    }

    /** "1 step" or "3 steps". */
    public String count(int number, String one, String several) {
        return number + " " + (number == 1 ? one : several);
    }

    /** An address with parameters. @param pairs name and value in turn; values of null or nothing are left out */
    public String address(String path, @Nullable Object... pairs) {
        UriComponentsBuilder address = UriComponentsBuilder.fromPath(path);
        for (int i = 0; i + 1 < pairs.length; i += 2) {
            Object value = pairs[i + 1];
            if (value != null && !value.toString().isEmpty()) {
                address.queryParam(String.valueOf(pairs[i]), "{p" + i + "}");
            }
        }
        Map<String, Object> values = new HashMap<>();
        for (int i = 0; i + 1 < pairs.length; i += 2) {
            Object value = pairs[i + 1];
            values.put("p" + i, value == null ? "" : value);
        }
        return address.encode().buildAndExpand(values).toUriString();
    }
}
