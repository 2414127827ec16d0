package com.shuttle.bots;

import com.shuttle.core.flow.Response;
import java.util.Collections;
import java.util.List;
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
 * @param responses what it says on occasions; those that are missing are as usual
 */
public record Manner(
        String picture,
        String team,
        Map<String, String> hours,
        String language,
        int letters,
        List<Response> responses) {

    /** The greatest speed of typing. */
    static final int FASTEST = 1000;

    static final String NO_SPEED = "Letters a second are a number from 0 to 1,000.";

    public static final Manner PLAIN = new Manner("", "", Map.of(), "en", 0);

    /** With the usual responses. */
    public Manner(String picture, String team, Map<String, String> hours, String language, int letters) {
        this(picture, team, hours, language, letters, List.of());
    }

    /** The same with other responses. */
    public Manner saying(List<Response> others) {
        return new Manner(picture, team, hours, language, letters, others);
    }

    /** The same at another speed of typing. */
    Manner typing(int lettersASecond) {
        return new Manner(picture, team, hours, language, lettersASecond, responses);
    }

    public Manner {
        picture = picture == null ? "" : picture;
        team = team == null ? "" : team;
        hours = hours == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(hours));
        responses = responses == null ? List.of() : List.copyOf(responses);
        language = language == null || language.isBlank() ? "en" : language;
    }
}
