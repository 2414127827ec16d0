package com.shuttle.core.reading;

import com.google.i18n.phonenumbers.NumberParseException;
import com.google.i18n.phonenumbers.PhoneNumberMatch;
import com.google.i18n.phonenumbers.PhoneNumberUtil;
import com.google.i18n.phonenumbers.PhoneNumberUtil.Leniency;
import com.google.i18n.phonenumbers.PhoneNumberUtil.PhoneNumberFormat;
import com.google.i18n.phonenumbers.PhoneNumberUtil.ValidationResult;
import com.google.i18n.phonenumbers.Phonenumber.PhoneNumber;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Finds phone numbers in national form of a region or in international form, also dictated in words ("oh seven seven,
 * double oh …"). The value is E.164, without extension.
 */
final class PhoneReader {

    private static final PhoneNumberUtil PHONES = PhoneNumberUtil.getInstance();
    private static final Pattern FIGURES = Pattern.compile("[+(]?\\d[\\d\\s().\\-/·]{5,}\\d");
    private static final Finder DICTATED = Finder.of(
            "(?<![\\p{L}\\d])(?:(?:oh|o|zero|nought|one|two|three|four|five|six|seven|eight|nine|double|triple|treble|plus|\\d++)[\\s,-]++){5,24}"
                    + "(?:oh|o|zero|nought|one|two|three|four|five|six|seven|eight|nine|\\d+)");
    private static final Map<String, String> DIGITS = new HashMap<>();

    static {
        String[] words = "zero one two three four five six seven eight nine".split(" ");
        for (int i = 0; i < words.length; i++) {
            DIGITS.put(words[i], Integer.toString(i));
        }
        DIGITS.put("oh", "0");
        DIGITS.put("o", "0");
        DIGITS.put("nought", "0");
    }

    private PhoneReader() {}

    static Reading read(String text, Context context) {
        return Settling.reading(text, find(text, context));
    }

    static List<Mention> find(String text, Context context) {
        List<Mention> found = new ArrayList<>();
        if (figures(text) >= 6) {
            for (PhoneNumberMatch match :
                    PHONES.findNumbers(text.replace('·', ' '), context.region(), Leniency.VALID, 20)) {
                found.add(Mention.of(new Value.Text(e164(match.number())), match.start(), match.end()));
            }
            loose(text, context, found);
            found.sort(java.util.Comparator.comparingInt(Mention::start));
        }
        if (found.isEmpty()) {
            dictated(text, context, found);
        }
        return found;
    }

    private static int figures(String text) {
        int count = 0;
        for (int i = 0; i < text.length(); i++) {
            count += text.charAt(i) >= '0' && text.charAt(i) <= '9' ? 1 : 0;
        }
        return count;
    }

    /**
     * Numbers in groupings that the strict finder passes over, and those that are of the right length and prefix but in
     * no range it knows: ranges are opened, and some set aside for examples, faster than any table of them is renewed.
     */
    private static void loose(String text, Context context, List<Mention> found) {
        Matcher matcher = FIGURES.matcher(text);
        while (matcher.find()) {
            boolean known = found.stream().anyMatch(m -> m.start() < matcher.end() && matcher.start() < m.end());
            String number = known ? null : parsed(matcher.group(), context);
            if (number != null) {
                found.add(Mention.of(new Value.Text(number), matcher.start(), matcher.end()));
            }
        }
    }

    private static void dictated(String text, Context context, List<Mention> found) {
        if (text.chars().filter(c -> c == ' ' || c == ',' || c == '-').count() < 5) {
            return;
        }
        for (MatchResult matcher : DICTATED.all(text, Mention.MOST)) {
            StringBuilder digits = new StringBuilder();
            int times = 1;
            for (String word : Regex.split(matcher.group().toLowerCase(java.util.Locale.ROOT), "[\\s,-]+")) {
                switch (word) {
                    case "double" -> times = 2;
                    case "triple", "treble" -> times = 3;
                    case "plus" -> digits.append('+');
                    default -> {
                        digits.append(DIGITS.getOrDefault(word, word).repeat(times));
                        times = 1;
                    }
                }
            }
            String number = digits.length() > 20 ? null : parsed(digits.toString(), context);
            if (number != null) {
                found.add(Mention.of(new Value.Text(number), matcher.start(), matcher.end()));
            }
        }
    }

    private static @Nullable String parsed(String text, Context context) {
        try {
            PhoneNumber number = PHONES.parse(text, context.region());
            boolean possible = PHONES.isPossibleNumberWithReason(number) == ValidationResult.IS_POSSIBLE;
            boolean prefixed = Regex.matches(text.strip(), "[(]?[+0].*")
                    && !Regex.matches(Regex.replaceAll(text, "\\D", ""), "(\\d)\\1+");
            return possible && (prefixed || PHONES.isValidNumber(number)) ? e164(number) : null;
        } catch (NumberParseException e) {
            return null;
        }
    }

    private static String e164(PhoneNumber number) {
        return PHONES.format(number, PhoneNumberFormat.E164);
    }
}
