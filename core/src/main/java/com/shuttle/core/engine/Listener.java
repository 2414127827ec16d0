package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Takes typed text while the bot speaks. The rules are tried in this order, and the trace says which one took it:
 * standing requests; an answer to what was asked; a question of the visitor's own; a phrase that leads to another flow; not
 * understood. What else the message gives away is kept whichever rule takes it.
 */
final class Listener {

    /** From this cosine on, typed words mean an option that they share no word with. */
    static final double OPTION_MEANING = 0.55;

    /** An option meant must be nearer than the next by this much. */
    static final double OPTION_MARGIN = 0.08;

    private final TurnRun run;
    private final Walker walker;
    private final Repairs repairs;

    Listener(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
        this.repairs = new Repairs(run, walker);
    }

    void take(String text) {
        if (offeredByName(text)
                || repairs.standingRequest(text)
                || repairs.change(text)
                || answersPending(text)
                || sideQuestion(text)
                || phrase(text)) {
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
            if (Words.normal(offer.label()).equals(normal)) {
                run.trace("answer to the choice", "“" + offer.label() + "” by its label");
                pick(offer.id());
                return true;
            }
        }
        return false;
    }

    /** Takes an option by id; it is one of those offered. */
    void pick(String option) {
        Awaiting awaiting = run.awaiting();
        Step step = run.playbook.step(run.at());
        if (awaiting != null && awaiting.kind() == Awaiting.Kind.SUGGESTION) {
            pickSuggestion(awaiting, option, step);
        } else if (step instanceof Step.Choice choice && run.at() != null) {
            run.answered(run.at());
            walker.leave(choice, "option:" + option);
        }
    }

    private void pickSuggestion(Awaiting awaiting, String option, @Nullable Step step) {
        run.await(null);
        if (option.equals(Walker.NONE_OF_THESE)) {
            run.trace("suggestion", "none of them");
            run.gap(awaiting.asked());
            run.say(Phrasebook.UNKNOWN);
        } else {
            run.ports.entry(option).ifPresentOrElse(walker::sayAnswer, () -> run.say(Phrasebook.UNKNOWN));
        }
        if (awaiting.resumes() != null) {
            run.await(awaiting.resumes());
            putAgain();
        } else if (step instanceof Step.Answer) {
            boolean none = option.equals(Walker.NONE_OF_THESE);
            String slot = none ? "not_found" : step.exit("suggested") != null ? "suggested" : "answered";
            walker.leave(step, slot);
        }
    }

    private boolean answersPending(String text) {
        Awaiting awaiting = run.awaiting();
        Step step = run.playbook.step(run.at());
        if (awaiting == null) {
            return false;
        }
        return switch (awaiting.kind()) {
            case QUESTION -> step instanceof Step.Question question && answersQuestion(question, text);
            case CHOICE -> step instanceof Step.Choice choice && answersChoice(choice, text);
            case SUGGESTION -> picksAmong(awaiting, text);
            case ANSWER -> {
                if (step instanceof Step.Answer answer && !leadsElsewhere(text)) {
                    run.await(null);
                    walker.answer(answer, text);
                    yield true;
                }
                yield false;
            }
            case AGENT -> false;
        };
    }

    private boolean answersQuestion(Step.Question question, String text) {
        Reading reading = Reader.reply(question.type(), text, run.region());
        boolean freeText = question.type() == ValueType.TEXT;
        if (freeText && Words.looksLikeQuestion(text) && sideQuestion(text)) {
            return true;
        }
        switch (reading) {
            case Reading.Given(Value value, int start, int end) -> {
                run.trace("answer to the question", "read " + question.type().label() + " " + value.shown());
                if (!question.variable().isBlank()) {
                    run.set(question.variable(), value);
                }
                keepWhatElse(text, question.variable());
                run.answered(run.at());
                String rest = freeText ? "" : (text.substring(0, start) + " " + text.substring(end)).strip();
                alsoAsked(rest);
                walker.leave(question, "answered");
                return true;
            }
            case Reading.Unclear(List<Value> candidates) -> {
                run.trace("unclear", candidates.size() + " readings");
                run.sayOneOf(
                        List.of("I see more than one: "
                                + String.join(
                                        " or ",
                                        candidates.stream().map(Value::shown).toList())
                                + ". Which is it?"),
                        List.of());
                return true;
            }
            case Reading.Refused() -> {
                run.trace("refused", question.type().label());
                if (question.exit("gave_up") != null) {
                    walker.leave(question, "gave_up");
                } else {
                    run.say(Phrasebook.NEEDED);
                    putAgain();
                }
                return true;
            }
            case Reading.AskedBack() -> {
                run.trace("asked back", question.type().label());
                run.say(Phrasebook.WHY_ASK);
                putAgain();
                return true;
            }
            case Reading.Nothing() -> {
                return false;
            }
        }
    }

