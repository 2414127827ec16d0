package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Move;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.StepMove;
import com.shuttle.core.flow.Answer;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.knowledge.Calibration;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Answers the visitor's words from the knowledge. */
final class AnswerPlayer extends Player {

    private final Answer step;
    private final Answering answering;

    AnswerPlayer(Answer step, Course course) {
        super(course);
        this.step = step;
        this.answering = new Answering(course);
    }

    @Override
    public void enter() {
        String open = run.takeOpenWords();
        Value of = step.of().isBlank() ? null : run.facts.value(step.of());
        String words = of != null ? of.shown() : open;
        if (words != null) {
            answer(words);
            return;
        }
        String said = run.sayOneOf(step.ask(), List.of());
        if (said.isBlank()) {
            run.say(Phrasebook.RESTING);
        }
        run.await(new Awaiting.OpenQuestion(0));
    }

    @Override
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        if (!(awaiting instanceof Awaiting.OpenQuestion)) {
            return null;
        }
        return Heard.of(new StepMove.Answer(text))
                .as(Words.looksLikeQuestion(text) ? Strengths.ANSWER : Strengths.OPEN_ANSWER);
    }

    @Override
    public void perform(Move.OfStep move) {
        if (move instanceof StepMove.Answer(String question)) {
            run.await(null);
            answer(question);
        } else {
            super.perform(move);
        }
    }

    /** One of the suggestions made here was picked, or none of them. */
    @Override
    public void suggested(boolean none) {
        if (none) {
            course.leave(step, Answer.NOT_FOUND);
        } else {
            course.leave(step, Answer.SUGGESTED, Answer.ANSWERED);
        }
    }

    private void answer(String question) {
        Finding finding = within(answering.ask(run.asked.then(question), step.collections()));
        answering.remember(question, finding);
        switch (answering.outcome(finding)) {
            case ANSWER -> {
                answering.say(finding, step.lead());
                if (!step.more().isBlank()) {
                    run.say(step.more());
                }
                if (!answering.leadsOn(finding.matches().getFirst())) {
                    course.leave(step, Answer.ANSWERED);
                }
            }
            case SUGGEST -> answering.suggest(finding, question, null);
            case NONE -> {
                answering.notFound(finding, question);
                run.responses.say(Occasion.NOT_FOUND, step.unknown());
                course.leave(step, Answer.NOT_FOUND);
            }
        }
    }

    /** A finding as the step's own sources and thresholds have it. */
    private Finding within(Finding finding) {
        if (step.sources().isEmpty() && step.answerFrom() == 0 && step.suggestFrom() == 0) {
            return finding;
        }
        List<Match> matches = finding.matches().stream()
                .filter(match -> step.sources().isEmpty()
                        || step.sources().contains(match.source().plural()))
                .toList();
        double best = matches.isEmpty() ? 0 : matches.getFirst().confidence();
        if (step.answerFrom() == 0 && step.suggestFrom() == 0 && best == finding.confidence()) {
            return new Finding(finding.outcome(), best, matches);
        }
        double answer = step.answerFrom() == 0 ? Calibration.USUAL.answerFrom() : step.answerFrom() / 100.0;
        double suggest = step.suggestFrom() == 0 ? Calibration.USUAL.suggestFrom() : step.suggestFrom() / 100.0;
        Finding.Outcome outcome = best >= answer && !matches.isEmpty()
                ? Finding.Outcome.ANSWER
                : best >= suggest && !matches.isEmpty() ? Finding.Outcome.SUGGEST : Finding.Outcome.NONE;
        return new Finding(outcome, best, matches);
    }
}
