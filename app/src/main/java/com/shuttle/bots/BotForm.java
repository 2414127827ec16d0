package com.shuttle.bots;

import com.shuttle.core.calendar.WeekHours.Span;
import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Comparator;
import java.util.IllformedLocaleException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;

/**
 * A bot's profile as it was filled in; kept whole when something is wrong with it.
 */
public record BotForm(String name, String slug, String description, String region, String zone, Manner manner) {

    static Checked.Errors errors(String name, String description, String region) {
        return new Checked.Errors()
                .named(name, "name")
                .fits(description, Length.DESCRIPTION, "description")
                .require(
                        Arrays.asList(Locale.getISOCountries()).contains(region), "region", "Please choose a country.");
    }

    /** @param taken whether another bot has an address */
    Checked.Errors errors(Predicate<String> taken) {
        return errors(name, description, region)
                .require(
                        slug.matches("[a-z0-9][a-z0-9-]{0,63}"),
                        "slug",
                        "An address has lower-case letters, digits and dashes only.")
                .require(!taken.test(slug), "slug", "Another bot has this address.")
                .require(ZoneId.getAvailableZoneIds().contains(zone), "zone", "Please choose a time zone.")
                .require(language(manner.language()), "language", "Please give a language such as en or en-GB.")
                .require(manner.letters() >= 0 && manner.letters() <= Manner.FASTEST, "letters", Manner.NO_SPEED)
                .require(
                        manner.picture().isEmpty() || manner.picture().matches("/media/[A-Za-z0-9_-]{10,64}"),
                        "picture",
                        "Please upload a picture.")
                .require(
                        manner.hours().values().stream()
                                .allMatch(hours -> Span.of(hours).isPresent()),
                        "hours",
                        "Hours are written like 09:00-17:00, the end after the beginning.");
    }

    private static boolean language(String tag) {
        try {
            return !new Locale.Builder()
                    .setLanguageTag(tag)
                    .build()
                    .getLanguage()
                    .isEmpty();
        } catch (IllformedLocaleException e) {
            return false;
        }
    }

    /** Hours a day without spaces, and as they were typed where they are none; days without any are left out. */
    public static Map<String, String> hours(Map<String, String> typed) {
        Map<String, String> hours = new java.util.TreeMap<>();
        typed.forEach((day, span) -> {
            String clean = span.replaceAll("\\s+", "").replace('–', '-');
            if (!clean.isEmpty()) {
                hours.put(day, Span.of(clean).isPresent() ? clean : span.strip());
            }
        });
        return hours;
    }

    /** Countries a bot can be for, by their English names. */
    static List<Locale> regions() {
        return Arrays.stream(Locale.getISOCountries())
                .map(code -> Locale.of("", code))
                .sorted(Comparator.comparing(region -> region.getDisplayCountry(Locale.ENGLISH)))
                .toList();
    }
}
