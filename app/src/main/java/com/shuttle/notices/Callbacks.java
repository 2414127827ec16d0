package com.shuttle.notices;

import com.shuttle.web.Outgoing;
import com.shuttle.web.Outgoing.Received;
import com.shuttle.web.Outgoing.Sending;
import com.shuttle.web.Vault;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.InstantSource;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Web callbacks as CloudEvents 1.0 in their structured form, signed by HTTP Message Signatures (RFC 9421, {@code hmac-sha256})
 * over the method, the address and the digest of the text (RFC 9530). A repetition has the same {@code id}. Thread-safe.
 */
@Component
class Callbacks {

    private static final int MILLIS = 10_000;
    private static final String KEY_ID = "shuttle";
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
            Received received =
                    outgoing.exchange(new Sending("POST", address, signed(address, body), TYPE, body, MILLIS));
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

    private Map<String, String> signed(URI address, String body) {
        String digest = "sha-256=:" + Base64.getEncoder().encodeToString(sha256(body)) + ":";
        String parameters =
                "(\"@method\" \"@target-uri\" \"content-digest\");created=%d;keyid=\"%s\";alg=\"hmac-sha256\""
                        .formatted(clock.instant().getEpochSecond(), KEY_ID);
        String base = "\"@method\": POST\n\"@target-uri\": %s\n\"content-digest\": %s\n\"@signature-params\": %s"
                .formatted(address, digest, parameters);
        Map<String, String> headers = new LinkedHashMap<>();
        headers.put("Content-Digest", digest);
        headers.put("Signature-Input", "shuttle=" + parameters);
        headers.put("Signature", "shuttle=:" + Base64.getEncoder().encodeToString(hmac(base)) + ":");
        return headers;
    }

    private static byte[] sha256(String text) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("no SHA-256", e);
        }
    }

    private byte[] hmac(String text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(key().getBytes(StandardCharsets.US_ASCII), "HmacSHA256"));
            return mac.doFinal(text.getBytes(StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("signing failed", e);
        }
    }
}
