package com.shuttle.web;

import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/**
 * Lets only so many work at once. Who has to wait is let in caller by caller in turn (round robin), whatever the number of those
 * that one of them has waiting, so that who asks a thousand times at once holds up nobody but themselves. Thread-safe.
 */
public final class FairTurns {

    private final int atOnce;
    private final int mostWaiting;
    private final Duration longest;
    private final Map<String, Deque<CountDownLatch>> waiting = new LinkedHashMap<>();
    private int working;

    /**
     * @param atOnce      that may work at the same time
     * @param mostWaiting of one caller
     * @param longest     that one of them waits
     */
    public FairTurns(int atOnce, int mostWaiting, Duration longest) {
        this.atOnce = atOnce;
        this.mostWaiting = mostWaiting;
        this.longest = longest;
    }

    /** Waits until it is this caller's turn; whoever was let in must {@link #leave}. @return false where it waits for too many, or too long */
    public boolean enter(String caller) {
        CountDownLatch turn = new CountDownLatch(1);
        synchronized (this) {
            if (working < atOnce) {
                working++;
                return true;
            }
            Deque<CountDownLatch> own = waiting.get(caller);
            if (mostWaiting <= (own == null ? 0 : own.size())) {
                return false;
            }
            waiting.computeIfAbsent(caller, name -> new ArrayDeque<>()).add(turn);
        }
        boolean came = false;
        try {
            came = turn.await(longest.toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return came || !givesUp(caller, turn);
    }

    /** How many wait at this moment. */
    public synchronized int waiting() {
        return waiting.values().stream().mapToInt(Deque::size).sum();
    }

    /** Whether somebody still waited and does no longer; no where their turn has just come. */
    private synchronized boolean givesUp(String caller, CountDownLatch turn) {
        Deque<CountDownLatch> own = waiting.get(caller);
        if (own == null || !own.remove(turn)) {
            return false;
        }
        if (own.isEmpty()) {
            waiting.remove(caller);
        }
        return true;
    }

    /** Lets the next caller in. */
    public synchronized void leave() {
        Iterator<Map.Entry<String, Deque<CountDownLatch>>> callers =
                waiting.entrySet().iterator();
        if (!callers.hasNext()) {
            working--;
            return;
        }
        Map.Entry<String, Deque<CountDownLatch>> first = callers.next();
        callers.remove();
        Deque<CountDownLatch> own = first.getValue();
        own.remove().countDown();
        if (!own.isEmpty()) {
            waiting.put(first.getKey(), own);
        }
    }
}
