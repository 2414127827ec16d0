package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.When;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** Waits for a time, or for a signal from outside.
 *
 * @param say      said before waiting; may be empty. {@code {{signal}}}, here and in texts, calls and mails before, is the
 *     address that brings the signal
 * @param signal   whether a signal is waited for, with {@code seconds} as the limit
 * @param seconds  how long, 1 to a year
 * @param variable where the signal's text goes; may be empty
 * @param takes    what a signal that is JSON brings
 * @param results  what that can come to; each is a way on
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Wait(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude List<String> say,
        boolean signal,
        long seconds,
        String variable,
        List<Take> takes,
        List<Result> results,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    /** A field that goes into a variable. @param field its name in the JSON */
    public record Take(String id, String field, String variable, ValueType type) {

        static final Items TAKES = new Items(
                "takes",
                "a value",
                "Takes from what it brings, where that is JSON",
                "a value",
                "id",
                "t",
                "",
                20,
                Forms.schema("{}"),
                List.of(
                        Field.of("field", Forms.NAME, "", "verified").inSight(),
                        Field.of("variable", Forms.VARIABLE, "into", "variable").inSight(),
                        Field.of(
                                        "type",
                                        Forms.oneOf(
                                                CallService.Take.TYPES.stream()
                                                        .map(type -> new Form.Value(type.key(), type.label()))
                                                        .toList(),
                                                "A value is a text, a number, yes or no, a date, or a list."),
                                        "as")
                                .inSight()),
                Items.Stands.AFTER,
                When.says("signal"),
                false);

        public Take {
            field = Parts.text(field);
            variable = Parts.text(variable);
            type = type == null || !CallService.Take.TYPES.contains(type) ? ValueType.TEXT : type;
        }
    }

    /** One thing it can come to. @param field whose value tells @param value that it must have, in any case of letters */
    public record Result(String id, String field, String value, String name) {

        static final Items RESULTS = new Items(
                "results",
                "a result",
                "Comes to",
                "a result",
                "id",
                "r",
                "result:",
                12,
                Forms.schema("{}"),
                List.of(
                        Field.of("field", Forms.NAME, "where", "verified").inSight(),
                        Field.of("value", Forms.NAME, "is", "false").inSight(),
                        Field.of("name", Forms.NAME, "called", "not verified").inSight()),
                Items.Stands.AFTER,
                When.says("signal"),
                false);

        public Result {
            field = Parts.text(field);
            value = Parts.text(value);
            name = Parts.text(name);
        }

        /** The id of the exit that it takes. */
        public String exit() {
            return "result:" + id;
        }

        public boolean fits(JsonNode node) {
            return node.isValueNode() && node.asString("").strip().equalsIgnoreCase(value.strip());
        }

        String label() {
            return name.isBlank() ? field + " is " + value : name;
        }
    }

    public static final ExitSlot CAME = ExitSlot.on("came", "came");
    public static final ExitSlot TOO_LATE = ExitSlot.own("too_late", "too late");
    public static final ExitSlot WENT_ON = ExitSlot.on("went_on", "went on");

    private static final String SPANS = "60s, 10m, 2h, 3d";

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Wordings.of("say", "What the bot says before it waits").left(),
                    Field.of("signal", Forms.either("a time", "a signal"), "waits for")
                            .inSight()
                            .reshaping(),
                    Field.of("seconds", Forms.span(), "of", SPANS)
                            .inSight()
                            .needed()
                            .when(When.says("signal").not()),
                    Field.of("seconds", Forms.span(), "for at most", SPANS)
                            .inSight()
                            .when(When.says("signal")),
                    Field.of("variable", Forms.VARIABLE, "keep its text in", "nothing")
                            .inSight()
                            .when(When.says("signal"))
                            .called("the variable"),
                    Take.TAKES,
                    Result.RESULTS)
            .beginning("{\"seconds\":60}");

    public Wait {
        title = Parts.text(title);
        note = Parts.text(note);
        say = Parts.atLeastOne(say);
        variable = Parts.text(variable);
        takes = takes == null ? List.of() : List.copyOf(takes);
        results = results == null ? List.of() : List.copyOf(results);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<String> wordings() {
        return say;
    }

    @Override
    public List<ExitSlot> slots() {
        if (!signal) {
            return List.of(WENT_ON);
        }
        List<ExitSlot> slots = new ArrayList<>(List.of(CAME));
        results.forEach(result -> slots.add(ExitSlot.own(result.exit(), result.label())));
        slots.add(TOO_LATE);
        return List.copyOf(slots);
    }

    @Override
    public Map<String, ValueType> fills() {
        Map<String, ValueType> fills = new LinkedHashMap<>(Map.of(variable, ValueType.TEXT));
        takes.forEach(take -> fills.put(take.variable(), take.type()));
        return fills;
    }
}
