package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;

/**
 * One thing that an {@link Interview} finds out.
 *
 * @param variable where it goes; unique in its interview
 * @param label    what people call it, e.g. "number of pupils"; in the question made from it and in the read-back
 * @param ask      the question for it; empty for one made from the label
 * @param optional whether it is only taken when given, and asked once at most
 * @param group    facts of the same group are asked for together; empty for alone
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Fact(
        @JsonInclude String variable,
        @JsonInclude String label,
        @JsonInclude ValueType type,
        String ask,
        boolean optional,
        String group,
        Limits limits,
        List<Check> checks,
        String retry,
        String example,
        List<Option> options)
        implements Wanted {
    public Fact {
        label = Parts.text(label);
        ask = Parts.text(ask);
        group = Parts.text(group);
        limits = Limits.orNone(limits);
        checks = checks == null ? List.of() : List.copyOf(checks);
        retry = Parts.text(retry);
        example = Parts.text(example);
        options = options == null ? List.of() : List.copyOf(options);
    }

    @Override
    public String called() {
        return label.isBlank() ? variable.replace('_', ' ') : label;
    }
}
