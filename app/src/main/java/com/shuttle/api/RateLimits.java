package com.shuttle.api;

import com.shuttle.web.Buckets;
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

    private final Buckets addresses;
    private final Buckets conversations;

    RateLimits(Limits limits) {
        addresses = new Buckets(limits.conversationsPerMinute());
        conversations = new Buckets(limits.messagesPerMinute());
    }

    void newConversation(String address) {
        require(addresses.take(address));
    }

    void message(String conversation) {
        require(conversations.take(conversation));
    }

    private static void require(boolean fine) {
        if (!fine) {
            throw Problems.of(
                    HttpStatus.TOO_MANY_REQUESTS, "Too many requests", "That was a lot at once. Please wait a moment.");
        }
    }
}
