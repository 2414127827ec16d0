package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.engine.SimulatedVisitor.Manner;
import com.shuttle.core.engine.Wordings.Half;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Objects;
import org.junit.jupiter.api.Test;

/**
 * Some hundred conversations go as they went when the engine was given its version. Where they go another way than before, what an
 * earlier engine decided is decided differently now: {@link Engine#VERSION} is one more then, and the hash beside it in {@code
 * golden.txt} is the new one.
 */
class GoldenTest {

    private static final int EACH = 4;

    private static String hash() throws NoSuchAlgorithmException {
        MessageDigest digest = MessageDigest.getInstance("SHA-256");
        Wordings wordings = new Wordings("/simulation/wordings.txt");
        for (Domain domain : Domain.ALL) {
            for (Manner manner : Manner.values()) {
                for (int i = 0; i < EACH; i++) {
                    Visitors.Script script = new SimulatedVisitor(
                                    domain, wordings, Half.KNOWN, 17L * i + manner.ordinal())
                            .script(manner);
                    domain.bot()
                            .play(script)
                            .log()
                            .forEach(line -> digest.update((line + "\n").getBytes(StandardCharsets.UTF_8)));
                }
            }
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    @Test
    void whatChangesConversationsIsAnotherVersion() throws IOException, NoSuchAlgorithmException {
        try (InputStream in = Objects.requireNonNull(GoldenTest.class.getResourceAsStream("/simulation/golden.txt"))) {
            assertThat(Engine.VERSION + " " + hash())
                    .as("another hash needs another version")
                    .isEqualTo(new String(in.readAllBytes(), StandardCharsets.UTF_8).strip());
        }
    }
}
