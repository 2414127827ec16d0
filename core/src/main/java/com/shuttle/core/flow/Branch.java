package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.Branches.Rule;
import com.shuttle.core.flow.shape.Shape;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Goes the way of the first rule that holds. */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Branch(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        List<Rule> rules,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    public static final ExitSlot OTHERWISE = ExitSlot.own("otherwise", "otherwise");

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(Branches.Rule.RULES.needed()).beginning("{\"rules\":[{\"id\":\"r1\"}]}");

    public Branch {
        title = Parts.text(title);
        note = Parts.text(note);
        rules = rules == null ? List.of() : List.copyOf(rules);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<ExitSlot> slots() {
        List<ExitSlot> slots = new ArrayList<>();
        rules.forEach(rule -> slots.add(ExitSlot.own(rule.exit(), rule.label())));
        slots.add(OTHERWISE);
        return List.copyOf(slots);
    }
}
