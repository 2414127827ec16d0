package com.shuttle.api;

import com.shuttle.web.Buckets;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.ErrorResponseException;

/**
 * Keeps one address or one conversation from taking up everybody's server. Long messages cost more to read, and so count for more
 * of what an address may say. Who is refused waits a second for being told so, as far as not too many wait already: otherwise
 * refusing one who asks a thousand times a second would itself take up the server. Thread-safe.
 */
@Component
class RateLimits {

    /**
     * How much is allowed.
     *
     * @param conversationsPerMinute new conversations from one address
     * @param messagesPerMinute      messages in one conversation
     * @param addressPerMinute       short messages from one address, which a whole school class may share
     * @param refusalMillis          how long who is refused waits for being told so
     */
    @ConfigurationProperties("shuttle.limits")
    record Limits(
            @DefaultValue("60") int conversationsPerMinute,
            @DefaultValue("60") int messagesPerMinute,
            @DefaultValue("900") int addressPerMinute,
            @DefaultValue("1000") int refusalMillis) {}

    /** Characters of a message that count as one short message. */
    private static final int SHORT = 50;

    private static final int MOST_WAITING = 500;

    /** A message longer than this waits for other long ones. */
    private static final int LONG = 250;

    private final Buckets addresses;
    private final Buckets conversations;
    private final Buckets talkers;
    private final int refusalMillis;
    private final Semaphore waiting = new Semaphore(MOST_WAITING);
    private final Semaphore longOnes =
            new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors() / 2), true);

    RateLimits(Limits limits) {
        addresses = new Buckets(limits.conversationsPerMinute());
        conversations = new Buckets(limits.messagesPerMinute());
        talkers = new Buckets(limits.addressPerMinute());
        refusalMillis = limits.refusalMillis();
    }

    void newConversation(String address) {
        require(addresses.take(address));
    }

    /** A page of a website asks something of the panel. */
    void panel(String address) {
        require(talkers.take(address));
    }

    /** Somebody writes from a phone, by way of a gateway that signs. */
    void phone(String channel, String number) {
        require(conversations.take(channel + " " + number));
    }

    /** A call of a gateway that is not signed as it should be. */
    void unsigned(String address) {
        require(talkers.take(address, 10));
    }

    /** @param length of what is said, in characters; 0 for what is picked or sent */
    void message(String conversation, String address, int length) {
        require(conversations.take(conversation) && talkers.take(address, 1 + length / SHORT));
    }

    /**
     * Works something out; for a long message when no other is being worked out, so that half of the machine is left for short
     * ones, which take a few milliseconds and would wait behind long ones that take fifty.
     */
    <T> T inTurn(int length, Supplier<T> work) {
        if (length <= LONG) {
            return work.get();
        }
        longOnes.acquireUninterruptibly();
        try {
            return work.get();
        } finally {
            longOnes.release();
        }
    }

    private void require(boolean fine) {
        if (!fine) {
            pause();
            throw tooMany();
        }
    }

    private void pause() {
        if (waiting.tryAcquire()) {
            try {
                Thread.sleep(refusalMillis);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            } finally {
                waiting.release();
            }
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
