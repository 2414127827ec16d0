package com.shuttle.knowledge;

import org.jspecify.annotations.Nullable;

/** The texts of an entry as a form sends them. */
record EntryForm(
        @Nullable String phrasings,
        @Nullable String answers,
        @Nullable String category) {

    EntryDraft draft(StandingForm standing, TiesForm ties) {
        return new EntryDraft(orNone(phrasings), orNone(answers), orNone(category), standing.standing(), ties.ties());
    }

    private static String orNone(@Nullable String text) {
        return text == null ? "" : text;
    }
}
