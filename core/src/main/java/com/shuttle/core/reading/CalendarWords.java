package com.shuttle.core.reading;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.MonthDay;
import java.time.temporal.TemporalAdjusters;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Names of months, weekdays, ordinals and feasts, whole, shortened or a little misspelled. */
final class CalendarWords {

    private static final Map<String, Month> MONTHS = new HashMap<>();
    private static final Map<String, DayOfWeek> WEEKDAYS = new HashMap<>();
    private static final Map<String, Integer> ORDINALS = new HashMap<>();
    private static final Map<String, MonthDay> FEASTS = Map.ofEntries(
            Map.entry("christmas day", MonthDay.of(12, 25)),
            Map.entry("christmas", MonthDay.of(12, 25)),
            Map.entry("xmas day", MonthDay.of(12, 25)),
            Map.entry("xmas", MonthDay.of(12, 25)),
            Map.entry("christmas eve", MonthDay.of(12, 24)),
            Map.entry("xmas eve", MonthDay.of(12, 24)),
            Map.entry("boxing day", MonthDay.of(12, 26)),
            Map.entry("new year's eve", MonthDay.of(12, 31)),
            Map.entry("new years eve", MonthDay.of(12, 31)),
            Map.entry("new year eve", MonthDay.of(12, 31)),
            Map.entry("nye", MonthDay.of(12, 31)),
            Map.entry("new year's day", MonthDay.of(1, 1)),
            Map.entry("new years day", MonthDay.of(1, 1)),
            Map.entry("new year's", MonthDay.of(1, 1)),
            Map.entry("valentine's day", MonthDay.of(2, 14)),
            Map.entry("valentines day", MonthDay.of(2, 14)),
            Map.entry("valentine's", MonthDay.of(2, 14)),
            Map.entry("valentines", MonthDay.of(2, 14)),
            Map.entry("st patrick's day", MonthDay.of(3, 17)),
            Map.entry("april fools day", MonthDay.of(4, 1)),
            Map.entry("april fool's day", MonthDay.of(4, 1)),
            Map.entry("may day", MonthDay.of(5, 1)),
            Map.entry("halloween", MonthDay.of(10, 31)),
            Map.entry("hallowe'en", MonthDay.of(10, 31)),
            Map.entry("bonfire night", MonthDay.of(11, 5)),
            Map.entry("guy fawkes night", MonthDay.of(11, 5)),
            Map.entry("anzac day", MonthDay.of(4, 25)),
            Map.entry("australia day", MonthDay.of(1, 26)),
            Map.entry("bastille day", MonthDay.of(7, 14)),
            Map.entry("independence day", MonthDay.of(7, 4)),
            Map.entry("st george's day", MonthDay.of(4, 23)),
            Map.entry("st andrew's day", MonthDay.of(11, 30)),
            Map.entry("burns night", MonthDay.of(1, 25)),
            Map.entry("twelfth night", MonthDay.of(1, 5)));

    /** The longest feast's name, in words. */
    static final int LONGEST_FEAST = 3;

    static {
        for (Month month : Month.values()) {
            String name = month.name().toLowerCase(Locale.ROOT);
            MONTHS.put(name, month);
            MONTHS.put(name.substring(0, 3), month);
        }
        MONTHS.put("sept", Month.SEPTEMBER);
        MONTHS.put("janvier", Month.JANUARY);
        MONTHS.put("febuary", Month.FEBRUARY);
        for (DayOfWeek day : DayOfWeek.values()) {
            String name = day.name().toLowerCase(Locale.ROOT);
            WEEKDAYS.put(name, day);
            WEEKDAYS.put(name + "s", day);
            WEEKDAYS.put(name.substring(0, 3), day);
        }
        WEEKDAYS.put("tues", DayOfWeek.TUESDAY);
        WEEKDAYS.put("weds", DayOfWeek.WEDNESDAY);
        WEEKDAYS.put("thur", DayOfWeek.THURSDAY);
        WEEKDAYS.put("thurs", DayOfWeek.THURSDAY);
        String[] ordinals =
                ("first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth thirteenth"
                                + " fourteenth fifteenth sixteenth seventeenth eighteenth nineteenth twentieth")
                        .split(" ");
        for (int i = 0; i < ordinals.length; i++) {
            ORDINALS.put(ordinals[i], i + 1);
        }
        ORDINALS.put("thirtieth", 30);
    }

    private CalendarWords() {}

    static @Nullable Month month(String word) {
        Month month = MONTHS.get(word);
        return month != null ? month : near(word, MONTHS);
    }

