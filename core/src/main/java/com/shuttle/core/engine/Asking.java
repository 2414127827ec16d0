package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.Look;
import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Asking one thing and taking the answer to it, for a Question step. */
final class Asking {

    private final TurnRun run;
    private final Walker walker;

    Asking(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    void ask(Question question) {
        List<Offer> offers = Offers.of(question);
        Look look = new Look(null, 0, question.type() == ValueType.RATING ? Choice.Layout.BUTTONS : null, false);
        run.sayOneOf(question.ask(), offers, look);
        run.await(Awaiting.question(question.type(), offers));
    }

    /** The value that a hand-picked offer stands for; null for leaving out. */
    static @Nullable Value picked(Wanted wanted, String option) {
        if (option.equals(Offers.SKIP)) {
            return null;
        }
        return switch (wanted.type()) {
            case YES_NO -> new Value.YesNo(option.equals(Offers.YES));
            case RATING -> new Value.Numeric(new BigDecimal(option));
            default ->
                wanted.options().stream()
                        .filter(o -> o.id().equals(option))
                        .map(o -> (Value) new Value.Text(o.label()))
                        .findFirst()
                        .orElse(null);
        };
    }

    /** As {@link Reader#reply}; where a message full of other things is unclear, what its own words say of this one. */
    Reading read(Wanted wanted, String text) {
        Reading reading = Reader.reply(
                wanted.type(),
                text,
                run.around().context(wanted.limits()),
                wanted.options(),
                run.around().meaning());
        boolean open = reading instanceof Reading.Unclear || reading instanceof Reading.Nothing;
        if (open && wanted.type().givenAside()) {
            Slot slot = new Slot("wanted", wanted.variable() + " " + wanted.called(), wanted.type(), wanted.options());
            Reading among = SeveralReader.read(
                            text,
                            List.of(slot),
                            run.around().context(wanted.limits()),
                            run.around().meaning())
                    .get(slot.name());
            return among instanceof Reading.Given ? among : reading;
        }
        return reading;
    }

    /** Takes a fit value: reads it back first where the question wants that, otherwise keeps it and goes on. */
    void take(Question question, Value value) {
        String problem = AnswerCheck.problem(question, value, run);
        if (problem != null) {
            refuse(question, problem);
        } else if (question.confirm()) {
            confirm(value);
        } else {
            keep(question, value);
        }
    }

    private void confirm(Value value) {
        Awaiting before = run.awaiting();
        List<Offer> offers = Offers.yesNo("Yes, that's right", "No");
        run.trace("reads back", value.shown());
        run.sayOneOf(List.of("**" + Texts.escaped(value.shown()) + "** – " + Phrasebook.RIGHT), offers);
        run.await(Awaiting.confirm(value, offers, before == null ? Awaiting.of(Awaiting.Kind.QUESTION) : before));
    }

    /** Says why an answer does not fit and waits for another one, up to the number of tries. */
    private void refuse(Question question, String problem) {
        Awaiting awaiting = run.awaiting();
        Awaiting tried = (awaiting == null || awaiting.kind() != Awaiting.Kind.QUESTION
                        ? Awaiting.question(question.type(), Offers.of(question))
                        : awaiting)
                .onceMore();
        run.trace("does not fit", problem);
        run.await(tried);
        if (tried.tries() >= question.tries()) {
            run.say(problem);
            walker.giveUp(question);
        } else {
            run.say(problem);
        }
    }

    void keep(Question question, Value value) {
        if (!question.variable().isBlank()) {
            run.facts.set(question.variable(), value);
        }
        run.trail.add(run.at());
        run.await(null);
        if (!question.reply().isBlank()) {
            run.say(question.reply());
        }
        walker.leave(question, "answered");
    }

    /** The visitor leaves an optional question out; the default takes its place. */
    void skip(Question question) {
        run.trace("left out", question.variable());
        run.await(null);
        if (!question.variable().isBlank()) {
            run.facts.leaveOut(question.variable());
            if (!question.fallback().isBlank()
                    && Reader.reply(
                                    question.type(),
                                    question.fallback(),
                                    run.around().context())
                            instanceof Reading.Given(Value value, int start, int end)) {
                run.facts.set(question.variable(), value);
            }
        }
        walker.leave(question, question.exit("skipped") != null ? "skipped" : "answered");
    }

    /** Asks which of several readings is meant. */
    void which(List<Value> values) {
        Awaiting before = run.awaiting();
        List<Offer> offers = Offers.readings(values);
        run.trace("unclear", values.size() + " readings");
        run.sayOneOf(List.of(Phrasebook.WHICH), offers);
        run.await(Awaiting.which(offers, values, before == null ? Awaiting.of(Awaiting.Kind.QUESTION) : before));
    }

    /** The reading that a typed reply to {@link #which} chooses; null for none. */
    @Nullable
    Value chosen(Awaiting awaiting, Wanted wanted, String text) {
        if (read(wanted, text) instanceof Reading.Given(Value value, int start, int end)
                && awaiting.values().contains(value)) {
            return value;
        }
        List<com.shuttle.core.flow.Option> options = awaiting.offers().stream()
                .map(offer -> new com.shuttle.core.flow.Option(offer.id(), offer.label(), also(offer)))
                .toList();
        return OptionMatcher.match(text, options)
                        instanceof OptionMatcher.Match.One(com.shuttle.core.flow.Option option, String by)
                ? awaiting.values().get(options.indexOf(option))
                : null;
    }

    private static List<String> also(Offer offer) {
        return offer.label().endsWith("morning")
                ? List.of("am", "a m")
                : offer.label().matches(".*(afternoon|evening)$") ? List.of("pm", "p m") : List.of();
    }

    /** Whether a text can hold a value at all: a figure, an address, a capital, or words enough to name something. */
    private static boolean tells(String text) {
        int letters = 0;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (Character.isDigit(c) || c == '@' || Character.isUpperCase(c)) {
                return true;
            }
            letters += Character.isLetter(c) ? 1 : 0;
        }
        return letters > 12;
    }

    /** Reads everything else that a message gives away into variables that have no value yet. */
    void keepWhatElse(String text, List<String> except) {
        if (!tells(text)) {
            return;
        }
        List<Slot> slots = run.playbook.slots().stream()
                .filter(slot -> !run.facts.knows(slot.name()) && !except.contains(slot.name()))
                .toList();
        if (slots.isEmpty()) {
            return;
        }
        Map<String, Reading> read = SeveralReader.read(
                text, slots, run.around().context(), run.around().meaning());
        for (Slot slot : slots) {
            if (read.get(slot.name()) instanceof Reading.Given(Value value, int start, int end)) {
                run.facts.set(slot.name(), value);
                run.trace("also read", slot.name() + " " + value.shown());
            }
        }
    }
}
