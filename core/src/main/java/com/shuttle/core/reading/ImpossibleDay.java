package com.shuttle.core.reading;

import java.time.Month;
import java.time.format.TextStyle;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Days that no month has, so that whoever says one can be told. Pure function. */
public final class ImpossibleDay {

    private static final String MONTH =
            "(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)";
    private static final Pattern SAID = Pattern.compile(
            "\\b(\\d{1,3})(?:st|nd|rd|th)?\\s+(?:of\\s+)?" + MONTH + "\\b|\\b" + MONTH
                    + "\\s+(?:the\\s+)?(\\d{1,3})(?:st|nd|rd|th)?\\b(?!:)",
            Pattern.CASE_INSENSITIVE);

    private ImpossibleDay() {}

    /** What is wrong with a day that a message says: "June has 30 days."; empty for nothing. */
    public static Optional<String> told(String message) {
        Matcher said = SAID.matcher(Words.readable(message));
        while (said.find()) {
            int day = Integer.parseInt(said.group(1) != null ? said.group(1) : said.group(4));
            String name = (said.group(2) != null ? said.group(2) : said.group(3)).toLowerCase(Locale.ROOT);
            for (Month month : Month.values()) {
                String full = month.getDisplayName(TextStyle.FULL, Locale.ENGLISH);
                if (full.toLowerCase(Locale.ROOT).startsWith(name.substring(0, 3))
                        && (day == 0 || day > month.maxLength())) {
                    return Optional.of(full + " has " + month.maxLength()
                            + (month == Month.FEBRUARY ? " days at most." : " days."));
                }
            }
        }
        return Optional.empty();
    }
}
