package com.shuttle.core.edit;

import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** By which exit a flow naturally goes on, and where a new branch's rows belong. Pure functions. */
final class Ways {

    private Ways() {}

    /** The exit by which a conversation naturally goes on to a row added below; null where each exit is its own way. */
    static @Nullable String wayOn(Step step) {
        ExitSlot on = step.wayOn();
        return on == null ? null : on.id();
    }

    /** As {@link #wayOn}, and for a step whose exits part its first usual exit that leads nowhere yet. */
    static @Nullable String wayOnBelow(Step step) {
        return step.wayOn() != null
                ? wayOn(step)
                : step.slots().stream()
                        .filter(slot -> slot.usual() && step.exit(slot.id()) == null)
                        .map(ExitSlot::id)
                        .findFirst()
                        .orElse(null);
    }

    /**
     * The row below which the branch of an exit belongs: the last row of the branch of the nearest exit before it that has
     * rows of its own below the step, or else the step itself. A branch's rows are those that follow one another both in
     * order and by their way on.
     */
    static String endOfBranchesBefore(Flow flow, Step step, String exit) {
        List<String> order = flow.allSteps().stream().map(Step::id).toList();
        int from = order.indexOf(step.id());
        int end = from;
        for (ExitSlot slot : step.slots()) {
            if (slot.id().equals(exit)) {
                break;
            }
            if (step.exit(slot.id()) instanceof Target.ToStep(String first) && order.indexOf(first) > from) {
                end = Math.max(end, endOfBranch(flow.allSteps(), order, order.indexOf(first)));
            }
        }
        return order.get(end);
    }

    private static int endOfBranch(List<Step> steps, List<String> order, int first) {
        int at = first;
        while (true) {
            String on = wayOn(steps.get(at));
            boolean follows = on != null
                    && steps.get(at).exit(on) instanceof Target.ToStep(String next)
                    && order.indexOf(next) == at + 1;
            if (!follows) {
                return at;
            }
            at++;
        }
    }

    static Step leadOn(Step step, Target target) {
        String on = wayOn(step);
        return on == null ? step : step.withExit(on, target);
    }
}
