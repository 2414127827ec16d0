package com.shuttle.core.reading;

import java.util.Map;
import java.util.Set;

/** When two written words are one: written in another way, in another form, or with a slip. Pure functions. */
final class WordForms {

    /** Said in another way: "year five", "yr 1". */
    private static final Map<String, String> WRITTEN = Map.ofEntries(
            Map.entry("one", "1"),
            Map.entry("two", "2"),
            Map.entry("three", "3"),
            Map.entry("four", "4"),
            Map.entry("five", "5"),
            Map.entry("six", "6"),
            Map.entry("seven", "7"),
            Map.entry("eight", "8"),
            Map.entry("nine", "9"),
            Map.entry("ten", "10"),
            Map.entry("eleven", "11"),
            Map.entry("twelve", "12"),
            Map.entry("y", "year"),
            Map.entry("yr", "year"),
            Map.entry("yrs", "years"));

    static boolean same(String typed, String word, boolean slips) {
        if (typed.equals(word)
                || sameStem(typed, word)
                || WRITTEN.getOrDefault(typed, "").equals(word)) {
            return true;
        }
        int limit = Math.min(Words.slips(typed), Words.slips(word));
        return slips && limit > 0 && Words.distance(typed, word, limit) <= limit;
    }

    static String stem(String word) {
        return word.substring(0, stemLength(word));
    }

    /** Nouns that no verb is in. */
    private static final Set<String> NOUNS_IN_ING = Set.of("evening", "evenings", "morning", "mornings", "wedding");

    /** Letters that are left of a verb without its ending; fewer are no verb ("string"). */
    private static final int SHORTEST_VERB = 4;

    /** Whether a word is a form of one that is done: "felled" of "felling". */
    static boolean isDone(String typed, String word) {
        return typed.endsWith("ed")
                && stem(typed.substring(0, typed.length() - 1)).equals(stem(word));
    }

    /** What of a word is the same in "pruning" and "prune", in "boards" and "boarding". */
    private static int stemLength(String word) {
        int length = word.length();
        if (length < SHORTEST_VERB) {
            return length;
        }
        if (word.endsWith("ing") && length - 3 >= SHORTEST_VERB && !NOUNS_IN_ING.contains(word)) {
            return length - 3;
        }
        return word.endsWith("s") || word.endsWith("e") && length > SHORTEST_VERB ? length - 1 : length;
    }

    private static boolean sameStem(String one, String other) {
        int length = stemLength(one);
        return length == stemLength(other) && one.regionMatches(0, other, 0, length);
    }

    private WordForms() {}
}
