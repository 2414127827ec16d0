package com.shuttle.core.engine.steps;

import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.Branches.Assignment;
import com.shuttle.core.flow.Compute;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.util.Map;

/** Sets variables one after the other; what cannot be computed is left as it was, and the trace says why. */
final class ComputePlayer extends Player {

    private final Compute step;

    ComputePlayer(Compute step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        for (Assignment set : step.sets()) {
            if (set.variable().isBlank() || set.value().isBlank()) {
                continue;
            }
            switch (run.evaluator().evaluate(set.value(), Map.of())) {
                case Expressions.Result.Given(Value value) -> {
                    Value kept = fitted(set.variable(), value);
                    run.facts.set(set.variable(), kept);
                    run.trace("computed", set.variable() + " " + kept.shown());
                }
                case Expressions.Result.Failed(String why) -> run.trace("cannot compute", set.variable() + ": " + why);
            }
        }
        course.leave(step, ExitSlot.NEXT);
    }

    private Value fitted(String variable, Value value) {
        ValueType type = run.playbook.variables().get(variable);
        return switch (value) {
            case Value.Numeric(BigDecimal number)
            when type == ValueType.MONEY ->
                new Value.Money(number, run.around().context().currency());
            case Value.Day day
            when type == ValueType.DATE_TIME -> new Value.Moment(day.date().atStartOfDay());
            case Value.Moment moment
            when type == ValueType.DATE -> new Value.Day(moment.at().toLocalDate());
            default -> value;
        };
    }
}
