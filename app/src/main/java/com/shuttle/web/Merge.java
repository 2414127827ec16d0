package com.shuttle.web;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeSet;
import tools.jackson.core.JacksonException;

/**
 * What becomes of a form that somebody sends after another has changed the same thing: a merge of three sides, field by field.
 * What one of the two has left as it was is taken from the other; what both have changed, and not to the same, is for the person
 * to settle. A field that is missing is empty.
 *
 * @param values of every field; where both changed it, as the form has it
 * @param theirs what the other has made of the fields that both changed
 * @param seen   what the form showed when it was opened and, of the fields that both changed, what is shown to it now
 */
public record Merge(Map<String, String> values, Map<String, String> theirs, Map<String, String> seen) {

    /** Under this name a form sends what it showed when it was opened. */
    public static final String WAS = "was";

    private static final int SHOWN = 120;

    public Merge {
        values = Map.copyOf(values);
        theirs = Map.copyOf(theirs);
        seen = Map.copyOf(seen);
    }

    /**
     * @param was   what the form showed when it was opened
     * @param typed what it has now
     * @param now   what is kept by now
     */
    public static Merge of(Map<String, String> was, Map<String, String> typed, Map<String, String> now) {
        Map<String, String> values = new LinkedHashMap<>(typed);
        Map<String, String> theirs = new LinkedHashMap<>();
        for (String field : new TreeSet<>(now.keySet())) {
            String mine = written(typed, field);
            String other = written(now, field);
            String before = written(was, field);
            if (mine.equals(before)) {
                values.put(field, other);
            } else if (!other.equals(before) && !other.equals(mine)) {
                theirs.put(field, other);
            }
        }
        Map<String, String> seen = new LinkedHashMap<>(was);
        seen.putAll(theirs);
        return new Merge(values, theirs, seen);
    }

    /**
     * The same, where what the form showed comes with it in its field {@link #WAS}; without that, what it has is taken.
     *
     * @param form as a browser sends it
     */
    public static Merge of(Map<String, String> form, Map<String, String> now) {
        Map<String, String> was;
        try {
            was = Json.texts(form.getOrDefault(WAS, ""));
        } catch (JacksonException none) {
            was = now;
        }
        return of(was, form, now);
    }

    /** What a form shows, for its field {@link #WAS}. */
    public static String written(Map<String, String> fields) {
        return Json.write(fields);
    }

    /** Line ends and space around it are no change. */
    private static String written(Map<String, String> form, String field) {
        return form.getOrDefault(field, "").replace("\r\n", "\n").strip();
    }

    /** For each field that both changed, a sentence that shows the other side. */
    public Map<String, String> errors() {
        Map<String, String> errors = new LinkedHashMap<>();
        theirs.forEach((field, other) -> errors.put(
                field,
                other.isEmpty()
                        ? "Somebody else has emptied this meanwhile. Save again to put yours in its place."
                        : "Somebody else has written “%s” here meanwhile. Save again to put yours in its place."
                                .formatted(Fit.within(other, SHOWN))));
        return errors;
    }
}
