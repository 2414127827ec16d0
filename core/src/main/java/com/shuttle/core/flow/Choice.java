package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * Offers options. Each is an exit of its own, or all lead the same way: where several may be picked, where they are drawn
 * from a list variable, and where the designer wants it so. Where {@code otherwise} leads nowhere, other text asks the
 * knowledge.
 *
 * @param options  typed in; unused where {@code from} names a list
 * @param layout   how they are shown where the channel can
 * @param many     whether several may be picked
 * @param from     a list variable that the options are drawn from; empty for the options typed in
 * @param together one exit for all
 * @param variable where the label picked goes, or the list of them; may be empty
 * @param quiet    not shown again after a question of the visitor's own was answered
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Choice(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude List<String> ask,
        @JsonInclude List<Option> options,
        Layout layout,
        boolean many,
        String from,
        boolean together,
        String variable,
        boolean quiet,
        @JsonInclude int tries,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    /** The exit that all options share. */
    public static final ExitSlot PICKED = ExitSlot.on("picked", "picked");

    public static final ExitSlot OTHERWISE = ExitSlot.side("otherwise", "types something else", "asks the knowledge");

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Wordings.of("ask", "What the bot says"),
                    Option.OPTIONS,
                    Field.of("layout", Layout.FORM, "shown as").inSight().reshaping(),
                    Field.of("many", Forms.FLAG, "several may be picked")
                            .inSight()
                            .reshaping(),
                    Field.of("together", Forms.FLAG, "all lead the same way")
                            .inSight()
                            .reshaping(),
                    Field.of("variable", Forms.VARIABLE, "keep in", "nothing")
                            .inSight()
                            .called("the variable"),
                    Field.of("from", Forms.VARIABLE, "options drawn from the list", "typed in above")
                            .reshaping(),
                    Field.of("tries", Forms.TRIES, "tries"),
                    Field.of("quiet", Forms.FLAG, "not shown again after a question of the visitor's own"))
            .beginning("{\"options\":[{\"id\":\"o1\",\"label\":\"\"},{\"id\":\"o2\",\"label\":\"\"}]}")
            .beside(step -> Aside.into(
                    step.path("many").asBoolean(false) ? "several" : "one",
                    step.path("variable").asString("")));

    /** How options are shown. */
    public enum Layout implements Keyed {
        BUTTONS("buttons"),
        LIST("list in groups"),
        TILES("picture tiles");

        static final Form FORM = Forms.oneOf(
                Arrays.stream(values())
                        .map(layout -> new Form.Value(layout.key(), layout.label()))
                        .toList(),
                "There is no such layout.");

        private final String label;

        Layout(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        /** @throws IllegalArgumentException if there is no such layout */
        @JsonCreator
        public static Layout of(String key) {
            return Keyed.of(Layout.class, key, "layout");
        }
    }

    public Choice {
        title = Parts.text(title);
        note = Parts.text(note);
        ask = Parts.atLeastOne(ask);
        options = options == null ? List.of() : List.copyOf(options);
        layout = layout == null ? Layout.BUTTONS : layout;
        from = Parts.text(from);
        variable = Parts.text(variable);
        tries = tries == 0 ? Question.TRIES : tries;
        exits = Parts.frozen(exits);
    }

    /** A choice with the usual settings. */
    public static Choice of(String id, List<String> ask, List<Option> options, Map<String, Target> exits) {
        return new Choice(id, "", "", ask, options, Layout.BUTTONS, false, "", false, "", false, Question.TRIES, exits);
    }

    /** Whether all options lead the same way. */
    public boolean oneWay() {
        return many || together || !from.isBlank();
    }

    @Override
    public List<String> wordings() {
        return ask;
    }

    @Override
    public List<ExitSlot> slots() {
        List<ExitSlot> slots = new ArrayList<>();
        if (oneWay()) {
            slots.add(PICKED);
        } else {
            for (Option option : options) {
                if (option.link().isBlank()) {
                    slots.add(ExitSlot.own(option.exit(), option.label()));
                }
            }
        }
        slots.add(OTHERWISE);
        slots.add(Question.GAVE_UP);
        return List.copyOf(slots);
    }

    @Override
    public Map<String, ValueType> fills() {
        return Map.of(variable, many ? ValueType.MULTI_CHOICE : ValueType.CHOICE);
    }
}
