package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.web.MessageSignatures.Came;
import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** A signature holds for the message that was signed, with its key, for five minutes. */
class MessageSignaturesTest {

    private static final Instant NOW = Instant.parse("2026-03-10T10:00:00Z");
    private static final String TARGET = "https://shuttle.example/api/v1/channels/c1/messages";
    private static final String BODY = "{\"id\":\"m1\",\"from\":\"+447700900121\",\"text\":\"Grüße\"}";

    private static Came signed() {
        Map<String, String> headers = MessageSignatures.sign("secret", "POST", URI.create(TARGET), BODY, NOW);
        return new Came(
                "POST",
                TARGET,
                BODY,
                headers.getOrDefault("Content-Digest", ""),
                headers.getOrDefault("Signature-Input", ""),
                headers.getOrDefault("Signature", ""));
    }

    @Test
    void whatWasSignedHolds() {
        assertThat(MessageSignatures.holds("secret", signed(), NOW)).isTrue();
        assertThat(MessageSignatures.holds("another", signed(), NOW)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(longs = {-301, 301, 86_400})
    void anOldOneDoesNot(long seconds) {
        assertThat(MessageSignatures.holds("secret", signed(), NOW.plusSeconds(seconds)))
                .isFalse();
        assertThat(MessageSignatures.holds("secret", signed(), NOW.plus(Duration.ofMinutes(5))))
                .isTrue();
    }

    static Stream<Arguments> changed() {
        return Stream.<Map.Entry<String, UnaryOperator<Came>>>of(
                        Map.entry(
                                "method",
                                c -> new Came("PUT", c.target(), c.body(), c.digest(), c.input(), c.signature())),
                        Map.entry(
                                "target",
                                c -> new Came(
                                        c.method(),
                                        c.target().replace("c1", "c2"),
                                        c.body(),
                                        c.digest(),
                                        c.input(),
                                        c.signature())),
                        Map.entry(
                                "body",
                                c -> new Came(
                                        c.method(), c.target(), c.body() + " ", c.digest(), c.input(), c.signature())),
                        Map.entry(
                                "time",
                                c -> new Came(
                                        c.method(),
                                        c.target(),
                                        c.body(),
                                        c.digest(),
                                        c.input().replace("created=17", "created=18"),
                                        c.signature())),
                        Map.entry(
                                "less covered",
                                c -> new Came(
                                        c.method(),
                                        c.target(),
                                        c.body(),
                                        c.digest(),
                                        c.input().replace(" \"content-digest\"", ""),
                                        c.signature())),
                        Map.entry(
                                "no signature",
                                c -> new Came(c.method(), c.target(), c.body(), c.digest(), c.input(), "")),
                        Map.entry("nonsense", c -> new Came("POST", TARGET, BODY, "", "((((;;;;", "::::")))
                .map(entry -> Arguments.of(entry.getKey(), entry.getValue()));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("changed")
    void whatWasChangedDoesNot(String what, UnaryOperator<Came> change) {
        assertThat(MessageSignatures.holds("secret", change.apply(signed()), NOW))
                .as(what)
                .isFalse();
    }

    /** Another program's way: other order, the path only, another label. */
    @Test
    void anothersSignatureHolds() {
        String input = "gw=(\"content-digest\" \"@method\" \"@path\");alg=\"hmac-sha256\";created=1773136800";
        String digest = signed().digest();
        String base = "\"content-digest\": " + digest + "\n\"@method\": POST\n\"@path\": /api/v1/channels/c1/messages\n"
                + "\"@signature-params\": " + input.substring(3);
        Came came =
                new Came("POST", TARGET, BODY, digest, input, "gw=:" + MessageSignatures.hmac("secret", base) + ":");
        assertThat(MessageSignatures.holds("secret", came, NOW)).isTrue();
    }
}
