package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Entry.Beside;
import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.reading.Words;
import org.jspecify.annotations.Nullable;

/** What an entry belongs to and leads to, and what stands beside its answer, as a form sends it. @param next one a line */
record TiesForm(
        @Nullable String team,
        @Nullable String article,
        @Nullable String flow,
        @Nullable String shown,
        @Nullable String alt,
        @Nullable String leadOn,
        @Nullable String next) {

    private static final int MOST_NEXT = 8;

    static TiesForm of(Ties ties) {
        Beside beside = ties.beside();
        return new TiesForm(
                ties.team(),
                ties.article(),
                ties.flow(),
                beside.shown(),
                beside.alt(),
                beside.leadOn(),
                String.join("\n", beside.next()));
    }

    Ties ties() {
        Beside beside = new Beside(
                stripped(shown),
                false,
                stripped(alt),
                stripped(leadOn),
                stripped(next)
                        .lines()
                        .map(Words::clean)
                        .filter(line -> !line.isBlank())
                        .limit(MOST_NEXT)
                        .toList());
        return new Ties(stripped(team), stripped(article), stripped(flow), beside);
    }

    private static String stripped(@Nullable String text) {
        return text == null ? "" : text.strip();
    }
}
