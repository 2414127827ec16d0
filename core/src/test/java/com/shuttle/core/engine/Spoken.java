package com.shuttle.core.engine;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * A value that a made-up visitor means.
 *
 * @param noted how it is noted
 * @param said  the ways in which it is said
 */
record Spoken(String noted, List<String> said) {

    private static final String[] NUMBERS =
            "zero one two three four five six seven eight nine ten eleven twelve".split(" ");
    private static final List<String> NAMES = List.of(
            "Ida Marlow",
            "Joss Weir",
            "Tom Reed",
            "Priya Nair",
            "Anouk Vale",
            "Ben Archer",
            "Carys Lloyd",
            "Dev Malik",
            "Ella Byrne",
            "Finn Orchard",
            "Greta Holm",
            "Hugo Petrie");
    private static final LocalDate FIRST = LocalDate.of(2026, 12, 1);

    String any(Random random) {
        return said.get(random.nextInt(said.size()));
    }

    /** A number from 2 to a greatest one below 13. */
    static Spoken number(int greatest, Random random) {
        int number = 2 + random.nextInt(greatest - 1);
        return new Spoken(String.valueOf(number), List.of(String.valueOf(number), NUMBERS[number]));
    }

    /** A day of the three months to come, named so that it can be only that. */
    static Spoken day(Random random) {
        LocalDate day = FIRST.plusDays(random.nextInt(85));
        int of = day.getDayOfMonth();
        String ordinal =
                of + (of / 10 == 1 ? "th" : of % 10 == 1 ? "st" : of % 10 == 2 ? "nd" : of % 10 == 3 ? "rd" : "th");
        String month = shown(day, "MMMM");
        String weekday = shown(day, "EEEE");
        return new Spoken(
                day.toString(),
                List.of(
                        of + " " + month,
                        ordinal + " of " + month,
                        "the " + ordinal + " of " + month,
                        month + " " + ordinal,
                        ordinal + " " + shown(day, "MMM"),
                        weekday + " " + of + " " + month,
                        shown(day, "EEE") + " " + ordinal + " " + month,
                        weekday + " the " + ordinal + " of " + month,
                        of + " " + month.toLowerCase(Locale.ROOT)));
    }

    private static String shown(LocalDate day, String pattern) {
        return DateTimeFormatter.ofPattern(pattern, Locale.UK).format(day);
    }

    /** A quarter of an hour between nine and six. */
    static Spoken time(Random random) {
        LocalTime time = LocalTime.of(9, 0).plusMinutes(15L * random.nextInt(36));
        int hour = (time.getHour() + 11) % 12 + 1;
        String half = time.getHour() < 12 ? "am" : "pm";
        String words = switch (time.getMinute()) {
            case 0 -> hour + " o'clock";
            case 15 -> "quarter past " + NUMBERS[hour];
            case 30 -> "half past " + NUMBERS[hour];
            default -> "quarter to " + NUMBERS[hour % 12 + 1];
        };
        String minutes = time.getMinute() == 0 ? "" : String.format("%02d", time.getMinute());
        String figures = minutes.isEmpty() ? hour + half : hour + "." + minutes + half;
        return new Spoken(time.toString(), List.of(time.toString(), figures, figures.replace('.', ':'), words));
    }

    static Spoken money(Random random) {
        int amount = 50 + 10 * random.nextInt(95);
        return new Spoken(
                String.valueOf(amount),
                List.of("£" + amount, amount + " pounds", amount + " quid", "£" + amount + ".00"));
    }

    static Spoken name(Random random) {
        String name = NAMES.get(random.nextInt(NAMES.size()));
        return new Spoken(name, List.of(name));
    }

    static Spoken email(Random random) {
        String name = NAMES.get(random.nextInt(NAMES.size())).toLowerCase(Locale.ROOT);
        String address = name.replace(' ', random.nextBoolean() ? '.' : '_') + "@example.org";
        return new Spoken(address, List.of(address));
    }

    static Spoken phone(Random random) {
        int last = 100 + random.nextInt(900);
        return new Spoken(
                "+447700900" + last,
                List.of("07700 900" + last, "07700900" + last, "07700-900-" + last, "+44 7700 900" + last));
    }

    static Spoken yesNo(boolean yes) {
        return new Spoken(yes ? "yes" : "no", List.of(yes ? "yes" : "no"));
    }

    /** An option by its label and by other words that mean it. */
    static Spoken option(String label, String... other) {
        List<String> said = new java.util.ArrayList<>(List.of(label, label.toLowerCase(Locale.ROOT)));
        said.addAll(List.of(other));
        return new Spoken(label, said);
    }
}
