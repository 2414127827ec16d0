package com.shuttle.bots;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * How a bot presents itself and behaves, beside its flows.
 *
 * @param picture  address of the picture that visitors see beside its name; empty for none
 * @param team     id of the team that takes conversations where a Hand off names none; empty for any
 * @param hours    lower-case day of the week to its hours, {@code 09:00-17:00}; a day without is closed. Empty: always open
 * @param language BCP 47 tag of the language it speaks, e.g. {@code en-GB}
 * @param letters  letters it types a second, which delays its messages; 0 for at once
 */
public record Manner(String picture, String team, Map<String, String> hours, String language, int letters) {

    public static final Manner PLAIN = new Manner("", "", Map.of(), "en", 0);

    public Manner {
        picture = picture == null ? "" : picture;
        team = team == null ? "" : team;
        hours = hours == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(hours));
        language = language == null || language.isBlank() ? "en" : language;
    }
}
