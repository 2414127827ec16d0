package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.engine.turn.AnswerCheck;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Move;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.StepMove;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.listening.Exchange;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.reading.HalfDay;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Regex;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Asks for one thing and keeps it. */
final class QuestionPlayer extends Player {

    private final Question step;
    private final Asking asking;

    QuestionPlayer(Question step, Course course) {
        super(course);
        this.step = step;
        this.asking = new Asking(run);
    }

    @Override
    public void enter() {
        if (step.skipWhenKnown()) {
            new KnownAtArrival(run).take(step);
        }
        Value known = run.facts.value(step.variable());
        boolean left = step.optional() && run.facts.wasLeft(step.variable());
        if (step.skipWhenKnown() && (known != null || left)) {
            String problem = known == null ? null : AnswerCheck.problem(step, known, run);
            if (problem == null) {
                run.trace("skipped", step.variable() + " is already " + (left ? "left out" : "known"));
                if (left) {
                    course.leave(step, Question.SKIPPED, Question.ANSWERED);
                } else {
                    course.leave(step, Question.ANSWERED);
                }
                return;
            }
            run.trace("does not fit", problem);
            run.say(problem);
            run.facts.forget(step.variable());
        }
        List<Offer> offers = Offers.of(step);
        Look look = new Look(null, 0, step.type() == ValueType.RATING ? Choice.Layout.BUTTONS : null, false);
        run.sayOneOf(step.ask(), offers, look);
        run.await(awaiting());
    }

    private Awaiting.Reply awaiting() {
        return new Awaiting.Reply(step.type(), Offers.of(step), 0);
    }

    // Hearing

