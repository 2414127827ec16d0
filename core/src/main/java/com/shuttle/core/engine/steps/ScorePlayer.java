package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Score;
import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.Scorecard.Criterion;
import com.shuttle.core.reading.Value;
import com.shuttle.core.scoring.Scored;
import com.shuttle.core.scoring.Scoring;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Scores by what is known, keeps the score with its reasons, and goes by the band. */
final class ScorePlayer extends Player {

    private final Score step;

    ScorePlayer(Score step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        Scoring scoring = run.playbook.scoring(step.card());
        if (scoring == null || scoring.card().bands().isEmpty()) {
            run.trace("cannot score", scoring == null ? "there is no such scorecard" : "the scorecard has no bands");
            course.leave(step, sideOr(Score.UNSCORED));
            return;
        }
        Map<String, Value> known = known();
        Scored scored = scoring.score(criterion -> value(criterion, known));
        keep(scoring.card(), scored, known);
        course.leave(step, scored.out() ? sideOr(Score.OUT) : way(scoring.card(), scored.bandId()));
    }

    private void keep(Scorecard card, Scored scored, Map<String, Value> known) {
        if (!step.points().isEmpty()) {
            run.facts.set(step.points(), Value.Numeric.of(scored.points()));
        }
        if (!step.band().isEmpty()) {
            run.facts.set(step.band(), new Value.Text(scored.bandName()));
        }
        run.carryOut(new Deed.KeepScore(
                card.id(), card.name(), scored.points(), scored.bandId(), scored.bandName(), scored.reasons(), known));
        run.trace("scored", scored.points() + " points, " + scored.bandName());
        scored.reasons().forEach(reason -> run.trace("counted", reason));
    }

    /** Variables and facts of the visit, but no secrets. */
    private Map<String, Value> known() {
        Map<String, Value> known = new LinkedHashMap<>(run.facts.all());
        known.putAll(run.evaluator().system());
        known.values().removeIf(Value.Secret.class::isInstance);
        return known;
    }

    private @Nullable Value value(Criterion criterion, Map<String, Value> known) {
        if (criterion.ofVariable() || criterion.about().isEmpty()) {
            return known.get(criterion.about());
        }
        return run.evaluator().evaluate(criterion.about(), Map.of()) instanceof Expressions.Result.Given(Value value)
                ? value
                : null;
    }

    /** The exit of a band; of the nearest below that the step knows where it does not know the band. */
    private ExitSlot way(Scorecard card, String band) {
        ExitSlot way = null;
        for (Scorecard.Band one : card.bands()) {
            way = of(one.id(), way);
            if (one.id().equals(band)) {
                break;
            }
        }
        return way == null ? Score.UNSCORED : way;
    }

    private @Nullable ExitSlot of(String band, @Nullable ExitSlot otherwise) {
        return step.bands().stream()
                .filter(known -> known.band().equals(band))
                .findFirst()
                .map(known -> new ExitSlot(known.exit(), known.name(), ExitSlot.Role.OWN, ""))
                .orElse(otherwise);
    }

    /** A side exit where it leads somewhere; otherwise the way of the lowest band. */
    private ExitSlot sideOr(ExitSlot side) {
        Scoring scoring = run.playbook.scoring(step.card());
        if (step.exit(side.id()) != null || step.bands().isEmpty()) {
            return side;
        }
        ExitSlot lowest = null;
        if (scoring != null) {
            for (Scorecard.Band band : scoring.card().bands()) {
                lowest = lowest == null ? of(band.id(), null) : lowest;
            }
        }
        Score.Way last = step.bands().getLast();
        return lowest == null ? new ExitSlot(last.exit(), last.name(), ExitSlot.Role.OWN, "") : lowest;
    }
}
