package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Asks a service outside, and goes by what it comes to. The conversation waits for the reply; a visitor who says something
 * meanwhile is heard.
 *
 * @param service   id of a published service
 * @param gives     what its inputs are
 * @param takes     which of its outputs go where
 * @param results   what it can come to; each is a way on
 * @param meanwhile what is said where the reply takes longer than a moment; empty for the usual words
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record CallService(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude String service,
        List<Give> gives,
        List<Take> takes,
        List<Result> results,
        String meanwhile,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    public static final ExitSlot FAILED = ExitSlot.own("failed", "failed");

    /** What an input is. @param input its key @param value with placeholders */
    public record Give(String id, String input, String value) {

        static final Items GIVES = new Items(
                "gives",
                "an input",
                "Gives it",
                "an input",
                "id",
                "g",
                "",
                40,
                Forms.schema("{}"),
                List.of(
                        Field.of("input", Forms.reference("input@service"), "", "an input")
                                .inSight(),
                        Field.of("value", Forms.LINE, "", "nothing yet: a text, or a variable in {{ }}")
                                .inSight()
                                .called("an input")),
                Items.Stands.AFTER);

        public Give {
            input = Parts.text(input);
            value = Parts.text(value);
        }
    }

    /** An output that goes into a variable. @param output its key */
    public record Take(String id, String output, String variable, ValueType type) {

        static final List<ValueType> TYPES =
                List.of(ValueType.TEXT, ValueType.NUMBER, ValueType.YES_NO, ValueType.DATE, ValueType.MULTI_CHOICE);

        static final Items TAKES = new Items(
                "takes",
                "an output",
                "Takes from the reply",
                "an output",
                "id",
                "t",
                "",
                40,
                Forms.schema("{}"),
                List.of(
                        Field.of("output", Forms.reference("output@service"), "", "an output")
                                .inSight(),
                        Field.of("variable", Forms.VARIABLE, "into", "variable").inSight(),
                        Field.of(
                                        "type",
                                        Forms.oneOf(
                                                TYPES.stream()
                                                        .map(type -> new Form.Value(type.key(), type.label()))
                                                        .toList(),
                                                "An output is a text, a number, yes or no, a date, or a list."),
                                        "as")
                                .inSight()),
                Items.Stands.AFTER);

        public Take {
            output = Parts.text(output);
            variable = Parts.text(variable);
            type = type == null || !TYPES.contains(type) ? ValueType.TEXT : type;
        }
    }

    /** One thing it can come to. @param result its key @param name as designers read it */
    public record Result(String id, String result, String name) {

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
                        Field.of("result", Forms.reference("result@service"), "", "a result")
                                .inSight()
                                .reshaping(),
                        Field.of("name", Forms.NAME, "called", "booked").inSight()),
                Items.Stands.AFTER);

        public Result {
            result = Parts.text(result);
            name = Parts.text(name);
        }

        /** The id of the exit that it takes. */
        public String exit() {
            return "result:" + id;
        }

        /** As designers read it. */
        String label() {
            return !name.isBlank() ? name : result.isBlank() ? "a result" : result;
        }
    }

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Field.of("service", Forms.reference("service"), "", "choose a service")
                            .inSight()
                            .reshaping()
                            .needed()
                            .called("the service"),
                    Give.GIVES,
                    Take.TAKES,
                    Result.RESULTS,
                    Field.of("meanwhile", Forms.LINE, "says meanwhile", "One moment …"))
            .beside(step -> new Aside("", "", step.path("service").asString("")))
            .beginning("{\"service\":\"\"}");

    public CallService {
        title = Parts.text(title);
        note = Parts.text(note);
        service = Parts.text(service);
        gives = gives == null ? List.of() : List.copyOf(gives);
        takes = takes == null ? List.of() : List.copyOf(takes);
        results = results == null ? List.of() : List.copyOf(results);
        meanwhile = Parts.text(meanwhile);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<ExitSlot> slots() {
        List<ExitSlot> slots = new ArrayList<>();
        for (Result result : results) {
            slots.add(
                    slots.isEmpty()
                            ? ExitSlot.on(result.exit(), result.label())
                            : ExitSlot.own(result.exit(), result.label()));
        }
        slots.add(FAILED);
        return List.copyOf(slots);
    }

    @Override
    public Map<String, ValueType> fills() {
        Map<String, ValueType> fills = new LinkedHashMap<>();
        takes.forEach(take -> fills.put(take.variable(), take.type()));
        return fills;
    }
}
