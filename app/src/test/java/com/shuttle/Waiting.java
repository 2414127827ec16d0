package com.shuttle;

import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;

/** Waits for what another thread does. */
public final class Waiting {

    private static final long LONGEST = TimeUnit.SECONDS.toNanos(60);
    private static final long BETWEEN = TimeUnit.MILLISECONDS.toNanos(20);

    private Waiting() {}

    /** Waits until this is so; the test fails where it never is. */
    public static void until(String what, BooleanSupplier so) {
        long begun = System.nanoTime();
        while (!so.getAsBoolean()) {
            if (System.nanoTime() - begun > LONGEST) {
                throw new AssertionError("never came: " + what);
            }
            LockSupport.parkNanos(BETWEEN);
        }
    }
}
