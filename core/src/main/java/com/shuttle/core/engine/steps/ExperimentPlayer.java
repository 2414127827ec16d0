package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Place;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.flow.Branches.Arm;
import com.shuttle.core.flow.Experiment;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * Shares visitors out. The share is a hash of visitor and experiment, so that the same visitor keeps the same arm in every
 * conversation without anything being stored; a nameless visitor's is drawn.
 */
final class ExperimentPlayer extends Player {

    private final Experiment step;

    ExperimentPlayer(Experiment step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        course.leave(step, exit());
    }

    private String exit() {
        Place at = run.at();
        String key = at == null ? step.id() : at.flow() + "/" + at.step();
        String kept = run.arm(key);
        for (Arm arm : step.arms()) {
            if (arm.id().equals(kept)) {
                return arm.exit();
            }
        }
        List<Arm> arms = step.arms().stream().filter(arm -> arm.weight() > 0).toList();
        long total = arms.stream().mapToLong(Arm::weight).sum();
        if (total == 0) {
            run.trace("experiment", "no arm has a weight");
            return step.arms().isEmpty() ? "" : step.arms().getFirst().exit();
        }
        double share = run.visit().visitor().isBlank()
                ? run.drawn()
                : share(run.visit().visitor() + "\n" + key);
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
}
