package com.shuttle.standins;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/**
 * Signs what a gateway sends, and checks what comes, as a gateway would that was written by somebody else from the description:
 * HTTP Message Signatures (RFC 9421) with {@code hmac-sha256}, the path instead of the whole address. Pure functions.
 */
final class Signer {

    private Signer() {}

    static Map<String, String> headers(String key, URI address, String body) {
        String digest = digest(body);
        String covered = "(\"content-digest\" \"@method\" \"@path\");alg=\"hmac-sha256\";created="
                + Instant.now().getEpochSecond();
        String base = "\"content-digest\": " + digest + "\n\"@method\": POST\n\"@path\": " + address.getRawPath()
                + "\n\"@signature-params\": " + covered;
        Map<String, String> headers = new LinkedHashMap<>();
        headers.put("Content-Digest", digest);
        headers.put("Signature-Input", "gateway=" + covered);
        headers.put("Signature", "gateway=:" + mac(key, base) + ":");
        return headers;
    }

    /** Whether Shuttle has signed a message to {@code address}. @param headers by their names in lower case */
    static boolean holds(String key, String address, Map<String, String> headers, String body) {
        String input = headers.getOrDefault("signature-input", "");
        String digest = digest(body);
        String base = "\"@method\": POST\n\"@target-uri\": " + address + "\n\"content-digest\": " + digest
                + "\n\"@signature-params\": " + input.replaceFirst("^shuttle=", "");
        return headers.getOrDefault("content-digest", "").equals(digest)
                && headers.getOrDefault("signature", "").equals("shuttle=:" + mac(key, base) + ":");
    }

    private static String digest(String body) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(body.getBytes(StandardCharsets.UTF_8));
            return "sha-256=:" + Base64.getEncoder().encodeToString(hash) + ":";
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("no SHA-256", e);
        }
    }

    private static String mac(String key, String text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(key.getBytes(StandardCharsets.US_ASCII), "HmacSHA256"));
            return Base64.getEncoder().encodeToString(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("signing failed", e);
        }
    }
}
