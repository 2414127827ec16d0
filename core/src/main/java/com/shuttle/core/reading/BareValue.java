package com.shuttle.core.reading;

import java.util.List;
import java.util.Set;

/**
 * Whether a message is nothing but a value: what asks nothing and names nothing belongs to no question of the visitor's own,
 * whatever in the knowledge is near to it. All that readers take for an address, a number, an amount or a time is blanked out;
 * a message of which only words are left that say how exact or how certain it is was nothing but that. Pure functions.
 */
public enum BareValue {
    /** A number, an amount, a day, a time, an address: "about two grand", "the 12th or the 13th". */
    VALUE,
    /** A stretch of days: "in June sometime", "the week after next". */
    DAYS,
    /** A part of the day: "mornings only, please". */
    HOURS,
    /** Something else, or nothing. */
    NONE;

    /** What is longer says more than a value, in UTF-16 units. */
    private static final int LONGEST = 120;

    private static final Set<String> IDLE = Set.of(
            "about",
            "around",
            "maybe",
            "perhaps",
            "roughly",
            "approximately",
            "approx",
            "say",
            "some",
            "any",
            "on",
            "at",
            "in",
            "by",
            "from",
            "until",
            "till",
            "to",
            "between",
            "and",
            "or",
            "for",
            "of",
            "the",
            "a",
            "an",
            "us",
            "people",
            "please",
            "pls",
            "thanks",
            "ok",
            "okay",
            "well",
            "um",
            "er",
            "probably",
            "ideally",
            "preferably",
            "either",
            "tops",
            "max",
            "maximum",
            "minimum",
            "least",
            "most",
            "than",
            "more",
            "less",
            "under",
            "over",
            "up",
            "no",
            "not",
            "yes",
            "sure",
            "only",
            "just",
            "it's",
            "its",
            "it",
            "is",
            "are",
            "be",
            "we",
            "we're",
            "we'll",
            "there",
            "there'll",
            "will",
            "actually",
            "sorry",
            "make",
            "that",
            "that's",
            "mean",
            "i",
            "if",
            "hm",
            "hmm",
            "so",
            "now",
            "altogether",
            "total");

    private static final Set<String> PERIODS = Set.of(
            "week",
            "weeks",
            "weekend",
            "weekends",
            "month",
            "months",
            "spring",
            "summer",
            "autumn",
            "fall",
            "winter",
            "weekday",
            "weekdays",
            "easter",
            "christmas",
            "term",
            "season");

    private static final Set<String> PARTS_OF_DAYS = Set.of(
            "morning", "mornings", "afternoon", "afternoons", "evening", "evenings", "night", "nights", "daytime");

    private static final Set<String> OF_PERIODS = Set.of(
            "sometime",
            "time",
            "early",
            "mid",
            "middle",
            "late",
            "later",
            "end",
            "beginning",
            "start",
            "next",
            "this",
            "coming",
            "first",
            "second",
            "third",
            "fourth",
            "last",
            "after",
            "before",
            "half",
            "during",
            "1st",
            "2nd",
            "3rd",
            "4th");

    /** Whether words tell nothing: all of them only say how certain something is, or link others. No digits among them. */
    public static boolean isIdle(String text) {
        return text.chars().noneMatch(Character::isDigit) && IDLE.containsAll(Words.of(text));
    }

    /** @param text as typed */
    public static BareValue of(String text, Context context) {
        String read = Words.readable(text);
        if (read.length() > LONGEST) {
            return NONE;
        }
        StringBuilder rest = new StringBuilder(read);
        boolean value = blank(rest, EmailReader.find(read));
        value |= blank(rest, UrlReader.find(rest.toString()));
        value |= blank(rest, PhoneReader.find(rest.toString(), context));
        for (Kind kind : Kind.values()) {
            value |= blank(rest, kind.in(Tokens.of(rest.toString()), context));
        }
        List<String> words = Words.of(rest.toString());
        boolean others = words.stream()
                .anyMatch(word -> !IDLE.contains(word)
                        && !isPeriod(word)
                        && !OF_PERIODS.contains(word)
                        && !PARTS_OF_DAYS.contains(word));
        if (others) {
            return NONE;
        }
        if (words.stream().anyMatch(BareValue::isPeriod)) {
            return DAYS;
        }
        return words.stream().anyMatch(PARTS_OF_DAYS::contains) ? HOURS : value ? VALUE : NONE;
    }

    private static boolean isPeriod(String word) {
        return PERIODS.contains(word) || CalendarWords.month(word) != null || CalendarWords.weekday(word) != null;
    }

    /** What is looked for, in this order. */
    private enum Kind {
        DATE,
        TIME,
        MONEY,
        NUMBER;

        List<Mention> in(Tokens tokens, Context context) {
            return switch (this) {
                case DATE -> DateReader.find(tokens, context, false);
                case TIME -> TimeReader.find(tokens, context, false);
                case MONEY -> MoneyReader.find(tokens, context, false);
                case NUMBER -> NumberReader.find(tokens, context);
            };
        }
    }

    private static boolean blank(StringBuilder text, List<Mention> mentions) {
        mentions.forEach(mention -> {
            for (int i = mention.start(); i < mention.end(); i++) {
                text.setCharAt(i, ' ');
            }
        });
        return !mentions.isEmpty();
    }
}
