package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import com.shuttle.core.flow.shape.When;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * Offers options. Each is an exit of its own, or all lead the same way: where several may be picked, where they are drawn
 * from a list variable, and where the designer wants it so. Where {@code otherwise} leads nowhere, other text asks the
 * knowledge.
 *
 * @param options  typed in; unused where they are drawn from elsewhere
 * @param layout   how they are shown where the channel can
 * @param many     whether several may be picked
 * @param from     a list variable that the options are drawn from; empty for none
 * @param table    id of a table whose rows are the options; empty for none
 * @param where    what a row must have, all of it
 * @param label    key of the column that is read; empty for the first
 * @param detail   key of the column that stands beneath; empty for none
 * @param picture  key of the column with addresses of pictures; empty for none
 * @param keeps    key of the column that is kept; empty for the label
 * @param offered  key of a column that says no where a row is not offered; empty for none
 * @param order    key of the column they are ordered by; empty for the table's own order
 * @param together one exit for all
 * @param variable where what is picked goes, or the list of them; may be empty
 * @param once     each value of the column that they read is offered once, and of a list each of its values
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
        String table,
        List<LookUp.Where> where,
        String label,
        String detail,
        String picture,
        String keeps,
        String offered,
        String order,
        boolean together,
        String variable,
        boolean quiet,
        boolean once,
        @JsonInclude int tries,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    /** The exit that all options share. */
    public static final ExitSlot PICKED = ExitSlot.on("picked", "picked");

    public static final ExitSlot OTHERWISE = ExitSlot.side("otherwise", "types something else", "asks the knowledge");

    private static final When DRAWN = When.is("table", "").not();

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
                    Field.of("from", Forms.VARIABLE, "options drawn from the list", "no list")
                            .reshaping(),
                    Field.of("table", Forms.reference("table"), "options drawn from the table", "no table")
                            .reshaping()
                            .called("the table"),
                    column("label", "they read", "its first column"),
                    Field.of("once", Forms.FLAG, "each value once").when(DRAWN),
                    column("detail", "beneath stands", "nothing"),
                    column("picture", "with the picture at", "none"),
                    column("keeps", "keeps", "what they read"),
                    column("offered", "not those where no stands in", "all are offered"),
                    column("order", "ordered by", "the table's own order"),
                    LookUp.Where.WHERE.when(DRAWN),
                    Field.of("tries", Forms.TRIES, "tries"),
                    Field.of("quiet", Forms.FLAG, "not shown again after a question of the visitor's own"))
            .beginning("{\"options\":[{\"id\":\"o1\",\"label\":\"\"},{\"id\":\"o2\",\"label\":\"\"}]}")
            .beside(step -> Aside.into(
                    step.path("many").asBoolean(false) ? "several" : "one",
                    step.path("variable").asString("")));

    private static Field column(String name, String label, String hint) {
        return Field.of(name, ColumnForms.COLUMN, label, hint).when(DRAWN);
    }

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
        table = Parts.text(table);
        where = where == null ? List.of() : List.copyOf(where);
        label = Parts.text(label);
        detail = Parts.text(detail);
        picture = Parts.text(picture);
        keeps = Parts.text(keeps);
        offered = Parts.text(offered);
        order = Parts.text(order);
        variable = Parts.text(variable);
        tries = tries == 0 ? Question.TRIES : tries;
        exits = Parts.frozen(exits);
    }

    /** A choice with the usual settings. */
    public static Choice of(String id, List<String> ask, List<Option> options, Map<String, Target> exits) {
        return new Choice(
                id,
                "",
                "",
                ask,
                options,
                Layout.BUTTONS,
                false,
                "",
                "",
                List.of(),
                "",
                "",
                "",
                "",
                "",
                "",
                false,
                "",
                false,
                false,
                Question.TRIES,
                exits);
    }

    /** Whether its options are drawn from elsewhere. */
    public boolean drawn() {
        return !from.isBlank() || !table.isEmpty();
    }

    /** Whether all options lead the same way. */
    public boolean oneWay() {
        return many || together || drawn();
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
