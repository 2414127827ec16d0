package com.shuttle.core.knowledge;

import java.io.IOException;
import java.util.List;

/** What is known in other trades, which has something near to nearly any message and answers none of them. */
public final class Distractors {

    private Distractors() {}

    /** One for each labelled collection. */
    public static List<KnowledgeIndex> of(Meaning meaning) throws IOException {
        return Labelled.shipped().stream()
                .map(labelled -> new KnowledgeIndex(labelled.content(), meaning, Calibration.USUAL))
                .toList();
    }
}
