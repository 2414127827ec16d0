package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Asks for one thing.
 *
 * @param type          what is asked for
 * @param variable      where the answer goes; empty keeps it nowhere
 * @param hint          shown small beneath the question; may be empty
 * @param example       an answer as it might be given; may be empty
 * @param fallback      taken where the visitor leaves the answer out; may be empty
 * @param limits        what the answer must keep to
 * @param checks        further rules; the first that does not hold is told
 * @param retry         error words with an example of what is wanted; empty for the words of the type
 * @param optional      whether it may be skipped
 * @param skipWhenKnown not asked when the variable already has a value
 * @param onlyThis      nothing else that the message gives away is kept
 * @param tries         failed answers before <i>gave up</i>, 1 to 9
 * @param confirm       reads the answer back and asks whether it is right
 * @param reply         said after the answer; may be empty
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Question(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude List<String> ask,
        @JsonInclude ValueType type,
        @JsonInclude String variable,
        String hint,
        String example,
        String fallback,
        Limits limits,
        List<Check> checks,
        @JsonInclude String retry,
        boolean optional,
        @JsonInclude boolean skipWhenKnown,
        boolean onlyThis,
        @JsonInclude int tries,
        boolean confirm,
        String reply,
        @JsonInclude Map<String, Target> exits)
        implements Step, Wanted {

    /** Tries where the designer has not said. */
    public static final int TRIES = 3;

    public Question {
        title = Parts.text(title);
        note = Parts.text(note);
        ask = Parts.atLeastOne(ask);
        variable = Parts.text(variable);
        hint = Parts.text(hint);
        example = Parts.text(example);
        fallback = Parts.text(fallback);
        limits = Limits.orNone(limits);
        checks = checks == null ? List.of() : List.copyOf(checks);
        retry = Parts.text(retry);
        tries = tries == 0 ? TRIES : tries;
        reply = Parts.text(reply);
        exits = Parts.frozen(exits);
    }

    /** A question with the usual settings. */
    public static Question of(String id, List<String> ask, ValueType type, String variable, Map<String, Target> exits) {
        return new Question(
                id,
                "",
                "",
                ask,
                type,
                variable,
                "",
                "",
                "",
                Limits.NONE,
                List.of(),
                "",
                false,
                true,
                false,
                TRIES,
                false,
                "",
                exits);
    }

    @Override
    public StepKind kind() {
        return StepKind.QUESTION;
    }

    @Override
    public List<String> wordings() {
        return ask;
    }

    @Override
    public List<Option> options() {
        return List.of();
    }

    @Override
    public String called() {
        return variable.isBlank() ? type.label() : variable.replace('_', ' ');
    }

    @Override
    public List<ExitSlot> slots() {
        List<ExitSlot> slots = new ArrayList<>();
        slots.add(new ExitSlot("answered", "answered", true));
        if (optional) {
            slots.add(new ExitSlot("skipped", "skipped", false));
        }
        slots.add(new ExitSlot("gave_up", "gave up", false));
        return List.copyOf(slots);
    }
}
