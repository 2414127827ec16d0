package com.shuttle.appointments;

import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.Rules;
import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/** The form of a kind of appointment. Pure functions. */
final class KindForm {

    /** The field of the ids of people and rooms, with commas between. */
    static final String RESOURCES = "resources";

    private static final int HOUR = 60;
    private static final int LONGEST_HOURS = Rules.LONGEST / HOUR;

    private KindForm() {}

    /** What a new kind begins with. */
    static final Kind BLANK = new Kind(
            "", "", "", "", new Rules(45, 0, 15, 24 * HOUR, 60, 30, 1, 0, false), Chooser.By.IN_TURN, List.of());

    static Map<String, String> form(Kind kind) {
        Rules rules = kind.rules();
        Map<String, String> form = new LinkedHashMap<>();
        form.put("name", kind.name());
        form.put("about", kind.about());
        form.put("place", kind.place());
        form.put("minutes", Integer.toString(rules.minutes()));
        form.put("before", Integer.toString(rules.before()));
        form.put("after", Integer.toString(rules.after()));
        form.put("notice", Integer.toString(rules.notice() / HOUR));
        form.put("horizon", Integer.toString(rules.horizon()));
        form.put("step", Integer.toString(rules.step()));
        form.put("places", Integer.toString(rules.places()));
        form.put("most", rules.mostADay() == 0 ? "" : Integer.toString(rules.mostADay()));
        form.put("all", rules.all() ? "all" : "any");
        form.put("by", kind.by().name().toLowerCase(Locale.ROOT));
        form.put(RESOURCES, String.join(",", kind.resources()));
        return form;
    }

    /** @param id of the kind; empty for a new one */
    static Checked<Kind> read(String id, Map<String, String> form) {
        Checked.Errors errors = new Checked.Errors();
        List<String> resources = Stream.of(form.getOrDefault(RESOURCES, "").split(","))
                .filter(one -> !one.isBlank())
                .toList();
        String name = text(form, "name");
        errors.named(name, "name").fits(text(form, "about"), Length.NAME, "about");
        errors.fits(text(form, "place"), Length.NAME, "place");
        int minutes = number(form, "minutes", Rules.GRAIN, Rules.LONGEST, true, errors);
        int before = number(form, "before", 0, Rules.LONGEST, true, errors);
        int after = number(form, "after", 0, Rules.LONGEST, true, errors);
        int step = number(form, "step", Rules.GRAIN, Rules.LONGEST, true, errors);
        int notice = number(form, "notice", 0, Rules.FARTHEST * LONGEST_HOURS, false, errors);
        int horizon = number(form, "horizon", 1, Rules.FARTHEST, false, errors);
        int places = number(form, "places", 1, Rules.MOST_PLACES, false, errors);
        int most = number(form, "most", 0, Rules.MOST_PLACES, false, errors);
        errors.require(!resources.isEmpty(), "resources", "Please choose at least one person or room.");
        Chooser.By by = form.getOrDefault("by", "").equals("least_busy") ? Chooser.By.LEAST_BUSY : Chooser.By.IN_TURN;
        boolean all = form.getOrDefault("all", "any").equals("all");
        return errors.<Kind>bad()
                .orElseGet(() -> Checked.good(new Kind(
                        id,
                        name,
                        text(form, "about"),
                        text(form, "place"),
                        new Rules(minutes, before, after, notice * HOUR, horizon, step, places, most, all),
                        by,
                        resources)));
    }

    private static String text(Map<String, String> form, String field) {
        return form.getOrDefault(field, "").strip();
    }

    /** A number within bounds; an empty one is the least there is, where that is 0. */
    private static int number(
            Map<String, String> form, String field, int least, int most, boolean grained, Checked.Errors errors) {
        String text = text(form, field);
        int value = text.isEmpty() && least == 0 ? 0 : text.matches("\\d{1,6}") ? Integer.parseInt(text) : -1;
        boolean fits = value >= least && value <= most && (!grained || value % Rules.GRAIN == 0);
        errors.require(
                fits,
                field,
                "A number from %d to %d%s, please."
                        .formatted(least, most, grained ? ", in steps of " + Rules.GRAIN : ""));
        return value;
    }
}
