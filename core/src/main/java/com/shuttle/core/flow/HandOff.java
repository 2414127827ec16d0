package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Map;

/** Passes the visitor to a person of a team.
 *
 * @param say      to the visitor while they wait
 * @param team     id of the team; empty for any
 * @param brief    to the person, with placeholders; may be empty
 * @param patience seconds after which nobody is thought to come; 0 for ever
 * @param nobody   to the visitor when the team has nobody or nobody comes; empty for the usual words
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record HandOff(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude List<String> say,
        String team,
        String brief,
        long patience,
        String nobody,
        @JsonInclude Map<String, Target> exits)
        implements Step {
    public HandOff {
        title = Parts.text(title);
        note = Parts.text(note);
        say = Parts.atLeastOne(say);
        team = Parts.text(team);
        brief = Parts.text(brief);
        nobody = Parts.text(nobody);
        exits = Parts.frozen(exits);
    }

    @Override
    public StepKind kind() {
        return StepKind.HAND_OFF;
    }

    @Override
    public List<String> wordings() {
        return say;
    }

    @Override
    public List<ExitSlot> slots() {
        return List.of(
                new ExitSlot("closed", "taken and closed", false),
                new ExitSlot("back", "came back to the bot", false),
                new ExitSlot("nobody", "nobody there", true));
    }
}
