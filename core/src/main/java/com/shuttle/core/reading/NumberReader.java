package com.shuttle.core.reading;

import java.math.BigDecimal;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads one number: digits with thousands separators and a decimal point, "2k", number words up to the thousands, "a
 * dozen", and corrections ("make it 5, not 4"; "4, no sorry 5").
 */
final class NumberReader {

    private static final Pattern DIGITS = Pattern.compile(
            "(?<![\\p{L}\\d.,:/@-])-?\\d{1,3}(?:,\\d{3})+(?:\\.\\d+)?(?![\\d/:@])|(?<![\\p{L}\\d.,:/@])-?\\d{1,15}(?:\\.\\d+)?(?:\\s?k\\b)?(?![\\d/:@]|(?:st|nd|rd|th)\\b)",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern NOT =
            Pattern.compile("\\b(?:not|instead of|rather than)\\s+$", Pattern.CASE_INSENSITIVE);
    private static final Pattern CORRECTS = Pattern.compile(
            "\\b(?:no,? sorry|sorry,? no|no wait|i mean|actually|make (?:it|that)|correction|or rather|sorry)\\b[^\\d]*$",
            Pattern.CASE_INSENSITIVE);
    private static final Map<String, Integer> SMALL = Map.ofEntries(
            Map.entry("zero", 0),
            Map.entry("none", 0),
            Map.entry("one", 1),
            Map.entry("two", 2),
            Map.entry("three", 3),
            Map.entry("four", 4),
            Map.entry("five", 5),
            Map.entry("six", 6),
            Map.entry("seven", 7),
            Map.entry("eight", 8),
            Map.entry("nine", 9),
            Map.entry("ten", 10),
            Map.entry("eleven", 11),
            Map.entry("twelve", 12),
            Map.entry("thirteen", 13),
            Map.entry("fourteen", 14),
            Map.entry("fifteen", 15),
            Map.entry("sixteen", 16),
            Map.entry("seventeen", 17),
            Map.entry("eighteen", 18),
            Map.entry("nineteen", 19),
            Map.entry("twenty", 20),
            Map.entry("thirty", 30),
            Map.entry("forty", 40),
            Map.entry("fourty", 40),
            Map.entry("fifty", 50),
            Map.entry("sixty", 60),
            Map.entry("seventy", 70),
            Map.entry("eighty", 80),
            Map.entry("ninety", 90),
            Map.entry("dozen", 12),
            Map.entry("couple", 2));

    private NumberReader() {}

    static Reading read(String text) {
        Set<BigDecimal> found = new LinkedHashSet<>();
        int start = -1;
        int end = -1;
        Matcher digits = DIGITS.matcher(text);
        while (digits.find()) {
            String before = text.substring(0, digits.start());
            if (NOT.matcher(before).find()) {
                continue;
            }
            if (CORRECTS.matcher(before).find()) {
                found.clear();
            }
            found.add(value(digits.group()));
            start = digits.start();
            end = digits.end();
        }
        if (found.isEmpty()) {
            BigDecimal words = spelled(Words.of(text.replace('-', ' ')));
            return words == null ? Reading.NOTHING : new Reading.Given(new Value.Numeric(words), 0, text.length());
        }
        if (found.size() > 1) {
            return new Reading.Unclear(found.stream()
                    .map(number -> (Value) new Value.Numeric(number))
                    .toList());
        }
        return new Reading.Given(new Value.Numeric(found.iterator().next()), start, end);
    }

    private static BigDecimal value(String digits) {
        String bare = digits.replace(",", "").strip().toLowerCase();
        if (bare.endsWith("k")) {
            return new BigDecimal(bare.substring(0, bare.length() - 1).strip())
                    .multiply(BigDecimal.valueOf(1000))
                    .stripTrailingZeros();
        }
        return new BigDecimal(bare);
    }

    /** The first run of number words, e.g. "two hundred and five"; null if there is none. */
    private static @org.jspecify.annotations.Nullable BigDecimal spelled(List<String> words) {
        long total = 0;
        long group = 0;
        boolean any = false;
        for (String word : words) {
            Integer small = SMALL.get(word);
            if (small != null) {
                boolean multiplies = word.equals("dozen") || word.equals("couple");
                group = multiplies ? Math.max(1, group) * small : group + small;
            } else if (word.equals("hundred")) {
                group = Math.max(1, group) * 100;
            } else if (word.equals("thousand")) {
                total += Math.max(1, group) * 1000;
                group = 0;
            } else if (any && (word.equals("and") || word.equals("a"))) {
                continue;
            } else if (any) {
                break;
            } else {
                continue;
            }
            any = true;
        }
        return any ? BigDecimal.valueOf(total + group) : null;
    }
}
