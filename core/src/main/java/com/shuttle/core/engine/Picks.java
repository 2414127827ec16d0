package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.Answer;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Interview;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.reading.Value;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Takes what is picked by hand, or typed so that it comes to the same. */
final class Picks {

    private final TurnRun run;
    private final Walker walker;
    private final Repairs repairs;
    private final Asking asking;

    Picks(TurnRun run, Walker walker, Repairs repairs) {
        this.run = run;
        this.walker = walker;
        this.repairs = repairs;
        this.asking = new Asking(run, walker);
    }

    /** Takes options by id; they are among those offered. */
    void pick(List<String> options) {
        Awaiting awaiting = run.awaiting();
        Step step = run.playbook.step(run.at());
        if (awaiting == null) {
            return;
        }
        String option = options.getFirst();
        switch (awaiting.kind()) {
            case SUGGESTION -> pickSuggestion(awaiting, option, step);
            case CHOICE -> {
                if (step instanceof Choice choice && run.at() != null) {
                    choose(choice, options);
                }
            }
            case QUESTION -> {
                if (step instanceof Question question) {
                    Value value = Asking.picked(question, option);
                    if (value == null) {
                        asking.skip(question);
                    } else {
                        asking.take(question, value);
                    }
                }
            }
            case INTERVIEW -> {
                if (step instanceof Interview interview) {
                    new Interviewer(run, walker).pick(interview, option);
                }
            }
            case WHICH -> chosen(awaiting, awaiting.values().get(indexOf(awaiting, option)));
            case CONFIRM -> confirmed(awaiting, option.equals(Offers.YES));
            case RATING -> rated(Integer.parseInt(option), "");
            case COMMENT -> thanked();
            case NEXT -> {
                run.await(null);
                new Listener(run, walker).take(label(awaiting, option));
            }
            case ANSWER, TIME, SIGNAL, AGENT -> {}
        }
    }

    private static String label(Awaiting awaiting, String option) {
        return awaiting.offers().get(indexOf(awaiting, option)).label();
    }

    private static int indexOf(Awaiting awaiting, String option) {
        return awaiting.offers().stream().map(Offer::id).toList().indexOf(option);
    }

    private void choose(Choice choice, List<String> options) {
        List<String> labels = run.awaiting() == null
                ? List.of()
                : run.awaiting().offers().stream()
                        .filter(offer -> options.contains(offer.id()))
                        .map(Offer::label)
                        .toList();
        run.trail.add(run.at());
        if (!choice.variable().isBlank()) {
            run.facts.set(
                    choice.variable(), choice.many() ? new Value.Many(labels) : new Value.Text(labels.getFirst()));
        }
        walker.leave(choice, choice.oneWay() ? Choice.PICKED.id() : "option:" + options.getFirst());
    }

    private void pickSuggestion(Awaiting awaiting, String option, @Nullable Step step) {
        run.await(null);
        if (option.equals(Answering.NONE_OF_THESE)) {
            run.trace("suggestion", "none of them");
            run.gap(awaiting.asked());
            run.responses.say(Occasion.NOT_FOUND);
        } else {
            Match match = run.ports.entry(option).orElse(null);
            if (match == null) {
                run.responses.say(Occasion.NOT_FOUND);
            } else {
                walker.answering.sayAnswer(match);
                run.await(awaiting.resumes());
                if (walker.answering.leadsOn(match)) {
                    return;
                }
            }
        }
        if (awaiting.resumes() != null) {
            run.await(awaiting.resumes());
            repairs.putAgain();
        } else if (step instanceof Answer) {
            boolean none = option.equals(Answering.NONE_OF_THESE);
            String slot = none ? "not_found" : step.exit("suggested") != null ? "suggested" : "answered";
            walker.leave(step, slot);
        }
    }

    void chosen(Awaiting which, Value value) {
        run.trace("chosen", value.shown());
        Step step = run.playbook.step(run.at());
        if (step instanceof Interview interview) {
            new Interviewer(run, walker).choose(interview, which, value);
        } else if (step instanceof Question question) {
            run.await(which.resumes());
            asking.take(question, value);
        }
    }

    void confirmed(Awaiting confirm, boolean right) {
        if (run.playbook.step(run.at()) instanceof Question question) {
            run.trace("confirmed", right ? "right" : "not right");
            run.await(confirm.resumes());
            if (right) {
                asking.keep(question, confirm.values().getFirst());
            } else {
                repairs.putAgain();
            }
        }
    }

    void rated(int stars, String comment) {
        run.rate(stars, comment);
        run.trace("rated", Integer.toString(stars));
        if (comment.isBlank()) {
            List<Offer> no = List.of(new Offer(Offers.NO, "No, thanks"));
            run.sayOneOf(List.of(Phrasebook.COMMENT), no);
            run.await(new Awaiting(
                    Awaiting.Kind.COMMENT, null, no, 0, "", null, List.of(), List.of(Value.Numeric.of(stars)), ""));
        } else {
            thanked();
        }
    }

    void thanked() {
        run.say(Phrasebook.THANKS);
        run.pass(Speaker.ENDED);
    }
}