    @Override
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        return switch (awaiting) {
            case Awaiting.Reply reply -> hearReply(reply, text, whole(reply, text));
            case Awaiting.Confirm confirm -> hearConfirmation(confirm, text);
            case Awaiting.Which which -> {
                Value value = asking.chosen(which, step, text);
                yield value == null
                        ? resuming(which.resumes(), text)
                        : Heard.of(new StepMove.TakeInstead(which.resumes(), value), "chosen", value.shown());
            }
            default -> null;
        };
    }

    /** What is said with what was said before, where each was half of a day. */
    private String whole(Awaiting.Reply reply, String text) {
        return step.type() != ValueType.DATE || reply.said().isEmpty()
                ? text
                : HalfDay.month(reply.said(), run.around().context())
                        .flatMap(month -> HalfDay.completed(text, month))
                        .orElse(text);
    }

    /** @param whole the same with what was said before, where that belongs to it */
    private @Nullable Heard hearReply(Awaiting.Reply reply, String text, String whole) {
        if (step.type() == ValueType.FILE) {
            return refuses(text) ? Heard.of(new StepMove.Refuse()) : null;
        }
        if (asking.saysOnlyYes(step, text)) {
            return Heard.of(new StepMove.AskWhat());
        }
        String other = new GivenAway(run).leftOpen(step, text);
        if (other != null) {
            return Heard.of(new StepMove.LeaveOut(other), "left open", other);
        }
        return switch (asking.read(step, whole).within(text.length())) {
            case Reading.Given(Value value, int start, int end) ->
                placed(
                        Heard.of(
                                        new StepMove.Take(value),
                                        "answer to the question",
                                        "read " + step.type().label() + " " + value.shown())
                                .filing()
                                .as(step.type().free() ? Strengths.FREE_ANSWER : Strengths.ANSWER),
                        start,
                        end);
            case Reading.Unclear(List<Value> candidates, int start, int end) ->
                placed(
                        Heard.of(new StepMove.AskWhich(candidates, reply), "", candidates.size() + " readings"),
                        start,
                        end);
            // "No food" refuses something else.
            case Reading.Refused() ->
                new GivenAway(run).speaksOf(text, step.variable()) ? null : Heard.of(new StepMove.Refuse());
            case Reading.AskedBack() ->
                Heard.of(new StepMove.TellWhy(), "asked back", step.type().label());
            // "No telescopes, the rest yes" refuses something else.
            case Reading.Nothing() ->
                step.optional() && saysNo(text) && !new GivenAway(run).speaksOf(text, step.variable())
                        ? Heard.of(new StepMove.Refuse())
                        : null;
        };
    }

    private Heard placed(Heard heard, int start, int end) {
        return leaves() ? heard.of(start, end) : heard;
    }

    /** Whether what else a message says is for others; a question may want nothing else kept, and one for any words takes all. */
    private boolean leaves() {
        return !step.onlyThis() && !step.type().free();
    }

    private @Nullable Heard hearConfirmation(Awaiting.Confirm confirm, String text) {
        if (step.type() != ValueType.YES_NO
                && !step.type().free()
                && asking.read(step, text) instanceof Reading.Given(Value value, int start, int end)
                && !value.equals(confirm.value())) {
            return Heard.of(new StepMove.TakeInstead(confirm.resumes(), value));
        }
        Boolean right = yesOrNo(text);
        String instead = Boolean.FALSE.equals(right) && step.type().free() && !deniesOne(text) ? afterNo(text) : "";
        if (Exchange.says(instead)) {
            return Heard.of(new StepMove.TakeInstead(confirm.resumes(), new Value.Text(instead)))
                    .as(Strengths.FREE_ANSWER);
        }
        // "No, only 50 people" may mend something else.
        return right == null
                ? null
                : Heard.of(new StepMove.Settle(confirm, right))
                        .as(Words.of(text).size() > 2 ? Strengths.FREE_ANSWER : Strengths.ANSWER);
    }

    /** What follows a no: "no, it's scratched". */
    private static String afterNo(String text) {
        return Regex.replaceFirst(text.strip(), "(?i)^(?:no|nope|nah)\\b[\\s,.;!:–-]*", "");
    }

    private boolean refuses(String text) {
        return Reader.reply(ValueType.EMAIL, text, run.around().context()) instanceof Reading.Refused
                || step.optional() && Words.of(text).contains("no");
    }

    @Override
    public @Nullable Heard refusing(Awaiting awaiting) {
        return awaiting instanceof Awaiting.Reply ? Heard.of(new StepMove.Refuse()) : null;
    }

    @Override
    public @Nullable Heard doubting(Awaiting awaiting, String text) {
        return awaiting instanceof Awaiting.Reply
                        && asking.read(step, text) instanceof Reading.Given(Value value, int start, int end)
                        && AnswerCheck.problem(step, value, run) == null
                ? Heard.of(new StepMove.AskWhether(value), "may be the answer", value.shown())
                : null;
    }

    @Override
    public void perform(Move.OfStep move) {
        switch (move) {
            case StepMove.Take(Value value) -> take(value);
            case StepMove.TakeInstead(Awaiting resumes, Value value) -> takeInstead(resumes, value);
            case StepMove.AskWhich(List<Value> readings, Awaiting resumes) -> asking.which(readings, resumes);
            case StepMove.AskWhether(Value value) -> confirm(value);
            case StepMove.Settle(Awaiting.Confirm asked, boolean right) -> confirmed(asked, right);
            case StepMove.Refuse() -> refused();
            case StepMove.AskWhat() -> run.say(Phrasebook.TELL_ME_WHAT);
            case StepMove.TellWhy() -> {
                run.say(step.hint().isBlank() ? Phrasebook.WHY_ASK : step.hint());
                course.putAgain();
            }
            case StepMove.LeaveOut(String variable) -> {
                run.facts.leaveOut(variable);
                run.say(Phrasebook.LEFT_OPEN);
                course.putAgain();
            }
            default -> super.perform(move);
        }
    }

    // Picking

    @Override
    public void pick(Awaiting awaiting, List<String> options) {
        String option = options.getFirst();
        switch (awaiting) {
            case Awaiting.Reply ignored -> {
                Value value = Asking.picked(step, option);
                if (value == null) {
                    skip();
                } else {
                    take(value);
                }
            }
            case Awaiting.Confirm confirm -> confirmed(confirm, option.equals(Offers.YES));
            case Awaiting.Which which -> {
                Value value = which.values().get(Offers.index(which.offers(), option));
                run.trace("chosen", value.shown());
                takeInstead(which.resumes(), value);
            }
            default -> {}
        }
    }

    @Override
    public void given(Value value) {
        run.trace("answer to the question", step.type().label());
        keep(value);
    }

    // Taking

    private void takeInstead(Awaiting resumes, Value value) {
        run.await(resumes);
        take(value);
    }

    private void confirmed(Awaiting.Confirm confirm, boolean right) {
        run.trace("confirmed", right ? "right" : "not right");
        run.await(confirm.resumes());
        if (right) {
            keep(confirm.value());
        } else {
            course.putAgain();
        }
    }

    private static String readBack(Value value) {
        return "**" + Texts.escaped(value.shown()) + "** – " + Phrasebook.RIGHT;
    }

    /** Takes a fit value: reads it back first where the question wants that, otherwise keeps it and goes on. */
    private void take(Value value) {
        String problem = AnswerCheck.problem(step, value, run);
        if (problem != null) {
            unfit(problem);
        } else if (step.confirm()) {
            confirm(value);
        } else {
            keep(value);
        }
    }

    private void confirm(Value value) {
        List<Offer> offers = Offers.yesNo("Yes, that's right", "No");
        run.trace("reads back", value.shown());
        run.sayOneOf(List.of(readBack(value)), offers);
        run.await(new Awaiting.Confirm(offers, 0, before(), List.of(value)));
    }

    private Awaiting before() {
        Awaiting before = run.awaiting();
        return before == null ? awaiting() : before;
    }

    /** Says why an answer does not fit and waits for another one, up to the number of tries. */
    private void unfit(String problem) {
        Awaiting tried = (run.awaiting() instanceof Awaiting.Reply reply ? reply : awaiting()).onceMore();
        run.trace("does not fit", problem);
        run.await(tried);
        run.say(problem);
        if (tried.tries() >= step.tries()) {
            course.giveUp(step);
        }
    }

    private void keep(Value value) {
        if (!step.variable().isBlank()) {
            run.facts.set(step.variable(), value);
        }
        run.answeredHere();
        run.await(null);
        if (!step.reply().isBlank()) {
            run.say(step.reply());
        }
        course.leave(step, Question.ANSWERED);
    }

    private void refused() {
        run.trace("refused", step.type().label());
        if (step.optional()) {
            skip();
        } else if (step.exit(Question.GAVE_UP.id()) != null) {
            course.leave(step, Question.GAVE_UP);
        } else {
            run.say(Phrasebook.NEEDED);
            course.putAgain();
        }
    }

    /** The visitor leaves an optional question out; the default takes its place. */
    private void skip() {
        run.trace("left out", step.variable());
        run.await(null);
        if (!step.variable().isBlank()) {
            run.facts.leaveOut(step.variable());
            takeDefault();
        }
        course.leave(step, Question.SKIPPED, Question.ANSWERED);
    }

    /** Words stand as they are written, whatever a reader of visitors' words makes of them: a friend may be called "Friend". */
    private void takeDefault() {
        String words = Texts.unescaped(run.filled(step.fallback())).strip();
        if (words.isEmpty()) {
            return;
        }
        if (step.type().wordsStand()) {
            run.facts.set(step.variable(), new Value.Text(words));
        } else if (Reader.reply(step.type(), words, run.around().context())
                instanceof Reading.Given(Value value, int start, int end)) {
            run.facts.set(step.variable(), value);
        } else {
            run.trace(
                    "does not fit",
                    "the default “" + words + "” is no " + step.type().label());
        }
    }

    // Once more

    @Override
    public void putAgain(Awaiting awaiting) {
        switch (awaiting) {
            case Awaiting.Reply reply -> sayShorter(step.wordings(), reply.offers(), Look.PLAIN);
            case Awaiting.Confirm confirm -> run.sayOneOf(List.of(readBack(confirm.value())), confirm.offers());
            case Awaiting.Which which -> run.sayOneOf(List.of(Phrasebook.WHICH), which.offers());
            default -> {}
        }
    }

    @Override
    public int tries() {
        return step.tries();
    }

    @Override
    public Wanted wanted(Awaiting awaiting) {
        return step;
    }

    @Override
    public void forget() {
        run.facts.forget(step.variable());
    }
}
