package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.Waiting;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class FairTurnsTest {

    private final FairTurns turns = new FairTurns(1, 50, Duration.ofMinutes(1));
    private final List<String> order = Collections.synchronizedList(new ArrayList<>());
    private final AtomicInteger asking = new AtomicInteger();

    private Future<?> ask(ExecutorService threads, String caller) {
        int before = asking.get();
        Future<?> asked = threads.submit(() -> {
            asking.incrementAndGet();
            assertThat(turns.enter(caller)).isTrue();
            order.add(caller);
            turns.leave();
        });
        Waiting.until(caller + " asks", () -> asking.get() > before);
        return asked;
    }

    @Test
    void whoAsksOftenIsLetInInTurnWithTheOthers() throws Exception {
        assertThat(turns.enter("first")).isTrue();
        try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Future<?>> all = new ArrayList<>();
            for (int i = 0; i < 40; i++) {
                all.add(ask(threads, "greedy"));
            }
            Waiting.until("all of them wait", () -> turns.waiting() == 40);
            all.add(ask(threads, "modest"));
            all.add(ask(threads, "modest"));
            Waiting.until("all of them wait", () -> turns.waiting() == 42);
            turns.leave();
            for (Future<?> one : all) {
                one.get();
            }
        }
        assertThat(order).hasSize(42);
        assertThat(order.subList(0, 4)).containsExactly("greedy", "modest", "greedy", "modest");
    }

    @Test
    void whoWaitsTooLongOrTooOftenIsRefusedAndLeavesNothingBehind() {
        FairTurns strict = new FairTurns(1, 1, Duration.ofMillis(1));
        assertThat(strict.enter("a")).isTrue();
        assertThat(strict.enter("b")).as("waits too long").isFalse();
        assertThat(strict.waiting()).isZero();
        assertThat(new FairTurns(0, 0, Duration.ofMinutes(1)).enter("a"))
                .as("nobody may wait")
                .isFalse();
        strict.leave();
        assertThat(strict.enter("b")).isTrue();
    }
}
