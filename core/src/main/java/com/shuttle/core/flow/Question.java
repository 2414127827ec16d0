package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import com.shuttle.core.flow.shape.When;
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

    public static final ExitSlot ANSWERED = ExitSlot.on("answered", "answered");
    public static final ExitSlot SKIPPED = ExitSlot.side("skipped", "skipped", "as answered");
    public static final ExitSlot GAVE_UP = ExitSlot.side("gave_up", "gave up", "offers a person");

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Wordings.of("ask", "What the bot says"),
                    Field.of("type", WantedShape.typeOtherThan(ValueType.CHOICE, ValueType.MULTI_CHOICE), "asks for")
                            .inSight()
                            .reshaping()
                            .needed()
                            .called("the type"),
                    Field.of("variable", Forms.VARIABLE, "keep in", "nothing")
                            .inSight()
                            .called("the variable"),
                    Field.of("tries", Forms.TRIES, "tries").inSight(),
                    Field.of("skipWhenKnown", Forms.FLAG, "skip when known").inSight(),
                    Field.of("optional", Forms.FLAG, "may be skipped").inSight().reshaping(),
                    WantedShape.LIMITS,
                    Field.of("hint", Forms.LINE, "Hint, small beneath it", "none"),
                    Field.of("example", Forms.LINE, "Example of an answer", "none"),
                    Field.of("fallback", Forms.LINE, "When skipped, taken as", "nothing")
                            .when(When.says("optional")),
                    Field.of("retry", Forms.TEXT, "When not understood, it says", "the usual words for this type")
                            .called("the error words"),
                    Field.of("reply", Forms.TEXT, "After the answer, it says", "nothing"),
                    Field.of("confirm", Forms.FLAG, "reads the answer back"),
                    Field.of("onlyThis", Forms.FLAG, "keeps nothing else that the message gives away"),
                    WantedShape.CHECKS)
            .beginning("{\"type\":\"text\",\"skipWhenKnown\":true}")
            .beside(step -> new Aside(
                    ValueType.of(step.path("type").asString()).label(),
                    step.path("variable").asString(""),
                    ""));

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
    public List<String> wordings() {
        return ask;
    }

    @Override
    public List<Option> options() {
        return List.of();
    }

    @Override
    public List<String> asked() {
        return ask;
    }

    @Override
    public String called() {
        return variable.isBlank() ? type.label() : variable.replace('_', ' ');
    }

    @Override
    public List<ExitSlot> slots() {
        List<ExitSlot> slots = new ArrayList<>();
        slots.add(ANSWERED);
        if (optional) {
            slots.add(SKIPPED);
        }
        slots.add(GAVE_UP);
        return List.copyOf(slots);
    }

    @Override
    public List<Question> wants() {
        return List.of(this);
    }

    @Override
    public Map<String, ValueType> fills() {
        return Map.of(variable, type);
    }
}
