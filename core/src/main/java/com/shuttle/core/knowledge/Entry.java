package com.shuttle.core.knowledge;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A question with its phrasings and the answers to it, which rotate.
 *
 * @param ref       unique within its collection, stable under edits
 * @param phrasings at least one; the first is the question's title
 * @param answers   at least one, Markdown
 * @param category  may be empty
 */
public record Entry(
        String ref,
        List<String> phrasings,
        List<String> answers,
        String category,
        @Nullable Standing standing) {

    public Entry {
        phrasings = List.copyOf(phrasings);
        answers = List.copyOf(answers);
        standing = standing == null ? Standing.USUAL : standing;
    }

    public Entry(String ref, List<String> phrasings, List<String> answers, String category) {
        this(ref, phrasings, answers, category, Standing.USUAL);
    }
}