    private boolean answersChoice(Step.Choice choice, String text) {
        List<Option> offered = choice.options().stream()
                .filter(option -> run.awaiting() != null && run.awaiting().offers(option.id()))
                .toList();
        switch (OptionMatcher.match(text, offered)) {
            case OptionMatcher.Match.One(Option option, String by) -> {
                run.trace("answer to the choice", "“" + option.label() + "” by " + by);
                keepWhatElse(text, "");
                pick(option.id());
                return true;
            }
            case OptionMatcher.Match.Several(List<Option> options) -> {
                run.trace("unclear", "between " + options.size() + " options");
                run.sayOneOf(List.of(Phrasebook.WHICH), Walker.offers(options));
                return true;
            }
            case OptionMatcher.Match.None() -> {
                if (choice.exit("otherwise") != null) {
                    run.trace("typed something else", "");
                    run.open(text);
                    walker.leave(choice, "otherwise");
                    return true;
                }
                return byMeaning(text, offered);
            }
        }
    }

    private boolean byMeaning(String text, List<Option> offered) {
        if (Words.looksLikeQuestion(text) || offered.isEmpty() || Words.of(text).size() > 12) {
            return false;
        }
        List<Double> near =
                run.ports.closeness(text, offered.stream().map(Option::label).toList());
        int best = 0;
        double second = -1;
        for (int i = 1; i < near.size(); i++) {
            if (near.get(i) > near.get(best)) {
                second = near.get(best);
                best = i;
            } else {
                second = Math.max(second, near.get(i));
            }
        }
        if (near.get(best) < OPTION_MEANING || near.get(best) - second < OPTION_MARGIN) {
            return false;
        }
        Option option = offered.get(best);
        run.trace("answer to the choice", "“" + option.label() + "” by meaning " + Walker.rounded(near.get(best)));
        pick(option.id());
        return true;
    }

    private boolean picksAmong(Awaiting awaiting, String text) {
        List<Option> options = awaiting.offers().stream()
                .map(offer -> new Option(
                        offer.id(),
                        offer.label(),
                        offer.id().equals(Walker.NONE_OF_THESE) ? List.of("no", "none", "neither", "nope") : List.of()))
                .toList();
        if (OptionMatcher.match(text, options) instanceof OptionMatcher.Match.One(Option option, String by)) {
            run.trace("suggestion", "“" + option.label() + "” by " + by);
            pick(option.id());
            return true;
        }
        if (Reader.reply(ValueType.YES_NO, text, run.region())
                        instanceof Reading.Given(Value.YesNo(boolean yes), int s, int e)
                && !yes) {
            run.trace("suggestion", "none of them");
            pick(Walker.NONE_OF_THESE);
            return true;
        }
        Step step = run.playbook.step(run.at());
        run.await(awaiting.resumes());
        if (awaiting.resumes() == null && step instanceof Step.Answer answer) {
            walker.answer(answer, text);
            return true;
        }
        return awaiting.resumes() != null && answersPending(text);
    }

    /** A question of the visitor's own, answered from the knowledge; the pending question is put again. */
    private boolean sideQuestion(String text) {
        Finding finding = run.ports.ask(run.askedThen(text), List.of());
        Awaiting pending = run.awaiting();
        switch (finding.outcome()) {
            case ANSWER -> {
                run.remember(text);
                walker.sayAnswer(finding.matches().getFirst());
                keepWhatElse(text, "");
                putAgain();
                return true;
            }
            case SUGGEST -> {
                boolean asks =
                        pending == null || pending.kind() != Awaiting.Kind.QUESTION || Words.looksLikeQuestion(text);
                if (asks && !leadsElsewhere(text)) {
                    run.remember(text);
                    walker.suggest(finding, text, pending);
                    return true;
                }
                return false;
            }
            case NONE -> {
                boolean asks = pending == null || Words.looksLikeQuestion(text);
                if (asks && !leadsElsewhere(text)) {
                    run.remember(text);
                    walker.notFound(finding, text);
                    run.say(Phrasebook.UNKNOWN);
                    putAgain();
                    return true;
                }
                return false;
            }
        }
        return false;
    }

    /** Answers a question that stands beside an answer in the same message, if it is surely known. */
    private void alsoAsked(String rest) {
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
            walker.sayAnswer(finding.matches().getFirst());
        }
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

    /** Keeps an email, a phone number and an introduced name that questions still to come would ask for. */
    private void keepWhatElse(String text, String justSet) {
        for (Map.Entry<String, ValueType> variable : run.playbook.variables().entrySet()) {
            ValueType type = variable.getValue();
            boolean safe = type == ValueType.EMAIL || type == ValueType.PHONE || type == ValueType.PERSON_NAME;
            if (safe && !variable.getKey().equals(justSet) && !run.knows(variable.getKey())) {
                if (Reader.within(type, text, run.region()) instanceof Reading.Given(Value value, int s, int e)) {
                    run.set(variable.getKey(), value);
                    run.trace("also read", variable.getKey() + " " + value.shown());
                }
            }
        }
    }

    private void putAgain() {
        repairs.putAgain();
    }
}
