package com.shuttle.api;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** Keeps one address or one conversation from taking up everybody's server. Thread-safe. */
@Component
class RateLimits {

    /**
     * How much is allowed.
     *
     * @param conversationsPerMinute new conversations from one address
     * @param messagesPerMinute      messages in one conversation
     */
    @ConfigurationProperties("shuttle.limits")
    record Limits(
            @DefaultValue("30") int conversationsPerMinute,
            @DefaultValue("60") int messagesPerMinute) {}

    private final Limits limits;
    private final Cache<String, Bucket> buckets = Caffeine.newBuilder()
            .maximumSize(100_000)
            .expireAfterAccess(Duration.ofMinutes(5))
            .build();

    RateLimits(Limits limits) {
        this.limits = limits;
    }

    void newConversation(String address) {
        take("address " + address, limits.conversationsPerMinute());
    }

    void message(String conversation) {
        take("conversation " + conversation, limits.messagesPerMinute());
    }

    private void take(String key, int perMinute) {
        Bucket bucket = buckets.get(
                key,
                k -> Bucket.builder()
                        .addLimit(limit -> limit.capacity(perMinute).refillGreedy(perMinute, Duration.ofMinutes(1)))
                        .build());
        if (!bucket.tryConsume(1)) {
            throw Problems.of(
                    HttpStatus.TOO_MANY_REQUESTS, "Too many requests", "That was a lot at once. Please wait a moment.");
        }
    }
}
