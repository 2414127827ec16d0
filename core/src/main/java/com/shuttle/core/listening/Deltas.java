package com.shuttle.core.listening;

import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Regex;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Repairs by so much more or less: "one more is coming", "two dropped out", "an hour later". Pure functions. */
final class Deltas {

    private static final String COUNT = "(an?|another|one|two|three|four|five|six|\\d{1,3})";
    private static final Pattern MORE = Pattern.compile(
            "\\b(?:" + COUNT + "\\s+(?:more|extra|additional|other)|(another)|plus\\s+" + COUNT
                    + ")\\b(?:\\s+(\\p{L}+))?",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern FEWER = Pattern.compile(
            "\\b" + COUNT
                    + "(?:\\s+(?:of (?:us|them)|person|people|more))?\\s+(?:fewer|less|(?:has |have |had )?(?:dropped|pulled|backed|bailed) out|(?:is|are)(?: not|n't) coming"
                    + "|can'?t (?:come|make it)|(?:has |have )?cancelled|fell ill|is ill|are ill)\\b",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern SHIFTED = Pattern.compile(
            "\\b(half an|" + COUNT.substring(1, COUNT.length() - 1)
                    + ")\\s+(hours?|minutes?|days?|weeks?)\\s+(later|earlier|sooner)\\b",
            Pattern.CASE_INSENSITIVE);

    /** More of these is no head count. */
    private static final Pattern NO_COUNT = Pattern.compile(
            "(?i)questions?|things?|times?|seconds?|minutes?|moments?|looks?|tr(?:y|ies)|days?|weeks?|hours?|information|info|details?|about|than|or");

    private static final Map<String, Integer> WORDS =
            Map.of("a", 1, "an", 1, "another", 1, "one", 1, "two", 2, "three", 3, "four", 4, "five", 5, "six", 6);

    private Deltas() {}

    /** What a message adds to or takes from what is known, the latest first. */
    static Optional<Repair> read(String text, List<Known> known) {
        String plain = text.replace('’', '\'');
        Matcher shifted = SHIFTED.matcher(plain);
        if (shifted.find()) {
            return shifted(shifted, known);
        }
        Matcher fewer = FEWER.matcher(plain);
        if (fewer.find()) {
            return counted(known, -number(fewer.group(1)), true);
        }
        Matcher more = MORE.matcher(plain);
        while (more.find()) {
            String after = more.group(4) == null ? "" : more.group(4);
            String count = more.group(1) != null ? more.group(1) : more.group(3) != null ? more.group(3) : "one";
            if (!NO_COUNT.matcher(after).matches()) {
                return counted(
                        known, number(count), !Regex.matches(after, "(?i)hours?|boats?|rooms?|tickets?|nights?"));
            }
        }
        return Optional.empty();
    }

    private static int number(String word) {
        String lower = word.toLowerCase(Locale.ROOT);
        return WORDS.containsKey(lower) ? WORDS.get(lower) : Integer.parseInt(lower);
    }

    /** @param people whether heads are meant, where a head count is known */
    private static Optional<Repair> counted(List<Known> known, int by, boolean people) {
        List<Known> numbers = known.stream()
                .filter(one -> one.slot().type() == ValueType.NUMBER && one.value() instanceof Value.Numeric)
                .toList();
        return numbers.stream()
                .filter(one -> people && SeveralReader.countsPeople(one.slot()))
                .findFirst()
                .or(() -> numbers.stream().findFirst())
                .map(one -> new Repair(
                        one.slot().name(),
                        new Value.Numeric(((Value.Numeric) one.value()).number().add(BigDecimal.valueOf(by))),
                        by > 0 ? by + " more" : -by + " fewer"));
    }

    private static Optional<Repair> shifted(Matcher shifted, List<Known> known) {
        String count = shifted.group(1).toLowerCase(Locale.ROOT);
        String unit = shifted.group(2).toLowerCase(Locale.ROOT);
        int sign = shifted.group(3).equalsIgnoreCase("later") ? 1 : -1;
        long minutes = count.startsWith("half")
                ? 30
                : (long) number(count) * (unit.startsWith("hour") ? 60 : unit.startsWith("minute") ? 1 : 0);
        long days = unit.startsWith("week") ? 7L * number(count) : unit.startsWith("day") ? number(count) : 0;
        for (Known one : known) {
            if (days > 0 && one.value() instanceof Value.Day day) {
                return Optional.of(new Repair(
                        one.slot().name(), new Value.Day(day.date().plusDays(sign * days)), shifted.group()));
            }
            if (minutes > 0 && one.value() instanceof Value.Clock clock) {
                return Optional.of(new Repair(
                        one.slot().name(), new Value.Clock(clock.time().plusMinutes(sign * minutes)), shifted.group()));
            }
        }
        return Optional.empty();
    }
}
