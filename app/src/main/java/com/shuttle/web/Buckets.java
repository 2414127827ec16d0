package com.shuttle.web;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import java.time.Duration;

/** Counts what each of many callers takes, so that none takes more than its share. Thread-safe. */
public final class Buckets {

    private final int perMinute;
    private final Cache<String, Bucket> buckets = Caffeine.newBuilder()
            .maximumSize(100_000)
            .expireAfterAccess(Duration.ofMinutes(5))
            .build();

    /** @param perMinute how much a caller may take in a minute, and at once */
    public Buckets(int perMinute) {
        this.perMinute = perMinute;
    }

    /** Takes one for a caller; false if its share is used up for now. */
    public boolean take(String caller) {
        return take(caller, 1);
    }

    /** Takes some for a caller at once; false if its share has not that many left for now, and then none is taken. */
    public boolean take(String caller, int some) {
        return buckets.get(
                        caller,
                        c -> Bucket.builder()
                                .addLimit(limit ->
                                        limit.capacity(perMinute).refillGreedy(perMinute, Duration.ofMinutes(1)))
                                .build())
                .tryConsume(some);
    }
}
