package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;

class RememberedTest {

    @Test
    void itIsReadOnceUntilItIsChanged() {
        AtomicInteger reads = new AtomicInteger();
        Remembered<Integer> remembered = new Remembered<>(reads::incrementAndGet);
        assertThat(remembered.get()).isEqualTo(1);
        assertThat(remembered.get()).isEqualTo(1);
        remembered.changed();
        assertThat(remembered.get()).isEqualTo(2);
    }

    /** Somebody reads, another changes meanwhile: what was read before is not what is remembered. */
    @Test
    void whatWasReadBeforeAChangeIsNotRememberedAfterIt() {
        AtomicReference<String> database = new AtomicReference<>("old");
        AtomicReference<Remembered<String>> self = new AtomicReference<>();
        Remembered<String> remembered = new Remembered<>(() -> {
            String read = database.get();
            if (database.compareAndSet("old", "new")) {
                self.get().changed();
            }
            return read;
        });
        self.set(remembered);
        assertThat(remembered.get()).isEqualTo("old");
        assertThat(remembered.get()).isEqualTo("new");
    }
}
