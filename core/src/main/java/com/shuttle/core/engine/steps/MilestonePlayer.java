package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Step;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.util.Map;

/** Counts an event. */
final class MilestonePlayer extends Player {

    private final Step.Milestone step;

    MilestonePlayer(Step.Milestone step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        if (!step.milestone().isBlank()) {
            BigDecimal worth = step.value().isBlank() ? BigDecimal.ZERO : worth();
            run.carryOut(new Deed.Reach(step.milestone(), worth));
            run.trace("milestone", step.milestone() + (worth.signum() == 0 ? "" : " worth " + worth.toPlainString()));
        }
        if (step.lead()) {
            run.leads.save(step);
        }
        course.leave(step, ExitSlot.NEXT);
    }

    private BigDecimal worth() {
        switch (run.evaluator().evaluate(step.value(), Map.of())) {
            case Expressions.Result.Given(Value.Numeric(BigDecimal number)) -> {
                return number;
            }
            case Expressions.Result.Given given -> run.trace("cannot compute", "the value is no number");
            case Expressions.Result.Failed(String why) -> run.trace("cannot compute", why);
        }
        return BigDecimal.ZERO;
    }
}
