package com.shuttle.core.reading;

import com.shuttle.core.reading.DateReader.Found;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Days written in figures. */
final class FigureDays {

    private static final Set<String> DOTTED =
            Set.of("DE", "AT", "CH", "PL", "CZ", "DK", "NO", "FI", "SK", "HU", "TR", "RU");

    private final DateReader days;
    private final Tokens tokens;
    private final Context context;
    private final LocalDate today;

    FigureDays(DateReader days, Tokens tokens, Context context) {
        this.days = days;
        this.tokens = tokens;
        this.context = context;
        this.today = context.now().toLocalDate();
    }

    /** "2026-05-03". */
    @Nullable
    Found iso(int i) {
        boolean form = Regex.matches(tokens.word(i), "[12]\\d{3}")
                && (tokens.is(i + 1, "-") || tokens.is(i + 1, "/"))
                && tokens.isFigures(i + 2, 1, 2)
                && tokens.is(i + 3, tokens.word(i + 1))
                && tokens.isFigures(i + 4, 1, 2)
                && tokens.touches(i)
                && tokens.touches(i + 3);
        return form ? days.exact(days.number(i), days.number(i + 2), days.number(i + 4), i + 5) : null;
    }

    /** "3/5", "03.05.26", "3.5.": in the order of the region. */
    @Nullable
    Found figures(int i) {
        String word = tokens.word(i);
        if (Regex.matches(word, "\\d{1,2}\\.\\d{1,2}\\.\\d{4}|\\d{1,2}\\.\\d{1,2}\\.\\d{2}")) {
            String[] parts = Regex.split(word, "\\.");
            return inOrder(parts[0], parts[1], parts[2], i + 1);
        }
        if (Regex.matches(word, "\\d{1,2}\\.\\d{1,2}")) {
            boolean dotAfter = tokens.is(i + 1, ".") && tokens.touches(i);
            boolean clock = tokens.is(i + 1, Set.of("am", "pm", "uhr", "p", "a", "h"))
                    || tokens.is(i - 1, Set.of("at", "£", "$", "€"));
            if ((dotAfter && i + 2 < tokens.size() || DOTTED.contains(context.region())) && !clock) {
                String[] parts = Regex.split(word, "\\.");
                return inOrder(parts[0], parts[1], "", dotAfter ? i + 2 : i + 1);
            }
            return null;
        }
        String sign = tokens.word(i + 1);
        boolean pair = Regex.matches(word, "\\d{1,2}")
                && (sign.equals("/") || sign.equals("-"))
                && tokens.isFigures(i + 2, 1, 2)
                && !tokens.is(i - 1, sign)
                && tokens.touches(i)
                && tokens.touches(i + 1);
        if (!pair) {
            return null;
        }
        boolean year =
                tokens.is(i + 3, sign) && tokens.touches(i + 3) && Regex.matches(tokens.word(i + 4), "\\d{2}|\\d{4}");
        if (year) {
            return inOrder(word, tokens.word(i + 2), tokens.word(i + 4), i + 5);
        }
        return sign.equals("/") ? inOrder(word, tokens.word(i + 2), "", i + 3) : null;
    }

    private @Nullable Found inOrder(String first, String second, String year, int next) {
        int a = Integer.parseInt(first);
        int b = Integer.parseInt(second);
        Set<LocalDate> days = new LinkedHashSet<>();
        boolean dayFirst = !context.monthFirst() || context.eitherOrder();
        boolean monthFirst = context.monthFirst() || context.eitherOrder();
        if (dayFirst) {
            days.addAll(dated(year, b, a));
        }
        if (monthFirst || days.isEmpty()) {
            days.addAll(dated(year, a, b));
        }
        if (days.isEmpty() && !dayFirst) {
            days.addAll(dated(year, b, a));
        }
        return a > 31 || b > 31 ? null : new Found(List.copyOf(days), next);
    }

    private List<LocalDate> dated(String year, int month, int day) {
        try {
            LocalDate date = year.isEmpty() ? days.nearest(month, day) : LocalDate.of(full(year), month, day);
            return date == null ? List.of() : List.of(date);
        } catch (DateTimeException e) {
            return List.of();
        }
    }

    /** Two figures are a year up to twenty years ahead, otherwise of the century before. */
    int full(String year) {
        int figures = Integer.parseInt(year);
        if (year.length() > 2) {
            return figures;
        }
        int century = today.getYear() / 100 * 100;
        int ahead = days.past() ? 0 : 20;
        return century + figures > today.getYear() + ahead ? century - 100 + figures : century + figures;
    }
}
