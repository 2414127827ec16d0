package com.shuttle.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.mock.web.MockHttpSession;

class SessionsTest {

    private Instant now = Instant.parse("2026-11-27T08:00:00Z");

    @TempDir
    private Path data;

    private Sessions sessions;
    private final MockHttpSession here = new MockHttpSession();
    private final MockHttpSession there = new MockHttpSession();

    @BeforeEach
    void begin() throws IOException {
        sessions = started();
    }

    private Sessions started() throws IOException {
        Sessions started = new Sessions(() -> now, data);
        started.recall();
        return started;
    }

    private boolean seen(MockHttpSession session) {
        return sessions.seen(session, "maren", "A browser");
    }

    @Test
    void allOfAnAccountAreListedAndOthersCanBeEnded() {
        seen(here);
        now = now.plusSeconds(60);
        seen(there);
        sessions.seen(new MockHttpSession(), "somebody else", "");
        assertThat(sessions.of("maren"))
                .extracting(Sessions.Entry::key)
                .containsExactly(Sessions.key(there), Sessions.key(here));
        sessions.end("somebody else", Sessions.key(there));
        assertThat(seen(there)).as("not ended by another").isTrue();
        sessions.endAll("maren", Sessions.key(here));
        assertThat(seen(there)).isFalse();
        assertThat(seen(here)).isTrue();
        sessions.end("maren", Sessions.key(here));
        assertThat(seen(here)).isFalse();
        assertThat(sessions.of("somebody else")).hasSize(1);
    }

    @Test
    void aSessionIsOverAfterADayHoweverBusy() {
        seen(here);
        now = now.plus(Sessions.LONGEST).minus(Duration.ofSeconds(1));
        assertThat(seen(here)).isTrue();
        now = now.plusSeconds(1);
        assertThat(seen(here)).isFalse();
    }

    @Test
    void aSessionThatBecameSomebodyElsesIsOver() {
        seen(here);
        assertThat(sessions.seen(here, "idris", "A browser")).isFalse();
    }

    @Test
    void whoIsSignedInStaysSoOverARestartAndWhoWasSentAwayDoesNot() throws IOException {
        seen(here);
        seen(there);
        sessions.end("maren", Sessions.key(there));
        sessions.keep();
        sessions = started();
        assertThat(seen(here)).isTrue();
        assertThat(seen(there)).isFalse();
        now = now.plus(Sessions.LONGEST);
        sessions.keep();
        sessions = started();
        assertThat(seen(here)).as("a day is a day").isFalse();
    }
}
