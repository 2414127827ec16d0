package com.shuttle.core.reading;

import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Heads counted in parts: "three adults and a child" are four. Pure function. */
public final class HeadCounts {

    private static final Map<String, Integer> WORDS = Map.ofEntries(
            Map.entry("a", 1),
            Map.entry("an", 1),
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
            Map.entry("twelve", 12));

    private static final String PEOPLE =
            "adults?|grown-?ups?|kids?|child(?:ren)?|toddlers?|bab(?:y|ies)|infants?|teens?|teenagers?|boys?|girls?|men|man|women|woman"
                    + "|friends?|parents?|grandparents?|students?|pupils?|teachers?|helpers?|seniors?|pensioners?|colleagues?|guests?";

    private static final Pattern PART = Pattern.compile(
            "\\b(\\d{1,3}|a|an|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\\s+(?:\\p{L}+\\s+)?("
                    + PEOPLE + ")\\b",
            Pattern.CASE_INSENSITIVE);

    /** "Two classes of 28". */
    private static final Pattern TIMES = Pattern.compile(
            "\\b(\\d{1,2}|two|three|four|five|six)\\s+(?:class(?:es)?|groups?|tables?|teams?|coaches|busloads?)\\s+of\\s+(\\d{1,3})\\b",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern TOTAL =
            Pattern.compile("\\b(?:in total|altogether|all in all|all told|in all|so)\\b", Pattern.CASE_INSENSITIVE);

    private HeadCounts() {}

    /** The product of groups of so many each, or the sum of two or more parts; empty where there are fewer, or the whole is said too. */
    public static OptionalInt sum(String text) {
        Matcher times = TIMES.matcher(text);
        if (times.find()) {
            String many = times.group(1).toLowerCase(Locale.ROOT);
            int groups = WORDS.containsKey(many) ? WORDS.get(many) : Integer.parseInt(many);
            return OptionalInt.of(groups * Integer.parseInt(times.group(2)));
        }
        Matcher part = PART.matcher(text);
        int sum = 0;
        int parts = 0;
        while (part.find()) {
            String count = part.group(1).toLowerCase(Locale.ROOT);
            sum += WORDS.containsKey(count) ? WORDS.get(count) : Integer.parseInt(count);
            parts++;
        }
        return parts >= 2 && !TOTAL.matcher(text).find() ? OptionalInt.of(sum) : OptionalInt.empty();
    }

    /** Whether words speak of a part of the heads only ("how many children"). */
    public static boolean isPart(String words) {
        return Pattern.compile("\\b(?:" + PEOPLE + ")\\b", Pattern.CASE_INSENSITIVE)
                .matcher(words)
                .find();
    }
}
