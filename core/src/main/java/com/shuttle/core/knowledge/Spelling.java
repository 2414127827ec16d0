package com.shuttle.core.knowledge;

import com.shuttle.core.reading.Words;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Repairs misspellings in a question: a word that neither the knowledge nor the language has becomes the knowledge's word
 * that is fewest slips away ({@link Words#distance}, at most {@link Words#slips}); ties go to the more frequent word, then by
 * alphabet. Words of the language are left alone, however near to another. Immutable; thread-safe.
 */
final class Spelling {

    private static final Pattern WORD = Pattern.compile("\\p{L}{4,}");

    /** Of nothing: mends nothing. */
    static final Spelling NONE = new Spelling(new WordCounts());

    private final Map<String, Integer> vocabulary = new HashMap<>();

    Spelling(WordCounts counts) {
        counts.all().forEach((word, times) -> {
            if (WORD.matcher(word).matches()) {
                vocabulary.put(word, times);
            }
        });
    }

    String repaired(String question) {
        return repaired(question, NONE);
    }

    /** Mends with the words of {@code more} too. */
    String repaired(String question, Spelling more) {
        return WORD.matcher(question).replaceAll(match -> {
            String word = match.group().toLowerCase(Locale.ROOT);
            if (vocabulary.containsKey(word) || more.vocabulary.containsKey(word) || Vocabulary.has(word)) {
                return match.group();
            }
            String nearest = nearest(word, more);
            return nearest == null ? match.group() : nearest;
        });
    }

    private @Nullable String nearest(String word, Spelling more) {
        int most = Words.slips(word);
        String nearest = null;
        int fewest = most + 1;
        int times = 0;
        List<Map.Entry<String, Integer>> candidates = Stream.of(vocabulary, more.vocabulary)
                .flatMap(words -> words.entrySet().stream())
                .toList();
        for (Map.Entry<String, Integer> candidate : candidates) {
            int slips = Words.distance(word, candidate.getKey(), most);
            boolean better = slips < fewest
                    || slips == fewest
                            && nearest != null
                            && (candidate.getValue() > times
                                    || candidate.getValue() == times
                                            && candidate.getKey().compareTo(nearest) < 0);
            if (slips <= most && better) {
                nearest = candidate.getKey();
                fewest = slips;
                times = candidate.getValue();
            }
        }
        return nearest;
    }
}
