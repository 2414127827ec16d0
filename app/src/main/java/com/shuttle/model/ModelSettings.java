package com.shuttle.model;

import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import java.net.URI;
import java.net.URISyntaxException;

/**
 * The connection to a language model.
 *
 * @param address where chat completions are posted to
 * @param name    of the model, as the server calls it
 * @param key     sent as a bearer token; empty for none
 * @param millis  how long a turn waits for it
 */
public record ModelSettings(boolean enabled, String address, String name, String key, int millis) {

    public static final ModelSettings NONE = new ModelSettings(false, "", "", "", 3000);

    private static final int LEAST = 200;
    private static final int MOST = 20_000;

    /** The same with another form of the key. */
    ModelSettings withKey(String other) {
        return new ModelSettings(enabled, address, name, other, millis);
    }

    Checked<ModelSettings> checked() {
        return new Checked.Errors()
                .require(
                        !enabled || isAddress(),
                        "address",
                        "Please give a web address such as https://example.org/v1/chat/completions.")
                .require(
                        Length.ADDRESS.holds(address) && Length.NAME.holds(name) && Length.SECRET.holds(key),
                        "address",
                        "This is too long.")
                .require(!enabled || !name.isBlank(), "model", "Please give the name of the model.")
                .require(
                        millis >= LEAST && millis <= MOST,
                        "millis",
                        "Please give %d to %,d milliseconds.".formatted(LEAST, MOST))
                .<ModelSettings>bad()
                .orElseGet(() -> Checked.good(this));
    }

    private boolean isAddress() {
        try {
            URI uri = new URI(address);
            return uri.getHost() != null && ("https".equals(uri.getScheme()) || "http".equals(uri.getScheme()));
        } catch (URISyntaxException e) {
            return false;
        }
    }
}
