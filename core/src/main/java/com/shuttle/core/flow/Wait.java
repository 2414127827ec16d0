package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.When;
import java.util.List;
import java.util.Map;

/** Waits for a time, or for a signal from outside.
 *
 * @param say      said before waiting; {@code {{signal}}} is the address that brings the signal; may be empty
 * @param signal   whether a signal is waited for, with {@code seconds} as the limit
 * @param seconds  how long, 1 to a year
 * @param variable where the signal's text goes; may be empty
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
        @JsonInclude Map<String, Target> exits)
        implements Step {

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
                            .called("the variable"))
            .beginning("{\"seconds\":60}");

    public Wait {
        title = Parts.text(title);
        note = Parts.text(note);
        say = Parts.atLeastOne(say);
        variable = Parts.text(variable);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<String> wordings() {
        return say;
    }

    @Override
    public List<ExitSlot> slots() {
        return signal ? List.of(CAME, TOO_LATE) : List.of(WENT_ON);
    }

    @Override
    public Map<String, ValueType> fills() {
        return Map.of(variable, ValueType.TEXT);
    }
}
