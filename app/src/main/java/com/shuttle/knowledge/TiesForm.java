package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Entry.Ties;
import org.jspecify.annotations.Nullable;

/** What an entry belongs to and leads to, as a form sends it. */
record TiesForm(
        @Nullable String team,
        @Nullable String article,
        @Nullable String flow) {

    static TiesForm of(Ties ties) {
        return new TiesForm(ties.team(), ties.article(), ties.flow());
    }

    Ties ties() {
        return new Ties(stripped(team), stripped(article), stripped(flow));
    }

    private static String stripped(@Nullable String text) {
        return text == null ? "" : text.strip();
    }
}
