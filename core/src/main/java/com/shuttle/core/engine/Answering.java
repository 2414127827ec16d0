package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.Answer;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.knowledge.Calibration;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Answers questions of the visitor's from the knowledge, and says what is not known. */
final class Answering {

    private final TurnRun run;
    private final Walker walker;

    Answering(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    /** Answers a question that stands beside an answer in the same message, if it is surely known. */
    void alsoAsked(String rest) {
        if (rest.indexOf('?') < 0) {
            return;
        }
        String question = Texts.shorter(rest);
        if (!question.endsWith("?") || Words.of(question).size() < 3) {
            return;
        }
        Finding finding = run.ports.ask(List.of(question), List.of());
        if (finding.outcome() == Finding.Outcome.ANSWER) {
            run.remember(question);
            say(finding, "");
        }
    }

    /** Answers a question at an Answer step and leaves it, or waits for a pick among suggestions. */
    void answer(Answer step, String question) {
        Finding finding = within(step, ask(run.askedThen(question), step.collections()));
        run.remember(question);
        switch (outcome(finding)) {
            case ANSWER -> {
                say(finding, step.lead());
                if (!step.more().isBlank()) {
                    run.say(step.more());
                }
                if (!leadsOn(finding.matches().getFirst())) {
                    walker.leave(step, "answered");
                }
            }
            case SUGGEST -> suggest(finding, question, null);
            case NONE -> {
                notFound(finding, question);
                run.responses.say(Occasion.NOT_FOUND, step.unknown());
                walker.leave(step, "not_found");
            }
        }
    }

    /** A finding as the step's own sources and thresholds have it. */
    private static Finding within(Answer step, Finding finding) {
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

    void notFound(Finding finding, String question) {
        run.trace(
                "not in the knowledge",
                finding.matches().isEmpty()
                        ? "nothing like it"
                        : "nearest “" + finding.matches().getFirst().title() + "”, confidence "
                                + rounded(finding.confidence()));
        run.gap(question);
    }

    /** Asks the knowledge; what a language model had to do with it is traced. */
    Finding ask(List<String> turns, List<String> collections) {
        Finding finding = run.ports.ask(turns, collections);
        if (!finding.note().isEmpty()) {
            run.trace("language model", finding.note());
        }
        return finding;
    }

    /** What came of asking, as the bot is set: one that offers nothing does not know what it is not certain of. */
    Finding.Outcome outcome(Finding finding) {
        boolean offers = run.responses.of(Occasion.RELATED).on();
        return finding.outcome() == Finding.Outcome.SUGGEST && !offers ? Finding.Outcome.NONE : finding.outcome();
    }

    /** Goes to the flow that an entry leads to, to come back here; false where it leads to none that this bot has. */
    boolean leadsOn(Match match) {
        Place start = match.ties().flow().isEmpty()
                ? null
                : run.playbook.startOfNamed(match.ties().flow());
        Place here = run.at();
        if (start == null || here != null && here.flow().equals(start.flow())) {
            return false;
        }
        run.trace("entry leads on", "to " + run.playbook.nameOf(start.flow()));
        if (here != null) {
            run.comeBackTo(here);
        }
        run.stand(start);
        return true;
    }

    /** Says all that a message asked for. @param lead said first; empty for the bot's own */
    void say(Finding finding, String lead) {
        run.responses.say(Occasion.FOUND, lead);
        sayAnswer(finding.matches().getFirst());
        finding.also().forEach(this::sayAnswer);
    }

    void sayAnswer(Match match) {
        run.trace(
                "answered from knowledge",
                "“" + match.title() + "”, confidence " + rounded(match.confidence()) + ", meaning "
                        + rounded(match.why().meaning()) + ", words "
                        + rounded(match.why().words()));
        run.answeredBy(match.ref());
        run.say(match.answers().get(run.pick(match.answers().size())));
    }

    void suggest(Finding finding, String question, @Nullable Awaiting resumes) {
        List<Offer> offers = new ArrayList<>();
        finding.matches().stream()
                .filter(match -> match.confidence() >= finding.confidence() / 3)
                .limit(3)
                .forEach(match -> offers.add(new Offer(match.ref(), match.title())));
        offers.add(new Offer(NONE_OF_THESE, Phrasebook.NONE_OF_THESE));
        run.trace("suggests", "best confidence " + rounded(finding.confidence()));
        run.responses.say(Occasion.RELATED, "", offers);
        run.await(Awaiting.suggestion(offers, question, resumes));
    }

    private static String rounded(double share) {
        return String.format(java.util.Locale.ROOT, "%.2f", share);
    }

    /** The id of the offer that declines all suggestions; no ref is like it. */
    static final String NONE_OF_THESE = "-";
}
