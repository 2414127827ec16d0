package com.shuttle.core.knowledge;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** How often words stand in texts, in lower case; a word is a run of letters, digits and low lines. Not thread-safe while it is filled. */
final class WordCounts {

    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{M}\\p{N}_]+");

    private final Map<String, Integer> times = new HashMap<>();

    static WordCounts of(String text) {
        WordCounts counts = new WordCounts();
        counts.add(text);
        return counts;
    }

    static WordCounts of(Stream<String> texts) {
        WordCounts counts = new WordCounts();
        texts.forEach(counts::add);
        return counts;
    }

    void add(String text) {
        WORD.matcher(text.toLowerCase(Locale.ROOT))
                .results()
                .forEach(word -> times.merge(word.group(), 1, Integer::sum));
    }

    void add(WordCounts others) {
        others.times.forEach((word, more) -> times.merge(word, more, Integer::sum));
    }

    /** @param word in lower case */
    int times(String word) {
        return times.getOrDefault(word, 0);
    }

    static boolean isWord(String text) {
        return WORD.matcher(text).matches();
    }

    /** Every word with its count. */
    Map<String, Integer> all() {
        return times;
    }
}
