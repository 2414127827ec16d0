package com.shuttle.chat;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class EventStreamsTest {

    private final EventStreams streams = new EventStreams(new LiveHub());

    private boolean opens(String caller) {
        return streams.openTo(caller, "topic", 0, after -> List.of()).isPresent();
    }

    @Test
    void oneCallerHasSoManyStreamsAndNoMore() {
        for (int i = 0; i < EventStreams.MOST_OF_ONE; i++) {
            assertThat(opens("a school")).isTrue();
        }
        assertThat(opens("a school")).isFalse();
        assertThat(opens("somebody else")).isTrue();
    }
}
