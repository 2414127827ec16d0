package com.shuttle.core.booking;

import java.util.Locale;
import java.util.function.IntUnaryOperator;

/**
 * Names bookings so that they can be read aloud: seven signs of 27, none of which is taken for another in print, in two groups
 * ("KT4-WXHE"). 27<sup>7</sup> is ten thousand million, so that one cannot be guessed where attempts are slowed down. Pure
 * functions.
 */
public final class Reference {

    private static final String SIGNS = "ACDEFGHJKLMNPQRTVWXYZ346789";
    private static final int LENGTH = 7;
    private static final int FIRST = 3;

    private Reference() {}

    /** @param random a number from 0 to before its argument, which must not be foreseeable */
    public static String next(IntUnaryOperator random) {
        StringBuilder signs = new StringBuilder();
        for (int i = 0; i < LENGTH; i++) {
            signs.append(i == FIRST ? "-" : "").append(SIGNS.charAt(random.applyAsInt(SIGNS.length())));
        }
        return signs.toString();
    }

    /** A reference as it is kept, however it was typed: "kt4 wxhe". Empty for what is none. */
    public static String of(String typed) {
        String plain = typed.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
        boolean known = plain.length() == LENGTH && plain.chars().allMatch(c -> SIGNS.indexOf(c) >= 0);
        return known ? plain.substring(0, FIRST) + "-" + plain.substring(FIRST) : "";
    }
}
