package com.shuttle.web;

import com.shuttle.web.Outgoing.Sending;
import java.io.IOException;
import java.net.URI;
import java.time.InstantSource;
import java.util.function.IntPredicate;
import org.springframework.stereotype.Component;

/** Posts texts to programs outside, signed by {@link MessageSignatures}. Thread-safe. */
@Component
public class SignedPost {

    private static final int MILLIS = 10_000;

    private final Outgoing outgoing;
    private final InstantSource clock;

    SignedPost(Outgoing outgoing, InstantSource clock) {
        this.outgoing = outgoing;
        this.clock = clock;
    }

    /**
     * Makes one attempt. Any status of 2xx is well.
     *
     * @param key     with which it is signed
     * @param type    of the text
     * @param forGood the statuses after which another attempt would be in vain
     */
    public Went post(String address, String key, String type, String body, IntPredicate forGood) {
        try {
            URI uri = URI.create(address);
            int status = outgoing.exchange(new Sending(
                            "POST",
                            uri,
                            MessageSignatures.sign(key, "POST", uri, body, clock.instant()),
                            type,
                            body,
                            MILLIS))
                    .status();
            return status / 100 == 2
                    ? Went.WELL
                    : new Went("The reply had the status " + status + ".", forGood.test(status));
        } catch (IllegalArgumentException e) {
            return new Went("This is no web address.", true);
        } catch (Outgoing.Unsent e) {
            return new Went(String.valueOf(e.getMessage()), false);
        } catch (IOException e) {
            return new Went("No whole reply came in time.", false);
        }
    }
}
