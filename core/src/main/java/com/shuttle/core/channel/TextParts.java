package com.shuttle.core.channel;

import java.util.stream.Collectors;

/**
 * How many parts a text message takes (3GPP TS 23.038 and 23.040): in the 7-bit alphabet 160 characters, or 153 in each of
 * several; with any other character in it 70, or 67 in each of several, counted in UTF-16 units. Characters of the alphabet's
 * extension count twice, and none is torn apart between two parts.
 *
 * @param parts   at least 1
 * @param units   as they are counted
 * @param foreign the characters that are not in the 7-bit alphabet, each once; empty where all are
 */
public record TextParts(int parts, int units, String foreign) {

    private static final String BASIC = "@£$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !\"#¤%&'()*+,-./0123456789:;<=>?"
            + "¡ABCDEFGHIJKLMNOPQRSTUVWXYZÄÖÑÜ§¿abcdefghijklmnopqrstuvwxyzäöñüà";
    private static final String EXTENSION = "\f^{}\\[~]|€";
    private static final int ONE = 160;
    private static final int EACH = 153;
    private static final int ONE_WIDE = 70;
    private static final int EACH_WIDE = 67;

    /** Of a text; an empty one takes one part. */
    public static TextParts of(String text) {
        String foreign = text.codePoints()
                .filter(one -> BASIC.indexOf(one) < 0 && EXTENSION.indexOf(one) < 0)
                .distinct()
                .mapToObj(Character::toString)
                .collect(Collectors.joining());
        boolean wide = !foreign.isEmpty();
        int units = text.codePoints().map(one -> weight(one, wide)).sum();
        return new TextParts(
                units <= (wide ? ONE_WIDE : ONE) ? 1 : several(text, wide, wide ? EACH_WIDE : EACH), units, foreign);
    }

    private static int weight(int character, boolean wide) {
        return wide ? Character.charCount(character) : EXTENSION.indexOf(character) < 0 ? 1 : 2;
    }

    private static int several(String text, boolean wide, int each) {
        int parts = 1;
        int used = 0;
        for (int character : text.codePoints().toArray()) {
            int weight = weight(character, wide);
            if (used + weight > each) {
                parts++;
                used = 0;
            }
            used += weight;
        }
        return parts;
    }
}
