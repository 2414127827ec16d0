package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
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
    public Wait {
        title = Parts.text(title);
        note = Parts.text(note);
        say = Parts.atLeastOne(say);
        variable = Parts.text(variable);
        exits = Parts.frozen(exits);
    }

    @Override
    public StepKind kind() {
        return StepKind.WAIT;
    }

    @Override
    public List<String> wordings() {
        return say;
    }

    @Override
    public List<ExitSlot> slots() {
        return signal
                ? List.of(new ExitSlot("came", "came", true), new ExitSlot("too_late", "too late", true))
                : List.of(new ExitSlot("went_on", "went on", true));
    }
}
