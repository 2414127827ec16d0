package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class InstantsTest {

    @Test
    void anyOffsetIsTheSameMoment() {
        assertThat(Instants.of(" 2026-03-12T14:00:00Z ")).contains(Instant.parse("2026-03-12T14:00:00Z"));
        assertThat(Instants.of("2026-03-12T16:00:00+02:00")).contains(Instant.parse("2026-03-12T14:00:00Z"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "soon",
                "2026-03-12",
                "2026-13-01T00:00:00Z",
                "1969-12-31T23:59:59Z",
                "2200-01-02T00:00:00Z",
                "-999999999-01-01T00:00:00Z",
                "+999999999-12-31T23:59:59Z"
            })
    void whatIsNoTimeOfOursIsNone(String text) {
        assertThat(Instants.of(text)).isEmpty();
    }
}
