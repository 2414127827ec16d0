package com.shuttle.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Primary;
import org.springframework.stereotype.Component;

/** The clock of the demo. Whoever plays what happened earlier sets it back, for their own thread only. */
@Primary
@Component
@ConditionalOnProperty("shuttle.demo")
class PlayedTime implements InstantSource {

    private final ThreadLocal<Duration> back = ThreadLocal.withInitial(() -> Duration.ZERO);

    @Override
    public Instant instant() {
        return Instant.now().minus(back.get());
    }

    /** Does something as if it were so long ago. */
    void ago(Duration time, Runnable play) {
        back.set(time);
        try {
            play.run();
        } finally {
            back.remove();
        }
    }
}
