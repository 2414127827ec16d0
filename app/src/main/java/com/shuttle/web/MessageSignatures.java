package com.shuttle.web;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/**
 * HTTP Message Signatures (RFC 9421) by {@code hmac-sha256} over the method, where it goes, and the digest of the text (RFC
 * 9530). Pure functions.
 */
public final class MessageSignatures {

    /** A signature is taken for so long after it was made, and so long before, since clocks differ. */
    public static final Duration FRESH = Duration.ofMinutes(5);

    private static final String KEY_ID = "shuttle";
    private static final Pattern INPUT = Pattern.compile(
            "([a-z][a-z0-9_-]{0,40})=(\\(([^()]{1,200})\\)((?:;[a-z]{1,20}=(?:\\d{1,12}|\"[^\"]{0,100}\"))*))");
    private static final Pattern CREATED = Pattern.compile(";created=(\\d{1,12})");

    /** What may be signed, and what must be. */
    private static final List<String> ALWAYS = List.of("\"@method\"", "\"content-digest\"");

    private MessageSignatures() {}

    /** The headers of a message that is sent. */
    public static Map<String, String> sign(String key, String method, URI address, String body, Instant now) {
        String digest = digest(body);
        String parameters =
                "(\"@method\" \"@target-uri\" \"content-digest\");created=%d;keyid=\"%s\";alg=\"hmac-sha256\""
                        .formatted(now.getEpochSecond(), KEY_ID);
        String base = "\"@method\": %s\n\"@target-uri\": %s\n\"content-digest\": %s\n\"@signature-params\": %s"
                .formatted(method, address, digest, parameters);
        Map<String, String> headers = new LinkedHashMap<>();
        headers.put("Content-Digest", digest);
        headers.put("Signature-Input", "shuttle=" + parameters);
        headers.put("Signature", "shuttle=:" + hmac(key, base) + ":");
        return headers;
    }

    /**
     * What came, as far as it is signed.
     *
     * @param target its whole address
     * @param digest the header {@code Content-Digest}, and the others likewise; empty where there was none
     */
    public record Came(String method, String target, String body, String digest, String input, String signature) {}

    /** Whether the signature of a message is right and fresh. */
    public static boolean holds(String key, Came came, Instant now) {
        Matcher input = INPUT.matcher(came.input().strip());
        if (!input.matches() || !same(came.digest(), digest(came.body()))) {
            return false;
        }
        List<String> parts = List.of(input.group(3).strip().split(" +"));
        Matcher created = CREATED.matcher(input.group(4));
        boolean goesSomewhere = parts.contains("\"@target-uri\"") || parts.contains("\"@path\"");
        if (!parts.containsAll(ALWAYS) || !goesSomewhere || !created.find()) {
            return false;
        }
        Duration age = Duration.between(Instant.ofEpochSecond(Long.parseLong(created.group(1))), now)
                .abs();
        StringBuilder base = new StringBuilder();
        for (String part : parts) {
            String value = switch (part) {
                case "\"@method\"" -> came.method();
                case "\"@target-uri\"" -> came.target();
                case "\"@path\"" -> URI.create(came.target()).getRawPath();
                case "\"content-digest\"" -> came.digest();
                default -> "";
            };
            base.append(part).append(": ").append(value).append('\n');
        }
        base.append("\"@signature-params\": ").append(input.group(2));
        return age.compareTo(FRESH) <= 0
                && same(came.signature().strip(), input.group(1) + "=:" + hmac(key, base.toString()) + ":");
    }

    private static boolean same(String given, String right) {
        return MessageDigest.isEqual(given.getBytes(StandardCharsets.UTF_8), right.getBytes(StandardCharsets.UTF_8));
    }

    private static String digest(String body) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(body.getBytes(StandardCharsets.UTF_8));
            return "sha-256=:" + Base64.getEncoder().encodeToString(hash) + ":";
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("no SHA-256", e);
        }
    }

    /** Base64 of an HMAC-SHA-256. */
    static String hmac(String key, String text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(key.getBytes(StandardCharsets.US_ASCII), "HmacSHA256"));
            return Base64.getEncoder().encodeToString(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("signing failed", e);
        }
    }
}
