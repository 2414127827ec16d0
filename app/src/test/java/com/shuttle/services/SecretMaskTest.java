package com.shuttle.services;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SecretMaskTest {

    private static final String SECRET = "hush/\"quiet\"+ö & 7";

    private static String base64(String text) {
        return Base64.getEncoder().encodeToString(text.getBytes(StandardCharsets.UTF_8));
    }

    private static String url(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    static Stream<UnaryOperator<String>> waysToWrite() {
        return Stream.of(
                text -> text,
                SecretMaskTest::url,
                text -> url(text).replace("+", "%20").replace("%2F", "%2f"),
                text -> text.replace("\"", "\\\"").replace("/", "\\/"),
                text -> text.replace("&", "&amp;").replace("\"", "&quot;").replace("ö", "&ouml;"),
                text -> HexFormat.of().formatHex(text.getBytes(StandardCharsets.UTF_8)),
                SecretMaskTest::base64,
                text -> base64("user:" + text),
                text -> base64("a:" + text + ":end"),
                text -> url(base64("ab:" + text)),
                text -> base64(url(text)),
                text -> Base64.getUrlEncoder()
                        .withoutPadding()
                        .encodeToString(("ü:" + text).getBytes(StandardCharsets.UTF_8)));
    }

    /** Nothing of six characters that the written secret has is left of it. */
    @ParameterizedTest
    @MethodSource("waysToWrite")
    void howeverASecretIsWrittenItIsHidden(UnaryOperator<String> way) {
        String written = way.apply(SECRET);
        String shown = SecretMask.of(List.of(SECRET, "")).over("{\"echo\":\"" + written + "\",\"n\":7}");
        assertThat(shown).contains(SecretMask.MASK).startsWith("{\"echo\":\"").endsWith("\",\"n\":7}");
        String within = way.apply(SECRET.substring(2, SECRET.length() - 2));
        if (within.length() > 10 && written.contains(within)) {
            assertThat(shown).doesNotContain(within);
        }
    }

    @Test
    void withoutSecretsATextIsAsItWas() {
        assertThat(SecretMask.of(List.of("", "")).over("as it was $1 \\")).isEqualTo("as it was $1 \\");
        assertThat(SecretMask.of(List.of("s3")).over("to s3 and s4")).isEqualTo("to ••••• and s4");
    }
}
