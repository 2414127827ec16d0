package com.shuttle.settings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.web.Ids;
import java.time.Duration;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.stereotype.Component;

/**
 * Slows down who tries passwords of one account: after {@value #FREE} failures each further attempt waits twice as long as
 * the one before, up to {@link #LONGEST}, and only {@value #MOST_WAITING} may wait at a time. An address from which the
 * account was entered before never waits; elsewhere its owner may have to come back a little later while it is being tried.
 * Accounts are kept as hashes, in memory. Thread-safe.
 */
@Component
class SignInPace {

    static final int FREE = 5;

    static final int MOST_WAITING = 8;

    static final Duration LONGEST = Duration.ofSeconds(8);

    private static final class Tries {
        final AtomicInteger failed = new AtomicInteger();
        final AtomicInteger waiting = new AtomicInteger();
    }

    private final Cache<String, Tries> tries = Caffeine.newBuilder()
            .maximumSize(50_000)
            .expireAfterAccess(Duration.ofMinutes(15))
            .build();

    private final Cache<String, Boolean> known = Caffeine.newBuilder()
            .maximumSize(50_000)
            .expireAfterAccess(Duration.ofDays(30))
            .build();

    /** So long an attempt waits before it is looked at. */
    Duration pause(String account, String caller) {
        Tries of = tries.getIfPresent(key(account));
        if (of == null || known.getIfPresent(key(account) + caller) != null) {
            return Duration.ZERO;
        }
        int beyond = of.failed.get() - FREE;
        Duration pause = beyond < 0 ? Duration.ZERO : Duration.ofMillis(250L << Math.min(beyond, 10));
        return pause.compareTo(LONGEST) > 0 ? LONGEST : pause;
    }

    /** Begins to wait; false if too many do already. */
    boolean queue(String account) {
        Tries of = of(account);
        if (of.waiting.incrementAndGet() <= MOST_WAITING) {
            return true;
        }
        of.waiting.decrementAndGet();
        return false;
    }

    void leave(String account) {
        of(account).waiting.decrementAndGet();
    }

    void failed(String account) {
        of(account).failed.incrementAndGet();
    }

    void entered(String account, String caller) {
        tries.invalidate(key(account));
        known.put(key(account) + caller, true);
    }

    private Tries of(String account) {
        return tries.get(key(account), a -> new Tries());
    }

    private static String key(String account) {
        return Ids.hash(account.strip().toLowerCase(Locale.ROOT));
    }
}
