package com.shuttle.web;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Base64;
import javax.crypto.Cipher;
import javax.crypto.Mac;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Seals what must not be stored in the clear (AES-256 in GCM, a random nonce before each text) and signs what strangers
 * bring back (HMAC-SHA-256). Both keys come from one random file {@code key} in the data folder, made at the first start
 * and readable by its owner only. Thread-safe.
 */
@Component
public class Vault {

    private static final int NONCE = 12;
    private static final int TAG_BITS = 128;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final SecretKeySpec sealing;
    private final SecretKeySpec signing;

    Vault(@Value("${shuttle.data}") Path data) throws IOException {
        byte[] key = key(data.resolve("key"));
        this.sealing = new SecretKeySpec(mac(new SecretKeySpec(key, "HmacSHA256"), "sealing"), "AES");
        this.signing = new SecretKeySpec(mac(new SecretKeySpec(key, "HmacSHA256"), "signing"), "HmacSHA256");
    }

    private static byte[] key(Path file) throws IOException {
        Files.createDirectories(file.toAbsolutePath().getParent());
        byte[] fresh = new byte[32];
        RANDOM.nextBytes(fresh);
        try {
            Files.write(file, fresh, StandardOpenOption.CREATE_NEW);
            if (Files.getFileStore(file).supportsFileAttributeView("posix")) {
                Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
            }
            return fresh;
        } catch (FileAlreadyExistsException e) {
            return Files.readAllBytes(file);
        }
    }

    /** The sealed form of a text: Base64, never twice the same. */
    public String seal(String text) {
        byte[] nonce = new byte[NONCE];
        RANDOM.nextBytes(nonce);
        try {
            Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
            cipher.init(Cipher.ENCRYPT_MODE, sealing, new GCMParameterSpec(TAG_BITS, nonce));
            byte[] body = cipher.doFinal(text.getBytes(StandardCharsets.UTF_8));
            byte[] whole = new byte[NONCE + body.length];
            System.arraycopy(nonce, 0, whole, 0, NONCE);
            System.arraycopy(body, 0, whole, NONCE, body.length);
            return Base64.getEncoder().encodeToString(whole);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("sealing failed", e);
        }
    }

    /**
     * The text of a sealed form.
     *
     * @throws IllegalArgumentException if it was not sealed here, or was changed
     */
    public String open(String sealed) {
        byte[] whole = Base64.getDecoder().decode(sealed);
        if (whole.length < NONCE) {
            throw new IllegalArgumentException("too short to be sealed");
        }
        try {
            Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
            cipher.init(Cipher.DECRYPT_MODE, sealing, new GCMParameterSpec(TAG_BITS, whole, 0, NONCE));
            return new String(cipher.doFinal(whole, NONCE, whole.length - NONCE), StandardCharsets.UTF_8);
        } catch (GeneralSecurityException e) {
            throw new IllegalArgumentException("not sealed here, or changed", e);
        }
    }

    /** A signature that only this installation can make: 32 URL-safe characters. */
    public String sign(String text) {
        return Base64.getUrlEncoder()
                .withoutPadding()
                .encodeToString(mac(signing, text))
                .substring(0, 32);
    }

    /** Whether {@code signature} is that of {@code text}; takes the same time whatever it is. */
    public boolean signed(String text, String signature) {
        return MessageDigest.isEqual(
                sign(text).getBytes(StandardCharsets.US_ASCII), signature.getBytes(StandardCharsets.UTF_8));
    }

    private static byte[] mac(SecretKeySpec key, String text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(key);
            return mac.doFinal(text.getBytes(StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("signing failed", e);
        }
    }
}
