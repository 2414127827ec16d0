package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.Answer;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Interview;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Takes typed text while the bot speaks. The rules are tried in this order, and the trace says which one took it:
 * standing requests; an answer to what was asked; a question of the visitor's own; a phrase that leads to another flow; not
 * understood. What else the message gives away is kept whichever rule takes it.
 */
final class Listener {

    /** Words beside a mark that say nothing about it. */
    private static final Set<String> POLITE =
            Set.of("please", "thanks", "thank", "you", "stars", "star", "out", "of", "five");

    private final TurnRun run;
    private final Walker walker;
    private final Repairs repairs;
    private final Asking asking;
    private final Picks picks;

    Listener(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
        this.repairs = new Repairs(run, walker);
        this.asking = new Asking(run, walker);
        this.picks = new Picks(run, walker, repairs);
    }

    void take(String text) {
        if (offeredByName(text)) {
            return;
        }
        if (run.awaiting() != null && run.awaiting().kind() == Awaiting.Kind.NEXT) {
            run.await(null);
        }
        if (repairs.standingRequest(text)
                || answersAlone(text)
                || repairs.change(text)
                || answersPending(text)
                || sideQuestion(text)
                || phrase(text)
                || tellsSomethingElse(text)) {
            return;
        }
        repairs.notUnderstood(text);
    }

    /** An option's own label goes before everything, lest an option "Stop" could not be typed. */
    private boolean offeredByName(String text) {
        Awaiting awaiting = run.awaiting();
        if (awaiting == null) {
            return false;
        }
        String normal = Words.normal(text);
        for (Offer offer : awaiting.offers()) {
            if (offer.link().isBlank()
                    && !normal.isEmpty()
                    && Words.normal(offer.label()).equals(normal)) {
                run.trace("answer to the choice", "“" + offer.label() + "” by its label");
                picks.pick(List.of(offer.id()));
                return true;
            }
        }
        return false;
    }

    /** An interview hears changes to its facts before anything else does. */
    private boolean answersAlone(String text) {
        Awaiting awaiting = run.awaiting();
        return awaiting != null
                && awaiting.kind() == Awaiting.Kind.INTERVIEW
                && !freeAndAsking(text)
                && run.playbook.step(run.at()) instanceof Interview interview
                && new Interviewer(run, walker).take(interview, text);
    }

    /** Any words are an answer to a free question, but a question that the knowledge answers is one of the visitor's own. */
    private boolean freeAndAsking(String text) {
        Awaiting awaiting = run.awaiting();
        return awaiting != null
                && awaiting.type() != null
                && awaiting.type().free()
                && Words.looksLikeQuestion(text)
                && run.ports.ask(run.askedThen(text), List.of()).outcome() == Finding.Outcome.ANSWER;
    }

    private boolean answersPending(String text) {
        Awaiting awaiting = run.awaiting();
        Step step = run.playbook.step(run.at());
        if (awaiting == null) {
            return false;
        }
        return switch (awaiting.kind()) {
            case QUESTION -> step instanceof Question question && answersQuestion(question, text);
            case CHOICE -> step instanceof Choice choice && new ChoiceListener(run, walker, picks).take(choice, text);
            case INTERVIEW -> askedBack(text);
            case SUGGESTION -> picksAmong(awaiting, text);
            case WHICH -> choosesReading(awaiting, step, text);
            case CONFIRM -> confirms(awaiting, text);
            case RATING -> rates(text);
            case COMMENT -> {
                boolean no = Reader.reply(ValueType.YES_NO, text, run.around().context())
                                instanceof Reading.Given(Value.YesNo(boolean yes), int s, int e)
                        && !yes;
                if (!no && awaiting.values().getFirst() instanceof Value.Numeric(java.math.BigDecimal stars)) {
                    run.rate(stars.intValue(), text);
                }
                picks.thanked();
                yield true;
            }
            case ANSWER -> {
                if (step instanceof Answer answer && !leadsElsewhere(text)) {
                    run.await(null);
                    walker.answering.answer(answer, text);
                    yield true;
                }
                yield false;
            }
            case NEXT, TIME, SIGNAL, AGENT -> false;
        };
    }

