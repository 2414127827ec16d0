package com.shuttle.web;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.HexFormat;

/** Random ids and secrets, and hashes of secrets. Thread-safe. */
public final class Ids {

    private static final String ALPHABET = "abcdefghijkmnpqrstuvwxyz23456789";
    private static final SecureRandom RANDOM = new SecureRandom();

    private Ids() {}

    /** A new id: 14 characters, 70 bits. */
    public static String next() {
        return random(14);
    }

    /** A new secret: 40 characters, 200 bits. */
    public static String secret() {
        return random(40);
    }

    /** SHA-256 in hex. For long random secrets only; passwords want a slow hash. */
    public static String hash(String secret) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(secret.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** What chance decides in a turn. */
    public static long seed() {
        return RANDOM.nextLong();
    }

    private static String random(int length) {
        StringBuilder id = new StringBuilder(length);
        for (int i = 0; i < length; i++) {
            id.append(ALPHABET.charAt(RANDOM.nextInt(ALPHABET.length())));
        }
        return id.toString();
    }
}