    static @Nullable DayOfWeek weekday(String word) {
        DayOfWeek day = WEEKDAYS.get(word);
        return day != null ? day : near(word, WEEKDAYS);
    }

    /** Whether a word, spelled rightly, is a month's or a weekday's. */
    static boolean named(String word) {
        return MONTHS.containsKey(word) || WEEKDAYS.containsKey(word);
    }

    /** "Wed like lunch" is written in a hurry. */
    private static final Set<String> AFTER_WE_WOULD = WordLists.load("after-we-would.txt");

    /** Whether the short name of a weekday is another word where it stands: "we sat in the sun", "wed like lunch". */
    static boolean isNoDay(Tokens tokens, int at) {
        boolean sits = (tokens.is(at, "sat") || tokens.is(at, "sun"))
                && tokens.at(at - 1).letters()
                && (tokens.is(at + 1, Set.of("and", "&", "in", "on", "down"))
                        || tokens.is(at - 1, Set.of("and", "&", "the", "in")));
        return sits || tokens.is(at, "wed") && tokens.is(at + 1, AFTER_WE_WOULD);
    }

    /** Whether what follows an ordinal is a name that it counts: "the 3rd Tarnfell cubs" are no day. */
    static boolean isNameAfter(Tokens tokens, int next) {
        Tokens.Token name = tokens.at(next);
        return name.letters()
                && Character.isUpperCase(tokens.text().charAt(name.start()))
                && !named(name.word())
                && tokens.at(next + 1).letters();
    }

    /** 1 to 20 and 30 for a single word; 0 for none. */
    static int ordinal(String word) {
        return ORDINALS.getOrDefault(word, 0);
    }

    /** The next time this feast is kept, on or after {@code today}; null for no feast. */
    static @Nullable LocalDate feast(String name, LocalDate today) {
        MonthDay day = FEASTS.get(name);
        if (day != null) {
            LocalDate thisYear = day.atYear(today.getYear());
            return thisYear.isBefore(today) ? day.atYear(today.getYear() + 1) : thisYear;
        }
        int offset = switch (name) {
            case "good friday" -> -2;
            case "easter", "easter sunday", "easter day" -> 0;
            case "easter monday" -> 1;
            case "pancake day", "shrove tuesday" -> -47;
            case "ash wednesday" -> -46;
            case "whit monday" -> 50;
            default -> 1000;
        };
        if (offset != 1000) {
            LocalDate thisYear = easter(today.getYear()).plusDays(offset);
            return thisYear.isBefore(today) ? easter(today.getYear() + 1).plusDays(offset) : thisYear;
        }
        if (name.equals("thanksgiving") || name.equals("thanksgiving day")) {
            LocalDate thisYear = thanksgiving(today.getYear());
            return thisYear.isBefore(today) ? thanksgiving(today.getYear() + 1) : thisYear;
        }
        return null;
    }

    private static LocalDate thanksgiving(int year) {
        return LocalDate.of(year, 11, 1).with(TemporalAdjusters.dayOfWeekInMonth(4, DayOfWeek.THURSDAY));
    }

    /** Easter Sunday in the Gregorian calendar (anonymous computus, Nature 13, 1876). */
    static LocalDate easter(int year) {
        int a = year % 19;
        int b = year / 100;
        int c = year % 100;
        int d = b / 4;
        int e = b % 4;
        int f = (b + 8) / 25;
        int g = (b - f + 1) / 3;
        int h = (19 * a + b - d - g + 15) % 30;
        int i = c / 4;
        int k = c % 4;
        int l = (32 + 2 * e + 2 * i - h - k) % 7;
        int m = (a + 11 * h + 22 * l) / 451;
        int n = h + l - 7 * m + 114;
        return LocalDate.of(year, n / 31, n % 31 + 1);
    }

    private static <T> @Nullable T near(String word, Map<String, T> names) {
        if (word.length() < 5 || !Character.isLetter(word.charAt(0))) {
            return null;
        }
        T found = null;
        for (Map.Entry<String, T> entry : names.entrySet()) {
            String name = entry.getKey();
            if (name.length() < 5 || name.charAt(0) != word.charAt(0)) {
                continue;
            }
            int slips = name.length() < 7 ? 1 : 2;
            if (Words.distance(word, name, slips) <= slips) {
                if (found != null && !found.equals(entry.getValue())) {
                    return null;
                }
                found = entry.getValue();
            }
        }
        return found;
    }
}
