package com.shuttle.core.expression;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An expression as the designer writes it, made ready for CEL: whole numbers become decimals, since all numbers are;
 * {@code known(x)}, {@code open("team")}, {@code free("kind")} and {@code first_free("kind")} become look-ups. Keeps where each character came from, so that
 * errors are told at the place they stand in the designer's text.
 */
final class Source {

    /** The list of the names of variables that have a value. */
    static final String KNOWN = "known_names";

    /** The list of the names of teams that are open, in lower case. */
    static final String OPEN = "open_teams";

    /** When kinds of appointment are free first, by their names in lower case. */
    static final String FREE = "free_times";

    private static final Pattern TOKEN = Pattern.compile("(?<text>\"(?:[^\"\\\\]|\\\\.)*\"|'(?:[^'\\\\]|\\\\.)*')"
            + "|(?<known>\\bknown\\s*\\(\\s*([a-z][a-z0-9_]*)\\s*\\))"
            + "|(?<open>\\bopen\\s*\\(\\s*(?:\"([^\"\\\\]*)\"|'([^'\\\\]*)')\\s*\\))"
            + "|(?<free>\\b(first_)?free\\s*\\(\\s*(?:\"([^\"\\\\]*)\"|'([^'\\\\]*)')\\s*\\))"
            + "|(?<number>(?<![\\w.])\\d+(?:\\.\\d+)?(?:[eE][+-]?\\d+)?(?![\\w.]))"
            + "|(?<word>[A-Za-z_]\\w*)");

    private final String text;
    private final StringBuilder ready = new StringBuilder();
    private final List<Integer> origins = new ArrayList<>();
    private final Set<String> teams = new LinkedHashSet<>();
    private final Set<String> kinds = new LinkedHashSet<>();
    private final Set<String> asksKnown = new LinkedHashSet<>();

    /** @param decimals whether whole numbers become decimals */
    Source(String text, boolean decimals) {
        this.text = text;
        Matcher matcher = TOKEN.matcher(text);
        int at = 0;
        while (matcher.find()) {
            copy(at, matcher.start());
            if (matcher.group("known") != null) {
                asksKnown.add(matcher.group(3));
                put("(\"" + matcher.group(3) + "\" in " + KNOWN + ")", matcher.start());
            } else if (matcher.group("open") != null) {
                String team = matcher.group(5) != null ? matcher.group(5) : matcher.group(6);
                teams.add(team);
                put("(\"" + team.toLowerCase(Locale.ROOT) + "\" in " + OPEN + ")", matcher.start());
            } else if (matcher.group("free") != null) {
                String kind = matcher.group(9) != null ? matcher.group(9) : matcher.group(10);
                String key = "\"" + kind.toLowerCase(Locale.ROOT) + "\"";
                kinds.add(kind);
                put(
                        matcher.group(8) == null ? "(" + key + " in " + FREE + ")" : FREE + "[" + key + "]",
                        matcher.start());
            } else if (decimals
                    && matcher.group("number") != null
                    && matcher.group().chars().allMatch(Character::isDigit)) {
                put(matcher.group() + ".0", matcher.start());
            } else {
                copy(matcher.start(), matcher.end());
            }
            at = matcher.end();
        }
        copy(at, text.length());
    }

    private void copy(int from, int to) {
        for (int i = from; i < to; i++) {
            ready.append(text.charAt(i));
            origins.add(i);
        }
    }

    private void put(String made, int origin) {
        ready.append(made);
        for (int i = 0; i < made.length(); i++) {
            origins.add(origin);
        }
    }

    /** The text for CEL. */
    String ready() {
        return ready.toString();
    }

    /** Names of the teams it asks about, as written. */
    Set<String> teams() {
        return teams;
    }

    /** Names of the kinds of appointment it asks about, as written. */
    Set<String> kinds() {
        return kinds;
    }

    /** Names that it asks to be known. */
    Set<String> asksKnown() {
        return asksKnown;
    }

    /** Where a character of {@link #ready} stands in the designer's text; its end for places beyond. */
    int origin(int index) {
        return index >= 0 && index < origins.size() ? origins.get(index) : text.length();
    }
}
