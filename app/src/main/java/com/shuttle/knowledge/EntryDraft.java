package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Standing;

/**
 * An entry as somebody wrote it, not checked yet.
 *
 * @param phrasings one a line
 * @param answers   separated by lines of three or more dashes
 */
public record EntryDraft(String phrasings, String answers, String category, Standing standing, Ties ties) {

    /** Without category, said always, tied to nothing. */
    public static EntryDraft of(String phrasings, String answers) {
        return new EntryDraft(phrasings, answers, "", Standing.USUAL, Ties.NONE);
    }

    EntryDraft with(String phrasing) {
        return new EntryDraft(phrasings + "\n" + phrasing, answers, category, standing, ties);
    }

    static EntryDraft of(Entry entry) {
        return new EntryDraft(
                String.join("\n", entry.phrasings()),
                String.join("\n---\n", entry.answers()),
                entry.category(),
                entry.standing(),
                entry.ties());
    }
}
