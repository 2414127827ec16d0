package com.shuttle.bots;

import java.text.Normalizer;
import java.util.Locale;
import java.util.function.Predicate;

/** Parts of addresses made of names. Pure functions. */
final class Slugs {

    private static final int LONGEST = 50;

    private Slugs() {}

    /** The name in lower-case letters, digits and dashes, with a number where that is taken. */
    static String free(String name, Predicate<String> taken) {
        String ascii = Normalizer.normalize(name.toLowerCase(Locale.ROOT), Normalizer.Form.NFKD)
                .replaceAll("\\p{M}+", "")
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-+|-+$", "");
        String base = ascii.isEmpty() ? "bot" : ascii.substring(0, Math.min(LONGEST, ascii.length()));
        String slug = base;
        for (int n = 2; taken.test(slug); n++) {
            slug = base + "-" + n;
        }
        return slug;
    }
}
