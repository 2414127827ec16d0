package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
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
    public static final String PICKED = "picked";

    /** How options are shown. */
    public enum Layout {
        BUTTONS("buttons"),
        LIST("list in groups"),
        TILES("picture tiles");

        private final String label;

        Layout(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        @JsonValue
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** @throws IllegalArgumentException if there is no such layout */
        @JsonCreator
        public static Layout of(String key) {
            return Arrays.stream(values())
                    .filter(layout -> layout.key().equals(key))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("no layout \"" + key + "\""));
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
    public StepKind kind() {
        return StepKind.CHOICE;
    }

    @Override
    public List<String> wordings() {
        return ask;
    }

    @Override
    public List<ExitSlot> slots() {
        List<ExitSlot> slots = new ArrayList<>();
        if (oneWay()) {
            slots.add(new ExitSlot(PICKED, "picked", true));
        } else {
            for (Option option : options) {
                if (option.link().isBlank()) {
                    slots.add(new ExitSlot(option.exit(), option.label(), true));
                }
            }
        }
        slots.add(new ExitSlot("otherwise", "types something else", false));
        slots.add(new ExitSlot("gave_up", "gave up", false));
        return List.copyOf(slots);
    }
}
