package com.shuttle.core.reading;

import java.time.LocalDate;
import java.time.Month;
import java.time.format.TextStyle;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** A day told in two halves: a month first ("sometime in May", "next month"), and then the day of it ("the 8th"). Pure functions. */
public final class HalfDay {

    private static final Pattern DAY_ALONE = Pattern.compile(
            "(?i)\\W*(?:(?:on|the|maybe|say|then|ok|about|let'?s say|make it|and|well|oh)\\s+)*(\\d{1,2})(?:st|nd|rd|th)?(?:\\s+(?:please|then|maybe|would be (?:good|great|fine)))*\\W*");

    private HalfDay() {}

    /** The first day of a month that a message names without a day; empty where it names none, or a day as well. */
    public static Optional<LocalDate> month(String text, Context context) {
        LocalDate today = context.now().toLocalDate();
        List<String> words = Words.of(text);
        if (words.stream().anyMatch(word -> word.chars().anyMatch(Character::isDigit))) {
            return Optional.empty();
        }
        String normal = String.join(" ", words);
        if (normal.contains("next month")) {
            return Optional.of(today.plusMonths(1).withDayOfMonth(1));
        }
        if (normal.contains("this month")) {
            return Optional.of(today.withDayOfMonth(1));
        }
        return words.stream()
                .filter(word -> word.length() > 2)
                .flatMap(word -> Stream.ofNullable(CalendarWords.month(word)))
                .findFirst()
                .map(month -> coming(month, today));
    }

    private static LocalDate coming(Month month, LocalDate today) {
        LocalDate thisYear = LocalDate.of(today.getYear(), month, 1);
        return thisYear.plusMonths(1).isAfter(today) ? thisYear : thisYear.plusYears(1);
    }

    /**
     * The other half in the words of a whole day: "the 8th" after May is "8 May 2027".
     *
     * @param half as from {@link #month}
     * @return empty where a message says more than a day of a month, or one that the month does not have
     */
    public static Optional<String> completed(String text, LocalDate half) {
        Matcher day = DAY_ALONE.matcher(text.replace('’', '\''));
        if (!day.matches()) {
            return Optional.empty();
        }
        int number = Integer.parseInt(day.group(1));
        return number < 1 || number > half.lengthOfMonth()
                ? Optional.empty()
                : Optional.of(number + " " + half.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH) + " "
                        + half.getYear());
    }
}
