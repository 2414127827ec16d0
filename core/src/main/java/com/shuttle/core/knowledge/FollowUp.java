package com.shuttle.core.knowledge;

import com.shuttle.core.reading.Words;
import java.util.List;
import java.util.Set;

/** Questions that only make sense after the one before: "and for children?", "how much is it?". Pure functions. */
final class FollowUp {

    private static final Set<String> OPENINGS =
            Set.of("and", "what about", "how about", "or", "also", "but", "then", "so");
    private static final Set<String> POINTERS =
            Set.of("it", "they", "them", "that", "this", "those", "these", "one", "ones", "its", "their", "he", "she");

    /** Longer questions stand for themselves. */
    private static final int LONGEST = 12;

    /** A question as short as this says too little by itself. */
    private static final int SHORT = 3;

    private FollowUp() {}

    static boolean leansOnBefore(String question) {
        List<String> words = Words.of(question);
        if (words.isEmpty()) {
            return false;
        }
        String two = words.size() > 1 ? words.get(0) + " " + words.get(1) : "";
        boolean opens = OPENINGS.contains(words.getFirst()) || OPENINGS.contains(two);
        boolean points = words.stream().anyMatch(POINTERS::contains);
        boolean asks = Words.looksLikeQuestion(question);
        return words.size() <= LONGEST && (opens || asks && (points || words.size() <= SHORT));
    }
}
