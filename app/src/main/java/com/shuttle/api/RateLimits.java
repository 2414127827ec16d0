package com.shuttle.api;

import com.shuttle.web.Buckets;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.ErrorResponseException;

/** Keeps one address or one conversation from taking up everybody's server. Thread-safe. */
@Component
class RateLimits {

    /**
     * How much is allowed.
     *
     * @param conversationsPerMinute new conversations from one address
     * @param messagesPerMinute      messages in one conversation
     * @param addressPerMinute       messages from one address, which a whole school class may share
     */
    @ConfigurationProperties("shuttle.limits")
    record Limits(
            @DefaultValue("60") int conversationsPerMinute,
            @DefaultValue("60") int messagesPerMinute,
            @DefaultValue("900") int addressPerMinute) {}

    private final Buckets addresses;
    private final Buckets conversations;
    private final Buckets talkers;

    RateLimits(Limits limits) {
        addresses = new Buckets(limits.conversationsPerMinute());
        conversations = new Buckets(limits.messagesPerMinute());
        talkers = new Buckets(limits.addressPerMinute());
    }

    void newConversation(String address) {
        require(addresses.take(address));
    }

    void message(String conversation, String address) {
        require(conversations.take(conversation) && talkers.take(address));
    }

    private static void require(boolean fine) {
        if (!fine) {
            throw tooMany();
        }
    }

    /** What who asks for too much is told. */
    static ErrorResponseException tooMany() {
        ErrorResponseException problem = Problems.of(
                HttpStatus.TOO_MANY_REQUESTS, "Too many requests", "That was a lot at once. Please wait a moment.");
        problem.getHeaders().set("Retry-After", "5");
        return problem;
    }
}
