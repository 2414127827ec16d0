package com.shuttle.channels;

import com.shuttle.core.cue.Cue;
import com.shuttle.core.cue.Happening;
import java.util.List;
import java.util.Map;

/** Cues that wait for a word on a phone. */
final class Keywords {

    private Keywords() {}

    static Cue cue(String... words) {
        return new Cue(
                "keyword",
                "Keyword",
                true,
                Happening.KEYWORD,
                0,
                List.of(words),
                List.of(),
                Map.of(),
                List.of(),
                List.of(),
                Cue.Limits.USUAL,
                "Welcome to soup.",
                "",
                false);
    }
}
