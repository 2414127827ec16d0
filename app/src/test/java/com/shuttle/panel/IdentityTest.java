package com.shuttle.panel;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Base64;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Tokens by which a website says who its visitor is. */
class IdentityTest {

    private static final Instant NOW = Instant.parse("2026-03-10T10:00:00Z");
    private static final String HEAD = "{\"alg\":\"HS256\",\"typ\":\"JWT\"}";
    private static final String KEY = "a secret of the website's";

    static String token(String head, String claims, String key) {
        Base64.Encoder encoder = Base64.getUrlEncoder().withoutPadding();
        String signed = encoder.encodeToString(head.getBytes(StandardCharsets.UTF_8)) + "."
                + encoder.encodeToString(claims.getBytes(StandardCharsets.UTF_8));
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(key.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
            return signed + "." + encoder.encodeToString(mac.doFinal(signed.getBytes(StandardCharsets.US_ASCII)));
        } catch (java.security.GeneralSecurityException e) {
            throw new AssertionError(e);
        }
    }

    private static String claims(String name, long seconds) {
        return "{\"sub\":\"" + name + "\",\"exp\":" + NOW.plusSeconds(seconds).getEpochSecond() + "}";
    }

    private static String named(String token) {
        return Identity.of(token, KEY, "s1", NOW).orElse("");
    }

    @Test
    void whatIsSignedIsNamed() {
        assertThat(named(token(HEAD, claims("member 7", 60), KEY))).isEqualTo("member 7");
        assertThat(named(token(HEAD, claims("Grüße", 86_400), KEY))).isEqualTo("Grüße");
    }

    @ParameterizedTest
    @CsvSource({"0", "-1", "86401", "999999999"})
    void outOfItsTimeItDoesNotHold(long seconds) {
        assertThat(named(token(HEAD, claims("member 7", seconds), KEY))).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"alg\":\"none\"}",
                "{\"alg\":\"HS512\"}",
                "{\"alg\":\"RS256\"}",
                "{}",
                "no json",
            })
    void otherAlgorithmsAreNone(String head) {
        assertThat(named(token(head, claims("member 7", 60), KEY))).isEmpty();
    }

    @Test
    void forgedOnesAreRefused() {
        String right = token(HEAD, claims("member 7", 60), KEY);
        String other = token(HEAD, claims("member 8", 60), KEY);
        String[] parts = right.split("\\.");
        assertThat(named(token(HEAD, claims("member 7", 60), "another"))).isEmpty();
        assertThat(named(parts[0] + "." + other.split("\\.")[1] + "." + parts[2]))
                .isEmpty();
        assertThat(named(parts[0] + "." + parts[1] + ".")).isEmpty();
        assertThat(named(parts[0] + "." + parts[1])).isEmpty();
        assertThat(named("")).isEmpty();
        assertThat(named("....")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"-5, true", "0, true", "59, true", "61, false", "5000, false"})
    void beforeItsTimeItDoesNotHold(long seconds, boolean holds) {
        String claims = claims("member 7", 6000)
                .replace("}", ",\"nbf\":" + NOW.plusSeconds(seconds).getEpochSecond() + "}");
        assertThat(named(token(HEAD, claims, KEY)).isEmpty()).isNotEqualTo(holds);
        assertThat(named(token(HEAD, claims.replaceFirst("\"nbf\":\\d+", "\"nbf\":\"soon\""), KEY)))
                .isEmpty();
    }

    @Test
    void oneForSeveralWebsitesIsForEach() {
        long until = NOW.plusSeconds(60).getEpochSecond();
        String several = "{\"sub\":\"x\",\"aud\":[\"s0\",\"s1\"],\"exp\":" + until + "}";
        assertThat(named(token(HEAD, several, KEY))).isEqualTo("x");
        assertThat(named(token(HEAD, several.replace("s1", "s2"), KEY))).isEmpty();
    }

    @Test
    void oneForAnotherWebsiteIsRefused() {
        long until = NOW.plusSeconds(60).getEpochSecond();
        String forAnother = "{\"sub\":\"x\",\"aud\":\"s2\",\"exp\":" + until + "}";
        assertThat(named(token(HEAD, forAnother, KEY))).isEmpty();
        assertThat(named(token(HEAD, forAnother.replace("s2", "s1"), KEY))).isEqualTo("x");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"{}", "[]", "{\"sub\":\" \"}", "{\"sub\":\"x\"}", "{\"sub\":\"x\",\"exp\":\"soon\"}", "nonsense"
            })
    void claimsThatSayNothingAreRefused(String claims) {
        assertThat(named(token(HEAD, claims, KEY))).isEmpty();
    }
}
