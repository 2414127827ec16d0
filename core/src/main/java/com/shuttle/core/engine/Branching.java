package com.shuttle.core.engine;

import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.Branches.Arm;
import com.shuttle.core.flow.Branches.Assignment;
import com.shuttle.core.flow.Branches.Rule;
import com.shuttle.core.flow.Experiment;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;

/** The steps that say nothing: rules, experiments, computing, milestones. */
final class Branching {

    private final TurnRun run;

    Branching(TurnRun run) {
        this.run = run;
    }

    /** The exit of the first rule that holds. A rule that cannot be told does not hold. */
    String way(Step.Branch branch) {
        for (Rule rule : branch.rules()) {
            if (!rule.when().isBlank() && run.evaluator().holds(rule.when(), Map.of())) {
                run.trace("rule", rule.label());
                return rule.exit();
            }
        }
        run.trace("rule", "none holds");
        return "otherwise";
    }

    /**
     * The exit of the visitor's arm. The share is a hash of visitor and experiment, so that the same visitor keeps the
     * same arm in every conversation without anything being stored; a nameless visitor's is drawn.
     */
    String arm(Experiment experiment) {
        Place at = run.at();
        String key = at == null ? experiment.id() : at.flow() + "/" + at.step();
        String kept = run.arm(key);
        if (kept != null && experiment.arms().stream().anyMatch(arm -> arm.id().equals(kept))) {
            return "arm:" + kept;
        }
        List<Arm> arms =
                experiment.arms().stream().filter(arm -> arm.weight() > 0).toList();
        long total = arms.stream().mapToLong(Arm::weight).sum();
        if (total == 0) {
            run.trace("experiment", "no arm has a weight");
            return experiment.arms().isEmpty()
                    ? ""
                    : experiment.arms().getFirst().exit();
        }
        double share = run.visitor().isBlank() ? run.drawn() : share(run.visitor() + "\n" + key);
        double upTo = 0;
        Arm chosen = arms.getLast();
        for (Arm arm : arms) {
            upTo += arm.weight() / (double) total;
            if (share < upTo) {
                chosen = arm;
                break;
            }
        }
        run.assign(key, chosen.id());
        run.trace("experiment", chosen.label());
        return chosen.exit();
    }

    /** A number in [0, 1) that looks drawn: FNV-1a over the text, mixed as in SplitMix64 (Steele, Lea, Flood 2014). */
    static double share(String text) {
        long hash = 0xcbf29ce484222325L;
        for (byte b : text.getBytes(StandardCharsets.UTF_8)) {
            hash = (hash ^ (b & 0xff)) * 0x100000001b3L;
        }
        hash = (hash ^ (hash >>> 30)) * 0xbf58476d1ce4e5b9L;
        hash = (hash ^ (hash >>> 27)) * 0x94d049bb133111ebL;
        hash ^= hash >>> 31;
        return (hash >>> 11) * 0x1.0p-53;
    }

    /** Sets variables one after the other; what cannot be computed is left as it was, and the trace says why. */
    void compute(Step.Compute compute) {
        for (Assignment set : compute.sets()) {
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

    void reach(Step.Milestone milestone) {
        if (milestone.milestone().isBlank()) {
            return;
        }
        BigDecimal worth = BigDecimal.ZERO;
        if (!milestone.value().isBlank()) {
            switch (run.evaluator().evaluate(milestone.value(), Map.of())) {
                case Expressions.Result.Given(Value.Numeric(BigDecimal number)) -> worth = number;
                case Expressions.Result.Given given -> run.trace("cannot compute", "the value is no number");
                case Expressions.Result.Failed(String why) -> run.trace("cannot compute", why);
            }
        }
        run.reach(milestone.milestone(), worth);
        run.trace("milestone", milestone.milestone() + (worth.signum() == 0 ? "" : " worth " + worth.toPlainString()));
    }
}
