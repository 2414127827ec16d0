package com.shuttle.bots;

import java.time.DayOfWeek;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.util.StringUtils;

/** How a bot presents itself as the fields of a form. Pure functions. */
final class ProfileForm {

    /** The days of the week as fields and hours name them. */
    static final List<String> DAYS = Stream.of(DayOfWeek.values())
            .map(day -> day.name().toLowerCase(Locale.ROOT))
            .toList();

    private static final String HOURS = "hours";

    private ProfileForm() {}

    /** The fields as a browser sends them. */
    static Map<String, String> fields(Bot bot) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("name", bot.name());
        fields.put("slug", bot.slug());
        fields.put("description", bot.description());
        fields.put("region", bot.region());
        fields.put("zone", bot.zone());
        fields.put("language", bot.manner().language());
        fields.put("picture", bot.manner().picture());
        fields.put("team", bot.manner().team());
        DAYS.forEach(day -> fields.put(HOURS + "-" + day, bot.manner().hours().getOrDefault(day, "")));
        return fields;
    }

    /** @param before what of its manner is no field of this form */
    static BotForm read(Map<String, String> form, Manner before) {
        Map<String, String> hours = new LinkedHashMap<>();
        DAYS.forEach(day -> hours.put(day, form.getOrDefault(HOURS + "-" + day, "")));
        return new BotForm(
                form.getOrDefault("name", ""),
                form.getOrDefault("slug", ""),
                form.getOrDefault("description", ""),
                form.getOrDefault("region", ""),
                form.getOrDefault("zone", ""),
                new Manner(
                        form.getOrDefault("picture", "").strip(),
                        form.getOrDefault("team", ""),
                        BotForm.hours(hours),
                        form.getOrDefault("language", "en").strip(),
                        before.letters(),
                        before.responses()));
    }

    /** Errors where the page has a place for them: those of all days are told below the week. */
    static Map<String, String> told(Map<String, String> errors) {
        Map<String, String> told = new LinkedHashMap<>();
        errors.forEach((field, error) -> {
            boolean day = field.startsWith(HOURS + "-");
            told.merge(
                    day ? HOURS : field,
                    day ? StringUtils.capitalize(field.substring(HOURS.length() + 1)) + ": " + error : error,
                    (one, other) -> one + " " + other);
        });
        return told;
    }
}
