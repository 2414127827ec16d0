package com.shuttle.panel;

import com.shuttle.bots.BotForm;
import com.shuttle.core.calendar.WeekHours.Span;
import com.shuttle.core.cue.Cue;
import com.shuttle.core.cue.Happening;
import com.shuttle.core.cue.Where;
import com.shuttle.core.flow.Keyed;
import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/** The form of a cue. Pure functions. */
final class CueForm {

    static final List<String> DAYS =
            List.of("monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday");
    static final List<String> DEVICES = List.of("phone", "tablet", "desktop");

    private static final int LONGEST_GREETING = 300;
    private static final int MOST = 1000;

    private CueForm() {}

    static Cue blank() {
        return new Cue(
                "",
                "",
                true,
                Happening.STAYED,
                30,
                List.of(),
                List.of(),
                Map.of(),
                List.of(),
                List.of(),
                Cue.Limits.USUAL,
                "",
                "",
                false);
    }

    /** @param id of the cue @param where rows as they were sent: what, how and value beside one another */
    static Checked<Cue> read(String id, Map<String, String> form, Rows where, List<String> devices) {
        Checked.Errors errors = new Checked.Errors();
        String name = form.getOrDefault("name", "").strip();
        errors.named(name, "name");
        Happening what = Arrays.stream(Happening.values())
                .filter(one -> one.key().equals(form.get("what")))
                .findFirst()
                .orElse(Happening.STAYED);
        int amount = what.amount() == Happening.Amount.NONE
                ? 0
                : number(form, "amount", what.amount().most(), errors);
        String greeting = form.getOrDefault("greeting", "").strip();
        boolean opens = "yes".equals(form.get("opens"));
        errors.require(
                greeting.length() <= LONGEST_GREETING,
                "greeting",
                "Up to %d characters, please.".formatted(LONGEST_GREETING));
        errors.require(
                opens || !greeting.isEmpty() || what == Happening.KEYWORD,
                "greeting",
                "Please say what it says beside its button, or let it open the chat.");
        Map<String, String> typed = new LinkedHashMap<>();
        DAYS.forEach(day -> typed.put(day, form.getOrDefault("hours-" + day, "")));
        Map<String, String> hours = BotForm.hours(typed);
        errors.require(
                hours.values().stream().allMatch(span -> Span.of(span).isPresent()),
                "hours",
                "Write hours like 09:00-17:00.");
        List<String> languages = words(form.getOrDefault("languages", "").toLowerCase(Locale.ROOT));
        errors.require(
                languages.stream().allMatch(one -> one.matches("[a-z]{2,3}(-[a-z0-9]{2,8})?")),
                "languages",
                "Write languages like en, fr.");
        List<String> names = words(form.getOrDefault("words", ""));
        errors.require(!names.isEmpty() || what != Happening.KEYWORD, "words", "Please say which word, or which ones.");
        errors.require(names.stream().allMatch(Length.LINE::holds), "words", Length.LINE.tooLong());
        Cue.Limits limits = new Cue.Limits(
                number(form, "visit", MOST, errors),
                number(form, "day", MOST, errors),
                number(form, "ever", MOST, errors),
                number(form, "pause", MOST, errors));
        List<Where> places = where.read(errors);
        return errors.<Cue>bad()
                .orElseGet(() -> Checked.good(new Cue(
                        id,
                        name,
                        "yes".equals(form.get("on")),
                        what,
                        amount,
                        names,
                        places,
                        hours,
                        languages,
                        devices.stream().filter(DEVICES::contains).toList(),
                        limits,
                        greeting,
                        form.getOrDefault("flow", ""),
                        opens)));
    }

    private static List<String> words(String text) {
        return Stream.of(text.split("[,;]"))
                .map(String::strip)
                .filter(one -> !one.isEmpty())
                .toList();
    }

    private static int number(Map<String, String> form, String field, int most, Checked.Errors errors) {
        String text = form.getOrDefault(field, "").strip();
        boolean fine = text.isEmpty() || text.matches("\\d{1,6}") && Integer.parseInt(text) <= most;
        errors.require(fine, field, "A number up to %,d, please.".formatted(most));
        return fine && !text.isEmpty() ? Integer.parseInt(text) : 0;
    }

    /** Rows of pages, as they were sent; those without a value say nothing. */
    record Rows(List<String> of, List<String> how, List<String> value) {
        List<Where> read(Checked.Errors errors) {
            List<Where> read = new ArrayList<>();
            for (int i = 0; i < Math.min(value.size(), Math.min(of.size(), how.size())); i++) {
                String text = value.get(i).strip();
                if (!text.isEmpty()) {
                    errors.require(
                            text.length() <= Where.LONGEST,
                            "where",
                            "Up to %d characters, please.".formatted(Where.LONGEST));
                    read.add(where(of.get(i), how.get(i), text.substring(0, Math.min(text.length(), Where.LONGEST))));
                }
            }
            return read;
        }

        private static Where where(String of, String how, String text) {
            boolean not = how.startsWith("not_");
            return new Where(
                    one(Where.Of.values(), of), one(Where.How.values(), how.replaceFirst("^not_", "")), text, not);
        }

        private static <E extends Enum<E> & Keyed> E one(E[] all, String key) {
            return Arrays.stream(all)
                    .filter(each -> each.key().equals(key))
                    .findFirst()
                    .orElse(all[0]);
        }
    }
}
