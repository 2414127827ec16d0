package com.shuttle.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.junit.jupiter.api.Test;

class SignInPaceTest {

    private final SignInPace pace = new SignInPace();

    private void fail(int times) {
        for (int i = 0; i < times; i++) {
            pace.failed("maren@example.org");
        }
    }

    @Test
    void afterSomeFailuresEachFurtherAttemptWaitsLonger() {
        fail(SignInPace.FREE - 1);
        assertThat(pace.pause("maren@example.org", "a")).isZero();
        fail(1);
        Duration first = pace.pause("maren@example.org", "a");
        fail(1);
        assertThat(first).isPositive();
        assertThat(pace.pause(" Maren@example.org ", "a")).isEqualTo(first.multipliedBy(2));
        fail(50);
        assertThat(pace.pause("maren@example.org", "b")).isEqualTo(SignInPace.LONGEST);
        assertThat(pace.pause("somebody.else@example.org", "a")).isZero();
    }

    @Test
    void whoWasInBeforeNeverWaitsAndEnteringForgetsTheFailures() {
        pace.entered("maren@example.org", "home");
        fail(20);
        assertThat(pace.pause("maren@example.org", "home")).isZero();
        assertThat(pace.pause("maren@example.org", "elsewhere")).isPositive();
        pace.entered("maren@example.org", "elsewhere");
        assertThat(pace.pause("maren@example.org", "a third")).isZero();
    }

    @Test
    void onlySoManyWaitAtATime() {
        for (int i = 0; i < SignInPace.MOST_WAITING; i++) {
            assertThat(pace.queue("maren@example.org")).isTrue();
        }
        assertThat(pace.queue("maren@example.org")).isFalse();
        pace.leave("maren@example.org");
        assertThat(pace.queue("maren@example.org")).isTrue();
    }
}
