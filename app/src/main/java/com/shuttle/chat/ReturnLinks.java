package com.shuttle.chat;

import com.shuttle.web.Vault;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import org.springframework.stereotype.Component;

/**
 * Links by which a visitor goes on in their conversation on another device. A link is signed for one conversation and until one
 * moment; opening it shows a button, and what the browser then keeps is a key of the same span. Thread-safe.
 */
@Component
public class ReturnLinks {

    private static final Duration GOOD_FOR = Duration.ofDays(14);
    private static final String KEY = "link.";

    private final Vault vault;
    private final InstantSource clock;

    ReturnLinks(Vault vault, InstantSource clock) {
        this.vault = vault;
        this.clock = clock;
    }

    /** The path of a link that is good for two weeks. */
    public String path(String conversation) {
        long until = clock.instant().plus(GOOD_FOR).getEpochSecond();
        return "/continue/" + conversation + "/" + until + "/" + sign(conversation, until);
    }

    /** Whether a link is right, and its time is not over. */
    boolean good(String conversation, long until, String signature) {
        return clock.instant().isBefore(Instant.ofEpochSecond(until))
                && vault.signed(signed(conversation, until), signature);
    }

    /** The key that opens the conversation as long as the link does. */
    String key(long until, String signature) {
        return KEY + until + "." + signature;
    }

    /** Whether a key that a browser brings opens a conversation. */
    boolean opens(String conversation, String key) {
        if (!key.startsWith(KEY)) {
            return false;
        }
        String[] parts = key.substring(KEY.length()).split("\\.", 2);
        return parts.length == 2
                && parts[0].matches("\\d{1,12}")
                && good(conversation, Long.parseLong(parts[0]), parts[1]);
    }

    private String sign(String conversation, long until) {
        return vault.sign(signed(conversation, until));
    }

    private static String signed(String conversation, long until) {
        return "continue " + conversation + " " + until;
    }
}
