package com.shuttle.notices;

import com.shuttle.web.SignedPost;
import com.shuttle.web.Vault;
import com.shuttle.web.Went;
import java.net.URI;
import java.net.URISyntaxException;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Web callbacks as CloudEvents 1.0 in their structured form, signed. A repetition has the same {@code id}. Thread-safe.
 */
@Component
class Callbacks {

    private static final int GONE = 410;
    private static final String TYPE = "application/cloudevents+json";
    private static final JsonMapper JSON = JsonMapper.shared();

    private final SignedPost outside;
    private final Vault vault;

    Callbacks(SignedPost outside, Vault vault) {
        this.outside = outside;
        this.vault = vault;
    }

    /** One who is called back: scheme, host and port of an address. Empty for what is no web address. */
    static Optional<String> receiver(String address) {
        try {
            URI uri = new URI(address.strip());
            boolean web = "https".equalsIgnoreCase(uri.getScheme()) || "http".equalsIgnoreCase(uri.getScheme());
            if (!web || uri.getHost() == null) {
                return Optional.empty();
            }
            String port = uri.getPort() < 0 ? "" : ":" + uri.getPort();
            return Optional.of((uri.getScheme() + "://" + uri.getHost() + port).toLowerCase(Locale.ROOT));
        } catch (URISyntaxException none) {
            return Optional.empty();
        }
    }

    /** The key with which a receiver checks signatures. Each has its own, so that none can sign for another. */
    String key(String receiver) {
        return vault.sign("callbacks " + receiver);
    }

    Went send(Notice notice) {
        ObjectNode event = JSON.createObjectNode()
                .put("specversion", "1.0")
                .put("id", notice.id())
                .put("source", notice.conversation() == null ? "/shuttle" : "/conversations/" + notice.conversation())
                .put("type", notice.subject())
                .put("time", notice.madeAt().toString())
                .put("datacontenttype", "application/json");
        event.set("data", JSON.readTree(notice.text()));
        String body = JSON.writeValueAsString(event);
        String key = key(receiver(notice.receiver()).orElse(""));
        return outside.post(notice.receiver(), key, TYPE, body, status -> status == GONE);
    }
}
