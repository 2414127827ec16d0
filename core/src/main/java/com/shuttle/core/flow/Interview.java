package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Map;

/**
 * Finds out several facts in any order from whatever the visitor writes, asks for what is missing, reads all back and
 * takes corrections.
 *
 * @param ask      said first; may be empty
 * @param facts    in the order they are asked
 * @param readBack words before the list that is read back; empty for the usual ones
 * @param trusting not read back
 * @param tries    failed answers to one question before <i>gave up</i>, 1 to 9
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Interview(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude List<String> ask,
        @JsonInclude List<Fact> facts,
        String readBack,
        boolean trusting,
        @JsonInclude int tries,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    public Interview {
        title = Parts.text(title);
        note = Parts.text(note);
        ask = Parts.atLeastOne(ask);
        facts = facts == null ? List.of() : List.copyOf(facts);
        readBack = Parts.text(readBack);
        tries = tries == 0 ? Question.TRIES : tries;
        exits = Parts.frozen(exits);
    }

    @Override
    public StepKind kind() {
        return StepKind.INTERVIEW;
    }

    @Override
    public List<String> wordings() {
        return ask;
    }

    @Override
    public List<ExitSlot> slots() {
        return List.of(
                new ExitSlot("complete", "complete", true),
                new ExitSlot("declined", "declined", false),
                new ExitSlot("gave_up", "gave up", false));
    }
}
