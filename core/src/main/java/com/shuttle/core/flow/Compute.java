package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.Branches.Assignment;
import com.shuttle.core.flow.shape.Shape;
import java.util.List;
import java.util.Map;

/** Sets variables from expressions, one after the other. */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Compute(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        List<Assignment> sets,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    /** Its properties. */
    public static final Shape SHAPE =
            Shape.of(Branches.Assignment.SETS.needed()).beginning("{\"sets\":[{\"id\":\"c1\"}]}");

    public Compute {
        title = Parts.text(title);
        note = Parts.text(note);
        sets = sets == null ? List.of() : List.copyOf(sets);
        exits = Parts.frozen(exits);
    }
}
