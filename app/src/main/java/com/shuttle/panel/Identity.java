package com.shuttle.panel;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.Optional;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Who a website's visitor is, as a JSON Web Token (RFC 7519) that the website's own server signs with {@code HS256}: {@code sub} names
 * them there, {@code exp} says until when it holds, a day at most; where there is an {@code nbf}, from when, give or take a minute; where
 * there is an {@code aud}, the website's id here is it or among them. Pure functions.
 */
final class Identity {

    static final Duration LONGEST = Duration.ofDays(1);

    /** Clocks of servers differ by so much. */
    private static final Duration SKEW = Duration.ofMinutes(1);

    private static final int LONGEST_TOKEN = 4000;
    private static final int LONGEST_NAME = 200;
    private static final JsonMapper JSON = JsonMapper.shared();

    private Identity() {}

    /** Whom a token names; empty for one that is not signed with the key, not for this website, or out of its time. */
    static Optional<String> of(String token, String key, String site, Instant now) {
        String[] parts = token.split("\\.", -1);
        if (token.length() > LONGEST_TOKEN || parts.length != 3 || !signed(parts, key)) {
            return Optional.empty();
        }
        try {
            JsonNode head = JSON.readTree(Base64.getUrlDecoder().decode(parts[0]));
            JsonNode claims = JSON.readTree(Base64.getUrlDecoder().decode(parts[1]));
            String name = claims.path("sub").asString("");
            Instant until = Instant.ofEpochSecond(claims.path("exp").asLong(0));
            boolean inTime = until.isAfter(now) && !until.isAfter(now.plus(LONGEST));
            boolean begun = !claims.has("nbf")
                    || claims.path("nbf").isNumber()
                            && !Instant.ofEpochSecond(claims.path("nbf").asLong())
                                    .isAfter(now.plus(SKEW));
            boolean here = !claims.has("aud") || isFor(claims.path("aud"), site);
            boolean named = !name.isBlank() && name.length() <= LONGEST_NAME;
            // Other algorithms, "none" among them, are none of ours.
            boolean ours = head.path("alg").asString("").equals("HS256");
            return ours && inTime && begun && here && named ? Optional.of(name) : Optional.empty();
        } catch (RuntimeException unreadable) {
            return Optional.empty();
        }
    }

    private static boolean isFor(JsonNode audience, String site) {
        return audience.isArray()
                ? audience.valueStream().anyMatch(one -> one.asString("").equals(site))
                : audience.asString("").equals(site);
    }

    private static boolean signed(String[] parts, String key) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(key.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
            byte[] right = mac.doFinal((parts[0] + "." + parts[1]).getBytes(StandardCharsets.US_ASCII));
            String given = parts[2].replaceFirst("=+$", "");
            return MessageDigest.isEqual(
                    given.getBytes(StandardCharsets.UTF_8),
                    Base64.getUrlEncoder().withoutPadding().encode(right));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("no HMAC", e);
        }
    }
}