    private boolean choosesReading(Awaiting awaiting, @Nullable Step step, String text) {
        Wanted wanted = step instanceof Question question
                ? question
                : step instanceof Interview interview ? new Interviewer(run, walker).only(interview, awaiting) : null;
        Value value = wanted == null ? null : asking.chosen(awaiting, wanted, text);
        if (value != null) {
            picks.chosen(awaiting, value);
            return true;
        }
        run.await(awaiting.resumes());
        return answersAlone(text) || answersPending(text);
    }

    private boolean confirms(Awaiting awaiting, String text) {
        if (run.playbook.step(run.at()) instanceof Question question
                && question.type() != ValueType.YES_NO
                && !question.type().free()
                && asking.read(question, text) instanceof Reading.Given(Value value, int start, int end)
                && !value.equals(awaiting.values().getFirst())) {
            run.await(awaiting.resumes());
            asking.take(question, value);
            return true;
        }
        if (Reader.reply(ValueType.YES_NO, text, run.around().context())
                instanceof Reading.Given(Value.YesNo(boolean yes), int s, int e)) {
            picks.confirmed(awaiting, yes);
            return true;
        }
        return false;
    }

    private boolean rates(String text) {
        if (Reader.reply(ValueType.NUMBER, text, run.around().context())
                        instanceof Reading.Given(Value.Numeric(java.math.BigDecimal mark), int start, int end)
                && mark.signum() > 0
                && mark.compareTo(java.math.BigDecimal.valueOf(5)) <= 0) {
            String comment = (text.substring(0, start) + text.substring(end))
                    .replaceAll("^[\\s,.:;/-]+|(?i)^(?:stars?|out of (?:5|five))\\b", "")
                    .strip();
            picks.rated(mark.intValue(), POLITE.containsAll(Words.of(comment)) ? "" : comment);
            return true;
        }
        if (Reader.reply(ValueType.YES_NO, text, run.around().context())
                        instanceof Reading.Given(Value.YesNo(boolean yes), int s, int e)
                && !yes) {
            picks.thanked();
            return true;
        }
        return false;
    }

    private boolean askedBack(String text) {
        if (Reader.reply(ValueType.EMAIL, text, run.around().context()) instanceof Reading.AskedBack) {
            run.trace("asked back", "");
            run.say(Phrasebook.WHY_ASK);
            putAgain();
            return true;
        }
        return false;
    }

    private boolean answersQuestion(Question question, String text) {
        boolean freeText = question.type().free();
        if (freeText && Words.looksLikeQuestion(text) && sideQuestion(text)) {
            return true;
        }
        if (question.type() == ValueType.FILE) {
            return refuses(question, text);
        }
        switch (asking.read(question, text)) {
            case Reading.Given(Value value, int start, int end) -> {
                run.trace("answer to the question", "read " + question.type().label() + " " + value.shown());
                if (!question.onlyThis() && !freeText) {
                    asking.keepWhatElse(blanked(text, start, end), List.of(question.variable()));
                }
                walker.answering.alsoAsked(
                        freeText ? "" : (text.substring(0, start) + " " + text.substring(end)).strip());
                asking.take(question, value);
                return true;
            }
            case Reading.Unclear(List<Value> candidates) -> {
                if (!question.onlyThis()) {
                    asking.keepWhatElse(text, List.of(question.variable()));
                }
                asking.which(candidates);
                return true;
            }
            case Reading.Refused() -> {
                return refused(question);
            }
            case Reading.AskedBack() -> {
                run.trace("asked back", question.type().label());
                run.say(question.hint().isBlank() ? Phrasebook.WHY_ASK : question.hint());
                putAgain();
                return true;
            }
            case Reading.Nothing() -> {
                boolean no = question.optional()
                        && Reader.reply(ValueType.YES_NO, text, run.around().context())
                                instanceof Reading.Given(Value.YesNo(boolean yes), int start, int end)
                        && !yes;
                return no && refused(question);
            }
        }
    }

    private boolean refuses(Question question, String text) {
        if (!(Reader.reply(ValueType.EMAIL, text, run.around().context()) instanceof Reading.Refused)
                && !(question.optional() && Words.of(text).contains("no"))) {
            return false;
        }
        return refused(question);
    }

    private boolean refused(Question question) {
        run.trace("refused", question.type().label());
        if (question.optional()) {
            asking.skip(question);
        } else if (question.exit("gave_up") != null) {
            walker.leave(question, "gave_up");
        } else {
            run.say(Phrasebook.NEEDED);
            putAgain();
        }
        return true;
    }

