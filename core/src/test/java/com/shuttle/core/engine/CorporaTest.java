package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.engine.Corpora.Score;
import java.io.IOException;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CorporaTest {

    /** A class that falls has lost what it could; one that rises is to be written down, so that it does not fall unseen later. */
    @Test
    void noClassOfConversationsComesOutOtherwiseThanItIsWrittenDown() throws IOException {
        Map<String, Score> now = Corpora.scores();
        Map<String, Score> kept = Corpora.kept();
        assertThat(now)
                .as(
                        "wrong: %s",
                        Corpora.wrong(kind ->
                                !kept.getOrDefault(kind, Score.of("0 of 0")).equals(now.get(kind))))
                .isEqualTo(kept);
    }
}
