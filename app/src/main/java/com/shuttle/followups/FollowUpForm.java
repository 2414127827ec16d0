package com.shuttle.followups;

import com.shuttle.core.flow.shape.Spans;
import com.shuttle.core.reading.Words;
import com.shuttle.followups.FollowUp.Begins;
import com.shuttle.followups.FollowUp.Does;
import com.shuttle.followups.FollowUp.Stage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/** A follow-up as the fields of its form say it: stages are named {@code stage.N.}, hours by their days. Pure functions. */
final class FollowUpForm {

    static final List<String> DAYS =
            List.of("monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday");

    private static final int LONGEST_LINE = 300;
    private static final int LONGEST_TEXT = 10_000;

    private FollowUpForm() {}

    /** A follow-up that says nothing yet. */
    static FollowUp blank(String zone) {
        return new FollowUp("", "", Begins.SEGMENT, "", List.of(stage()), 0, Map.of(), zone, "", null);
    }

    private static Stage stage() {
        return new Stage(86_400, Does.MAIL, "", "", "", "", "");
    }

    /** @param before what it was, for its zone and files */
    static FollowUp read(String id, Map<String, String> form, FollowUp before) {
        Begins begins = Begins.of(form.getOrDefault("begins", ""));
        String act = form.getOrDefault("do", "");
        List<Stage> stages = new ArrayList<>();
        for (int number : numbers(form)) {
            String at = "stage." + number + ".";
            if (!act.equals("drop:" + number)) {
                stages.add(new Stage(
                        Spans.seconds(form.getOrDefault(at + "after", "")).orElse(0),
                        Does.of(form.getOrDefault(at + "does", "")),
                        form.getOrDefault(at + "only", ""),
                        line(form, at + "subject"),
                        text(form, at + "text"),
                        form.getOrDefault(at + "file", ""),
                        form.getOrDefault(at + "team", "")));
            }
        }
        if (act.equals("add")) {
            stages.add(stage());
        }
        Map<String, String> hours = new LinkedHashMap<>();
        DAYS.forEach(day -> {
            String span = line(form, day);
            if (span.matches("\\d\\d:\\d\\d-\\d\\d:\\d\\d")) {
                hours.put(day, span);
            }
        });
        String most = line(form, "most");
        return new FollowUp(
                id,
                line(form, "name"),
                begins,
                line(form, "of." + begins.key()),
                stages,
                most.matches("\\d{1,6}") ? Integer.parseInt(most) : 0,
                hours,
                before.zone(),
                line(form, "reply"),
                before.activeSince());
    }

    private static TreeSet<Integer> numbers(Map<String, String> form) {
        TreeSet<Integer> numbers = new TreeSet<>();
        form.keySet().stream()
                .filter(name -> name.matches("stage\\.\\d{1,2}\\.does"))
                .forEach(name -> numbers.add(Integer.valueOf(name.split("\\.")[1])));
        return numbers;
    }

    private static String line(Map<String, String> form, String field) {
        String line = Words.clean(form.getOrDefault(field, "")).strip().replaceAll("\\s+", " ");
        return line.length() <= LONGEST_LINE ? line : line.substring(0, LONGEST_LINE);
    }

    private static String text(Map<String, String> form, String field) {
        String text =
                Words.clean(form.getOrDefault(field, "").replace("\r\n", "\n")).strip();
        return text.length() <= LONGEST_TEXT ? text : text.substring(0, LONGEST_TEXT);
    }

    /** A span as people write it: "2d". */
    static String span(long seconds) {
        return seconds == 0 ? "" : Spans.of(seconds);
    }
}
