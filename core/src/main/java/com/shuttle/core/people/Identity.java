package com.shuttle.core.people;

import com.google.i18n.phonenumbers.NumberParseException;
import com.google.i18n.phonenumbers.PhoneNumberUtil;
import com.google.i18n.phonenumbers.PhoneNumberUtil.PhoneNumberFormat;
import com.google.i18n.phonenumbers.Phonenumber.PhoneNumber;
import com.shuttle.core.reading.EmailAddress;
import java.net.IDN;
import java.text.Normalizer;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;

/**
 * Addresses and names as they are compared. Capitals of an email do not count, and its domain is compared in the ASCII form of
 * RFC 5891; dots and what follows a plus are as they stand, since only the receiving host knows what they mean. Pure functions.
 */
public final class Identity {

    private static final Pattern MARKS = Pattern.compile("\\p{M}+");
    private static final Pattern NO_LETTERS = Pattern.compile("[^\\p{L}\\p{N}]+");

    private Identity() {}

    /** An email as it is compared; empty for what is no address. */
    public static String email(String written) {
        String bare = Normalizer.normalize(written.strip(), Normalizer.Form.NFC).toLowerCase(Locale.ROOT);
        int at = bare.lastIndexOf('@');
        if (at < 1 || at == bare.length() - 1) {
            return "";
        }
        try {
            String domain = IDN.toASCII(bare.substring(at + 1), IDN.USE_STD3_ASCII_RULES)
                    .toLowerCase(Locale.ROOT);
            String whole = bare.substring(0, at + 1) + domain;
            return EmailAddress.isValid(whole) ? whole : "";
        } catch (IllegalArgumentException noDomain) {
            return "";
        }
    }

    /** A phone number in the form of E.164; empty for what is none. @param region where it is dialled as it is written */
    public static String phone(String written, String region) {
        try {
            PhoneNumberUtil numbers = PhoneNumberUtil.getInstance();
            PhoneNumber number = numbers.parse(written.strip(), region.isEmpty() ? "ZZ" : region);
            return numbers.isPossibleNumber(number) ? numbers.format(number, PhoneNumberFormat.E164) : "";
        } catch (NumberParseException none) {
            return "";
        }
    }

    /** Whether two names can be one person's: one of them is missing, or all words of one stand in the other. */
    public static boolean sameName(String one, String other) {
        Set<String> a = words(one);
        Set<String> b = words(other);
        return a.containsAll(b) || b.containsAll(a);
    }

    /** Which of two names to keep: the later, unless the earlier says more. */
    public static String fuller(String before, String now) {
        return now.isBlank()
                        || words(before).size() > words(now).size()
                                && words(before).containsAll(words(now))
                ? before
                : now.strip();
    }

    private static Set<String> words(String name) {
        String plain =
                MARKS.matcher(Normalizer.normalize(name, Normalizer.Form.NFD)).replaceAll("");
        Set<String> words = new TreeSet<>();
        for (String word : NO_LETTERS.split(plain.toLowerCase(Locale.ROOT))) {
            if (!word.isEmpty()) {
                words.add(word);
            }
        }
        return words;
    }
}
