package com.shuttle.web;

import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Something of the database that is read often and changed rarely. What was read before a change is never remembered after it,
 * however reading and changing meet. Thread-safe.
 *
 * @param <T> what it is
 */
public final class Remembered<T> {

    private final Supplier<T> read;
    private @Nullable T value;
    private int changes;

    /** @param read reads it anew */
    public Remembered(Supplier<T> read) {
        this.read = read;
    }

    public T get() {
        int before;
        synchronized (this) {
            if (value != null) {
                return value;
            }
            before = changes;
        }
        T now = read.get();
        synchronized (this) {
            if (before == changes) {
                value = now;
            }
        }
        return now;
    }

    /** Has it read anew once the present transaction is committed. */
    public void changed() {
        AfterCommit.run(this::forget);
    }

    private synchronized void forget() {
        changes++;
        value = null;
    }
}
