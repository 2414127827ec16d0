package com.shuttle.core.reading;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Parses one number at a place in a message: figures with separators in the habits of a region ("1,250", "1.250,50",
 * "1,25,000"), a sign, fractions, number words up to the billions, and both mixed ("2.5k", "3 hundred", "two and a
 * half"). Vague words ("a few") are no number.
 */
final class Numerals {

    /** A number and the index of the token after it. */
    record Parsed(BigDecimal value, int next) {}

    private static final Map<String, BigDecimal> WRITTEN_ONCE = Map.of(
            "k", BigDecimal.valueOf(1000),
            "grand", BigDecimal.valueOf(1000),
            "thousand", BigDecimal.valueOf(1000),
            "hundred", BigDecimal.valueOf(100),
            "million", BigDecimal.valueOf(1_000_000));

    /**
     * The beginning of a range whose scale is written once, at its end: "3 to 4k" is 3,000 to 4,000.
     *
     * @param fromLast the last token of the beginning
     * @param toLast   the last token of the end
     */
    static BigDecimal scaledLike(BigDecimal from, int fromLast, BigDecimal to, int toLast, Tokens tokens) {
        BigDecimal scale = WRITTEN_ONCE.get(tokens.word(toLast));
        boolean own = WRITTEN_ONCE.containsKey(tokens.word(fromLast));
        return scale == null || own || from.multiply(scale).compareTo(to) > 0 ? from : from.multiply(scale);
    }

    private static final Map<String, Integer> SMALL = new HashMap<>();
    private static final Map<String, BigDecimal> SCALES = new HashMap<>();
    private static final Map<String, BigDecimal> FRACTIONS =
            Map.of("½", new BigDecimal("0.5"), "¼", new BigDecimal("0.25"), "¾", new BigDecimal("0.75"));
    private static final Set<String> SUFFIXES = Set.of("k", "m", "bn");

    static {
        String[] words =
                ("zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen"
                                + " sixteen seventeen eighteen nineteen twenty")
                        .split(" ");
        for (int i = 0; i < words.length; i++) {
            SMALL.put(words[i], i);
        }
        String[] tens = "thirty forty fifty sixty seventy eighty ninety".split(" ");
        for (int i = 0; i < tens.length; i++) {
            SMALL.put(tens[i], 30 + 10 * i);
        }
        SMALL.put("fourty", 40);
        SMALL.put("nil", 0);
        SMALL.put("nought", 0);
        SCALES.put("hundred", BigDecimal.valueOf(100));
        SCALES.put("hundreds", BigDecimal.valueOf(100));
        SCALES.put("thousand", BigDecimal.valueOf(1000));
        SCALES.put("grand", BigDecimal.valueOf(1000));
        SCALES.put("million", BigDecimal.valueOf(1_000_000));
        SCALES.put("mil", BigDecimal.valueOf(1_000_000));
        SCALES.put("billion", BigDecimal.valueOf(1_000_000_000));
        SCALES.put("lakh", BigDecimal.valueOf(100_000));
        SCALES.put("lakhs", BigDecimal.valueOf(100_000));
        SCALES.put("lac", BigDecimal.valueOf(100_000));
        SCALES.put("crore", BigDecimal.valueOf(10_000_000));
        SCALES.put("crores", BigDecimal.valueOf(10_000_000));
        SCALES.put("dozen", BigDecimal.valueOf(12));
        SCALES.put("score", BigDecimal.valueOf(20));
    }

    /** "A few hundred" is no hundred. */
    private static final Set<String> FEW = Set.of("few", "several", "some", "many");

    private Numerals() {}

    /** The number that begins at token {@code i}, or null if none does. */
    static @Nullable Parsed at(Tokens tokens, int i, Context context) {
        if (tokens.at(i).figure()) {
            return figures(tokens, i, context);
        }
        if (SCALES.containsKey(tokens.word(i)) && tokens.is(i - 1, FEW)) {
            return null;
        }
        if (FRACTIONS.containsKey(tokens.word(i))) {
            return new Parsed(requireNonNull(FRACTIONS.get(tokens.word(i))), i + 1);
        }
        if (tokens.is(i, "minus") && !tokens.at(i - 1).figure()) {
            return negated(at(tokens, i + 1, context));
        }
        if (tokens.is(i, "-") && tokens.touches(i) && tokens.at(i + 1).figure() && !tokens.touches(i - 1)) {
            return negated(at(tokens, i + 1, context));
        }
        Parsed words = words(tokens, i);
        return words != null && tokens.is(words.next(), "k")
                ? new Parsed(words.value().multiply(SCALES.get("thousand")), words.next() + 1)
                : words;
    }

    private static @Nullable Parsed negated(@Nullable Parsed parsed) {
        return parsed == null ? null : new Parsed(parsed.value().negate(), parsed.next());
    }

    private static @Nullable Parsed figures(Tokens tokens, int i, Context context) {
        BigDecimal value = value(tokens.word(i), context.decimalComma());
        if (value == null) {
            return null;
        }
        int next = i + 1;
        if (tokens.touches(i) && FRACTIONS.containsKey(tokens.word(next))) {
            return new Parsed(value.add(FRACTIONS.get(tokens.word(next))), next + 1);
        }
        if (FRACTIONS.containsKey(tokens.word(next))) {
            return new Parsed(value.add(FRACTIONS.get(tokens.word(next))), next + 1);
        }
        if (tokens.is(next, "/")
                && tokens.touches(i)
                && tokens.touches(next)
                && tokens.at(next + 1).figure()) {
            return null;
        }
        if (tokens.is(next, SUFFIXES) && (tokens.touches(i) || tokens.is(next, "k")) && !tokens.touches(next)
                || tokens.is(next, SUFFIXES)
                        && tokens.touches(i)
                        && !tokens.at(next + 1).figure()) {
            BigDecimal by = BigDecimal.valueOf(
                    switch (tokens.word(next)) {
                        case "k" -> 1000L;
                        case "m" -> 1_000_000L;
                        default -> 1_000_000_000L;
                    });
            return new Parsed(value.multiply(by), next + 1);
        }
        if (tokens.follows(next, "and", "a", "half")) {
            value = value.add(FRACTIONS.get("½"));
            next += 3;
        }
        while (SCALES.containsKey(tokens.word(next))) {
            value = value.multiply(SCALES.get(tokens.word(next)));
            next++;
        }
        return new Parsed(value, next);
    }

    /** The value of figures with separators; null if they are no number in any habit, such as 12.30.45 or 7:30. */
    static @Nullable BigDecimal value(String figures, boolean decimalComma) {
        if (figures.length() > 24 || figures.indexOf(':') >= 0) {
            return null;
        }
        if (Regex.matches(figures, "\\d+")) {
            return new BigDecimal(figures);
        }
        if (decimalComma) {
            if (Regex.matches(figures, "\\d{1,3}(?:\\.\\d{3})+(?:,\\d+)?")
                    || Regex.matches(figures, "\\d+,\\d{1,2}")
                    || Regex.matches(figures, "\\d+,\\d{4,}")) {
                return new BigDecimal(figures.replace(".", "").replace(',', '.'));
            }
        } else if (Regex.matches(figures, "\\d{1,3}(?:\\.\\d{3})+,\\d{1,2}")
                || Regex.matches(figures, "\\d{1,3}(?:\\.\\d{3}){2,}")) {
            return new BigDecimal(figures.replace(".", "").replace(',', '.'));
        }
        if (Regex.matches(figures, "\\d{1,3}(?:,\\d{2,3})*,\\d{3}(?:\\.\\d+)?")) {
            return new BigDecimal(figures.replace(",", ""));
        }
        if (Regex.matches(figures, "\\d+\\.\\d+")) {
            return new BigDecimal(figures);
        }
        return Regex.matches(figures, "\\d+,\\d{1,2}") ? new BigDecimal(figures.replace(',', '.')) : null;
    }

    /** English number words: "a hundred and five", "half a dozen", "two and a half thousand", "twenty-five". */
    private static @Nullable Parsed words(Tokens tokens, int i) {
        int at = i;
        if (tokens.is(at, "half")) {
            int scale = tokens.is(at + 1, "a") || tokens.is(at + 1, "an") ? at + 2 : at + 1;
            BigDecimal by = SCALES.get(tokens.word(scale));
            return by == null ? null : new Parsed(by.multiply(FRACTIONS.get("½")), scale + 1);
        }
        if (tokens.is(at, "a") || tokens.is(at, "an")) {
            at++;
            if (tokens.follows(at, "baker's", "dozen")) {
                return new Parsed(BigDecimal.valueOf(13), at + 2);
            }
            if (tokens.is(at, "couple") || tokens.is(at, "pair")) {
                return couple(tokens, at);
            }
            if (!SCALES.containsKey(tokens.word(at)) || tokens.is(at, "score")) {
                return null;
            }
            return sum(tokens, at, BigDecimal.ONE);
        }
        if (tokens.is(at, "couple") || tokens.is(at, "pair")) {
            return couple(tokens, at);
        }
        if (tokens.is(at, "baker's") && tokens.is(at + 1, "dozen")) {
            return new Parsed(BigDecimal.valueOf(13), at + 2);
        }
        if (tokens.is(at, "dozen") || tokens.is(at, "hundred")) {
            return sum(tokens, at, BigDecimal.ONE);
        }
        return SMALL.containsKey(tokens.word(at)) ? sum(tokens, at, null) : null;
    }

    private static Parsed couple(Tokens tokens, int at) {
        int next = tokens.is(at + 1, "of") ? at + 2 : at + 1;
        BigDecimal by = SCALES.get(tokens.word(next));
        return by == null ? new Parsed(BigDecimal.TWO, at + 1) : new Parsed(by.multiply(BigDecimal.TWO), next + 1);
    }

    /** Adds up number words from {@code at} on; {@code group} is what stands before the first, null for nothing. */
    private static Parsed sum(Tokens tokens, int at, @Nullable BigDecimal group) {
        BigDecimal total = BigDecimal.ZERO;
        BigDecimal open = group == null ? BigDecimal.ZERO : group;
        boolean unit = false;
        int next = at;
        int end = at;
        while (true) {
            String word = tokens.word(next);
            if (SMALL.containsKey(word)) {
                int value = SMALL.get(word);
                if (unit
                        && !(open.remainder(BigDecimal.TEN).signum() == 0
                                && value < 10
                                && value > 0
                                && open.signum() > 0)) {
                    break;
                }
                open = open.add(BigDecimal.valueOf(value));
                unit = true;
            } else if (SCALES.containsKey(word)) {
                BigDecimal by = SCALES.get(word);
                BigDecimal times = open.signum() == 0 && !unit ? BigDecimal.ONE : open;
                if (by.compareTo(BigDecimal.valueOf(1000)) >= 0) {
                    total = total.add(times.multiply(by));
                    open = BigDecimal.ZERO;
                } else {
                    open = times.multiply(by);
                }
                unit = false;
            } else if (tokens.follows(next, "and", "a", "half")) {
                open = open.add(FRACTIONS.get("½"));
                next += 2;
            } else if (next > at
                    && (word.equals("and") && afterScale(tokens, next) || word.equals("-") && unit)
                    && SMALL.containsKey(tokens.word(next + 1))
                    && (word.equals("and") || requireNonNull(SMALL.get(tokens.word(next + 1))) < 10)) {
                next++;
                continue;
            } else {
                break;
            }
            next++;
            end = next;
        }
        return new Parsed(total.add(open), end);
    }

    private static boolean afterScale(Tokens tokens, int next) {
        return SCALES.containsKey(tokens.word(next - 1)) && !tokens.is(next - 1, "dozen");
    }
}
