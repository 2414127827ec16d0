package com.shuttle.appointments;

import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.calendar.WeekHours.Span;
import com.shuttle.core.calendar.Zones;
import com.shuttle.web.Checked;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The form of a person or a room. Pure functions. */
final class DiaryForm {

    static final int MOST_EXCEPTIONS = 400;

    private static final int MOST_SKILLS = 20;
    private static final int LONGEST_SKILL = 40;

    private DiaryForm() {}

    /** Somebody new, with the hours of most offices. */
    static Diary blank(ZoneId zone) {
        List<Span> day = List.of(Span.of("09:00-17:00").orElseThrow());
        Map<DayOfWeek, List<Span>> week = Stream.of(DayOfWeek.values())
                .filter(one -> one.getValue() < DayOfWeek.SATURDAY.getValue())
                .collect(Collectors.toMap(one -> one, one -> day));
        return new Diary("", Diary.Type.PERSON, "", new OpenHours(zone, week, Map.of()));
    }

    static Map<String, String> form(Diary diary) {
        Map<String, String> form =
                new LinkedHashMap<>(HoursText.week(diary.hours().week()));
        form.put("name", diary.name());
        form.put("type", diary.type().key());
        form.put("skills", String.join(", ", diary.skills()));
        form.put("zone", diary.hours().zone().getId());
        form.put(
                "exceptions",
                new TreeMap<>(diary.hours().exceptions())
                        .entrySet().stream()
                                .map(day -> (day.getKey() + " " + HoursText.write(day.getValue())).strip())
                                .collect(Collectors.joining("\n")));
        return form;
    }

    /** @param id empty for a new one */
    static Checked<Diary> read(String id, Map<String, String> form) {
        Checked.Errors errors = new Checked.Errors();
        String name = form.getOrDefault("name", "").strip();
        errors.named(name, "name");
        Optional<ZoneId> zone = Zones.known(form.getOrDefault("zone", "").strip());
        errors.require(zone.isPresent(), "zone", "Please give a zone such as Europe/London.");
        List<String> skills = Stream.of(form.getOrDefault("skills", "").split("[,;\n]"))
                .map(String::strip)
                .filter(skill -> !skill.isEmpty())
                .distinct()
                .toList();
        errors.require(
                skills.size() <= MOST_SKILLS && skills.stream().allMatch(skill -> skill.length() <= LONGEST_SKILL),
                "skills",
                "Up to %d, each up to %d characters, please.".formatted(MOST_SKILLS, LONGEST_SKILL));
        Map<String, String> wrong = new LinkedHashMap<>();
        Map<DayOfWeek, List<Span>> week = HoursText.week(form, wrong);
        wrong.forEach((field, error) -> errors.require(false, field, error));
        Map<LocalDate, List<Span>> exceptions = exceptions(form.getOrDefault("exceptions", ""), errors);
        return errors.<Diary>bad()
                .orElseGet(() -> Checked.good(new Diary(
                        id,
                        Diary.Type.of(form.getOrDefault("type", "")),
                        name,
                        new OpenHours(zone.orElseThrow(), week, exceptions),
                        skills)));
    }

    /** A line a day: its date, then its hours; none for a day off. */
    private static Map<LocalDate, List<Span>> exceptions(String lines, Checked.Errors errors) {
        Map<LocalDate, List<Span>> exceptions = new TreeMap<>();
        for (String line :
                lines.lines().map(String::strip).filter(one -> !one.isEmpty()).toList()) {
            String[] parts = line.split("\\s+", 2);
            String hours = parts.length > 1 ? parts[1].replaceAll("(?i)^(?:closed|off|away)$", "") : "";
            Optional<List<Span>> spans = HoursText.read(hours);
            try {
                LocalDate day = LocalDate.parse(parts[0]);
                errors.require(
                        spans.isPresent(), "exceptions", "“" + line + "”: write hours like 09:00-12:00, or none.");
                exceptions.put(day, spans.orElse(List.of()));
            } catch (DateTimeException e) {
                errors.require(false, "exceptions", "“" + line + "” does not begin with a day like 2026-12-24.");
            }
        }
        errors.require(
                exceptions.size() <= MOST_EXCEPTIONS,
                "exceptions",
                "Up to %d days, please.".formatted(MOST_EXCEPTIONS));
        return exceptions;
    }
}
