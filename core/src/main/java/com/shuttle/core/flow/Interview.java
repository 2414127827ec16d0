package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import java.util.LinkedHashMap;
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

    public static final ExitSlot COMPLETE = ExitSlot.on("complete", "complete");
    public static final ExitSlot DECLINED = ExitSlot.side("declined", "declined", ExitSlot.OPEN);

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Wordings.of("ask", "What the bot says").left(),
                    Fact.FACTS.needed(),
                    Field.of("readBack", Forms.TEXT, "Before it reads back, it says", "Let me read that back:"),
                    Field.of("trusting", Forms.FLAG, "does not read back"),
                    Field.of("tries", Forms.TRIES, "tries"))
            .beginning("{\"facts\":[]}")
            .beside(step -> Aside.of(
                    step.path("facts").size() == 1
                            ? "1 fact"
                            : step.path("facts").size() + " facts"));

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
    public List<String> wordings() {
        return ask;
    }

    @Override
    public List<ExitSlot> slots() {
        return List.of(COMPLETE, DECLINED, Question.GAVE_UP);
    }

    @Override
    public List<Fact> wants() {
        return facts;
    }

    @Override
    public Map<String, ValueType> fills() {
        Map<String, ValueType> fills = new LinkedHashMap<>();
        facts.forEach(fact -> fills.putIfAbsent(fact.variable(), fact.type()));
        return fills;
    }
}
