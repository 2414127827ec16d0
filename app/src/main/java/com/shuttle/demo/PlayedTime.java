package com.shuttle.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Primary;
import org.springframework.stereotype.Component;

/**
 * The clock of the demo. Whoever plays what happened earlier sets it back, and the whole server with it: what comes back
 * from outside meanwhile belongs to the same time. Nobody else is served while the demo is made.
 */
@Primary
@Component
@ConditionalOnProperty("shuttle.demo")
class PlayedTime implements InstantSource {

    private volatile Duration back = Duration.ZERO;

    @Override
    public Instant instant() {
        return Instant.now().minus(back);
    }

    /** Does something as if it were so long ago. */
    void ago(Duration time, Runnable play) {
        back = time;
        try {
            play.run();
        } finally {
            back = Duration.ZERO;
        }
    }
}
