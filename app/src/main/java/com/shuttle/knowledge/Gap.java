package com.shuttle.knowledge;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What visitors asked and no knowledge answered: questions of like meaning.
 *
 * @param id       of its newest question
 * @param question as asked last
 * @param times    how often any of them was asked
 * @param wordings the ways it was asked, newest first, those that differ in case and punctuation only once
 * @param conversation id of the conversation it was asked in last
 * @param rated    whether one of them was answered, and the answer rated badly
 * @param nearest  the entry that came nearest; null where there is none
 */
public record Gap(
        String id,
        String bot,
        String question,
        int times,
        List<String> wordings,
        String conversation,
        Instant at,
        boolean rated,
        @Nullable Nearest nearest) {

    /** An entry of a collection. */
    public record Nearest(String collection, String ref, String title) {}

    public Gap {
        wordings = List.copyOf(wordings);
    }
}
