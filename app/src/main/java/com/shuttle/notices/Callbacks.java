package com.shuttle.notices;

import com.shuttle.web.MessageSignatures;
import com.shuttle.web.Outgoing;
import com.shuttle.web.Outgoing.Received;
import com.shuttle.web.Outgoing.Sending;
import com.shuttle.web.Vault;
import java.io.IOException;
import java.net.URI;
import java.time.InstantSource;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Web callbacks as CloudEvents 1.0 in their structured form, signed by {@link MessageSignatures}. A repetition has the same {@code id}. Thread-safe.
 */
@Component
class Callbacks {

    private static final int MILLIS = 10_000;
    private static final String TYPE = "application/cloudevents+json";
    private static final JsonMapper JSON = JsonMapper.shared();

    private final Outgoing outgoing;
    private final Vault vault;
    private final InstantSource clock;

    Callbacks(Outgoing outgoing, Vault vault, InstantSource clock) {
        this.outgoing = outgoing;
        this.vault = vault;
        this.clock = clock;
    }

    /** The key with which signatures are checked. */
    String key() {
        return vault.sign("callbacks");
    }

    MailService.Went send(Notice notice) {
        ObjectNode event = JSON.createObjectNode()
                .put("specversion", "1.0")
                .put("id", notice.id())
                .put("source", notice.conversation() == null ? "/shuttle" : "/conversations/" + notice.conversation())
                .put("type", notice.subject())
                .put("time", notice.madeAt().toString())
                .put("datacontenttype", "application/json");
        event.set("data", JSON.readTree(notice.text()));
        String body = JSON.writeValueAsString(event);
        try {
            URI address = URI.create(notice.receiver());
            Received received = outgoing.exchange(new Sending(
                    "POST",
                    address,
                    MessageSignatures.sign(key(), "POST", address, body, clock.instant()),
                    TYPE,
                    body,
                    MILLIS));
            int status = received.status();
            return status / 100 == 2
                    ? MailService.Went.WELL
                    : new MailService.Went("The reply had the status " + status + ".", status == 410);
        } catch (IllegalArgumentException e) {
            return new MailService.Went("This is no web address.", true);
        } catch (Outgoing.Unsent e) {
            return new MailService.Went(String.valueOf(e.getMessage()), false);
        } catch (IOException e) {
            return new MailService.Went("No whole reply came in time.", false);
        }
    }
}
