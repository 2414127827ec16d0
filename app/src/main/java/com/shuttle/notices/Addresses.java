package com.shuttle.notices;

import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;

/** Addresses of mail. Pure functions. */
final class Addresses {

    private static final int LONGEST = 254;

    private Addresses() {}

    /** Whether a text is one plain address, with nothing beside it that could become more (RFC 5321, RFC 5322). */
    static boolean isOne(String text) {
        boolean plain = text.length() <= LONGEST
                && text.matches("[^\\s,;<>\"()\\[\\]\\\\:\\p{Cntrl}]+@[^\\s,;<>\"()\\[\\]\\\\:\\p{Cntrl}@]+");
        if (!plain) {
            return false;
        }
        try {
            new InternetAddress(text, true).validate();
            return true;
        } catch (AddressException e) {
            return false;
        }
    }
}
