package com.shuttle.exchange;

import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Standing;

/**
 * One thing found in a file or page, not yet checked.
 *
 * @param line     its row, or its number on the page, from 1; unique within an import
 * @param ref      as the file names it, or empty
 * @param question an entry's phrasings, one a line; an article's title
 * @param answer   an entry's answers with lines of dashes between them; an article's Markdown
 */
public record Found(
        int line,
        Kind kind,
        String ref,
        String question,
        String answer,
        String category,
        Standing standing,
        Ties ties) {

    public enum Kind {
        ENTRY,
        ARTICLE
    }

    static Found entry(int line, String question, String answer) {
        return new Found(line, Kind.ENTRY, "", question, answer, "", Standing.USUAL, Ties.NONE);
    }
}