    private static String blanked(String text, int start, int end) {
        return start == 0 && end == text.length() ? "" : text.substring(0, start) + " ; " + text.substring(end);
    }

    /** What answers nothing that was asked, but gives away something that will be. */
    private boolean tellsSomethingElse(String text) {
        Awaiting awaiting = run.awaiting();
        if (awaiting == null || awaiting.kind() != Awaiting.Kind.QUESTION && awaiting.kind() != Awaiting.Kind.CHOICE) {
            return false;
        }
        int before = run.facts.all().size();
        asking.keepWhatElse(text, List.of());
        if (run.facts.all().size() == before) {
            return false;
        }
        run.say("Thanks, I've noted that.");
        putAgain();
        return true;
    }

    private boolean picksAmong(Awaiting awaiting, String text) {
        List<Option> options = awaiting.offers().stream()
                .map(offer -> new Option(
                        offer.id(),
                        offer.label(),
                        offer.id().equals(Answering.NONE_OF_THESE)
                                ? List.of("no", "none", "neither", "nope")
                                : List.of()))
                .toList();
        if (OptionMatcher.match(text, options) instanceof OptionMatcher.Match.One(Option option, String by)) {
            run.trace("suggestion", "“" + option.label() + "” by " + by);
            picks.pick(List.of(option.id()));
            return true;
        }
        if (Reader.reply(ValueType.YES_NO, text, run.around().context())
                        instanceof Reading.Given(Value.YesNo(boolean yes), int s, int e)
                && !yes) {
            run.trace("suggestion", "none of them");
            picks.pick(List.of(Answering.NONE_OF_THESE));
            return true;
        }
        Step step = run.playbook.step(run.at());
        run.await(awaiting.resumes());
        if (awaiting.resumes() == null && step instanceof Answer answer) {
            walker.answering.answer(answer, text);
            return true;
        }
        return awaiting.resumes() != null && (answersAlone(text) || answersPending(text));
    }

    /** A question of the visitor's own, answered from the knowledge; the pending question is put again. */
    private boolean sideQuestion(String text) {
        Finding finding = walker.answering.ask(run.askedThen(text), List.of());
        Awaiting pending = run.awaiting();
        switch (walker.answering.outcome(finding)) {
            case ANSWER -> {
                run.remember(text);
                walker.answering.say(finding, "");
                asking.keepWhatElse(text, List.of());
                if (!walker.answering.leadsOn(finding.matches().getFirst())) {
                    putAgain();
                }
                return true;
            }
            case SUGGEST -> {
                boolean asks =
                        pending == null || pending.kind() != Awaiting.Kind.QUESTION || Words.looksLikeQuestion(text);
                if (asks && !leadsElsewhere(text)) {
                    run.remember(text);
                    walker.answering.suggest(finding, text, pending);
                    return true;
                }
                return false;
            }
            case NONE -> {
                boolean asks = pending == null || Words.looksLikeQuestion(text);
                if (asks && !leadsElsewhere(text)) {
                    run.remember(text);
                    walker.answering.notFound(finding, text);
                    run.responses.say(Occasion.NOT_FOUND);
                    putAgain();
                    return true;
                }
                return false;
            }
        }
        return false;
    }

    private boolean leadsElsewhere(String text) {
        return flowOf(text) != null;
    }

    private boolean phrase(String text) {
        Playbook.Phrase phrase = flowOf(text);
        if (phrase == null) {
            return false;
        }
        run.trace("phrase of a flow", "“" + phrase.normal() + "” leads to " + run.playbook.nameOf(phrase.flow()));
        Place here = run.at();
        if (here != null) {
            run.comeBackTo(here);
        }
        asking.keepWhatElse(text, List.of());
        run.stand(run.playbook.startOf(phrase.flow()));
        return true;
    }

    private Playbook.@Nullable Phrase flowOf(String text) {
        if (run.playbook.phrases().isEmpty()) {
            return null;
        }
        String normal = " " + Words.normal(text) + " ";
        Place here = run.at();
        return run.playbook.phrases().stream()
                .filter(phrase -> normal.contains(" " + phrase.normal() + " "))
                .filter(phrase -> here == null || !phrase.flow().equals(here.flow()))
                .filter(phrase -> run.playbook.startOf(phrase.flow()) != null)
                .findFirst()
                .orElse(null);
    }

    private void putAgain() {
        repairs.putAgain();
    }
}
