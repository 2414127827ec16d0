package com.shuttle.core.knowledge;

import java.util.HashMap;
import java.util.Map;

/**
 * How telling a word piece is: by how few units of a collection have it, and by how rare it is in the language. Pieces of
 * punctuation tell nothing. Immutable; thread-safe.
 */
final class Pieces {

    /** The vocabulary is in the order of frequency from here on; before are marks, digits, letters and signs. */
    private static final int FIRST_WORD = 1996;

    private static final double OF_SIGNS = 0.3;
    private static final double LEAST = 0.02;

    private final Map<Integer, Integer> units;
    private final double none;
    private final int count;

    /** @param counts in how many units each piece is @param count how many units there are */
    Pieces(Map<Integer, Integer> counts, int count) {
        units = new HashMap<>(counts);
        this.count = count;
        none = Math.log1p((count + 0.5) / 0.5);
    }

    /**
     * Inverse document frequency as BM25 has it (Robertson and Spärck Jones 1976, kept above 0), as a share of that of a piece
     * that no unit has: 0 to 1.
     */
    double rarity(int id) {
        if (isPunctuation(id)) {
            return 0;
        }
        int with = units.getOrDefault(id, 0);
        return Math.log1p((count - with + 0.5) / (with + 0.5)) / none;
    }

    /** How rare a piece is in the language, by its place in the vocabulary: 0 to 1. */
    static double surprise(int id) {
        if (isPunctuation(id)) {
            return 0;
        }
        return id < FIRST_WORD ? OF_SIGNS : Math.clamp(Math.log((id - 1975) / 20.0) / Math.log(1400), LEAST, 1);
    }

    /** The signs of ASCII that are neither letters nor digits, where the vocabulary has them. */
    private static boolean isPunctuation(int id) {
        return id >= 999 && id <= 1013
                || id >= 1024 && id <= 1030
                || id >= 1031 && id <= 1036
                || id >= 1063 && id <= 1066;
    }
}
