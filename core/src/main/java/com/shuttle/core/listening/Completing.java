package com.shuttle.core.listening;

import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Finder;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.time.LocalDate;

/** Makes whole by what was known before what a message says anew. Pure functions. */
public final class Completing {

    private static final Finder DAY_ONLY = Finder.of("\\b\\d{1,2}(?:st|nd|rd|th)\\b");
    private static final Finder MORE_OF_A_DAY = Finder.of(
            "\\b(?!maybe\\b)(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)\\w*|\\b(?:next|this) (?:month|week|year)|\\b20\\d\\d\\b|\\d[/.]\\d");

    private Completing() {}

    /** What is told anew as what was known before makes it whole: a day in its month, a part of a name in its place. */
    public static Value inPlaceOf(String text, Value before, Value after, Context context) {
        if (before instanceof Value.Text(String old) && after instanceof Value.Text(String said)) {
            return inName(old, said);
        }
        return sameMonth(text, before, after, context);
    }

    static Value inName(String old, String said) {
        String[] parts = old.split(" ");
        String word = Words.normal(said);
        if (parts.length < 2 || said.contains(" ")) {
            return new Value.Text(said);
        }
        for (int i = 0; i < parts.length; i++) {
            if (Words.distance(word, Words.normal(parts[i]), 2) <= 2) {
                parts[i] = said;
                return new Value.Text(String.join(" ", parts));
            }
        }
        return new Value.Text(said);
    }

    /** "Oops, the 14th": where only a day of the month is said, it is one of the month that was said before. */
    private static Value sameMonth(String text, Value before, Value after, Context context) {
        if (!(before instanceof Value.Day(LocalDate old)) || !(after instanceof Value.Day(LocalDate day))) {
            return after;
        }
        boolean only = DAY_ONLY.in(text) && !MORE_OF_A_DAY.in(text);
        LocalDate moved = day.getDayOfMonth() <= old.lengthOfMonth() ? old.withDayOfMonth(day.getDayOfMonth()) : day;
        return only && !moved.isBefore(context.now().toLocalDate()) ? new Value.Day(moved) : after;
    }
}
