package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Standing;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.format.annotation.DateTimeFormat;

/**
 * Whether and when something is said, as a form sends it.
 *
 * @param state {@code draft}, or anything else for published
 */
record StandingForm(
        @Nullable String state,

        @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) @Nullable
        LocalDate from,

        @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) @Nullable
        LocalDate until) {

    static StandingForm of(Standing standing) {
        return new StandingForm(standing.published() ? "published" : "draft", standing.from(), standing.until());
    }

    Standing standing() {
        return new Standing(!"draft".equals(state), from, until);
    }
}
