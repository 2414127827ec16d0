package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Base64;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class VaultTest {

    @Test
    void whatIsSealedOpensWithTheSameKeyOnly(@TempDir Path data) throws IOException {
        Vault vault = new Vault(data.resolve("a"));
        String sealed = vault.seal("open sesame – ✓");
        assertThat(sealed).doesNotContain("sesame").isNotEqualTo(vault.seal("open sesame – ✓"));
        assertThat(new Vault(data.resolve("a")).open(sealed)).isEqualTo("open sesame – ✓");
        Vault other = new Vault(data.resolve("b"));
        assertThatThrownBy(() -> other.open(sealed)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whatWasChangedDoesNotOpen(@TempDir Path data) throws IOException {
        Vault vault = new Vault(data);
        byte[] sealed = Base64.getDecoder().decode(vault.seal("secret"));
        sealed[sealed.length - 1] ^= 1;
        assertThatThrownBy(() -> vault.open(Base64.getEncoder().encodeToString(sealed)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> vault.open("AAAA")).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void signaturesAreOfOneTextAndOneInstallation(@TempDir Path data) throws IOException {
        Vault vault = new Vault(data.resolve("a"));
        String signature = vault.sign("conversation/t1-1");
        assertThat(signature).hasSize(32).matches("[A-Za-z0-9_-]+");
        assertThat(vault.signed("conversation/t1-1", signature)).isTrue();
        assertThat(vault.signed("conversation/t1-2", signature)).isFalse();
        assertThat(vault.signed("conversation/t1-1", signature.substring(1))).isFalse();
        assertThat(new Vault(data.resolve("b")).signed("conversation/t1-1", signature))
                .isFalse();
    }

    @Test
    void theKeyIsItsOwnersAlone(@TempDir Path data) throws IOException {
        Vault vault = new Vault(data);
        assertThat(vault.sign("x")).isNotEmpty();
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(data.resolve("key"))))
                .isEqualTo("rw-------");
    }
}
