package com.shuttle.core.table;

import com.shuttle.core.reading.Words;
import java.util.Arrays;
import java.util.List;

/** Words as they are compared: lower case, accents folded, singular. Pure functions. */
final class Phrase {

    private Phrase() {}

    static List<String> of(String text) {
        return Words.of(text).stream()
                .flatMap(word -> Arrays.stream(word.split("(?<=\\d)(?=\\p{L})|[-/]")))
                .filter(word -> !word.isEmpty())
                .map(Phrase::singular)
                .toList();
    }

    /**
     * A word without its plural ending, by the three rules of the S stemmer (D. Harman, "How effective is suffixing?",
     * JASIS 42, 1991).
     */
    static String singular(String word) {
        if (word.length() < 4) {
            return word;
        }
        if (word.endsWith("ies") && !word.endsWith("eies") && !word.endsWith("aies")) {
            return word.substring(0, word.length() - 3) + "y";
        }
        if (word.endsWith("es") && !word.endsWith("aes") && !word.endsWith("ees") && !word.endsWith("oes")) {
            return word.substring(0, word.length() - 1);
        }
        if (word.endsWith("s") && !word.endsWith("us") && !word.endsWith("ss")) {
            return word.substring(0, word.length() - 1);
        }
        return word;
    }
}
