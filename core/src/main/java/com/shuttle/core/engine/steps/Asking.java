package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Reading what is asked for, and what else a message gives away. For one turn. */
public final class Asking {

    private final TurnRun run;

    public Asking(TurnRun run) {
        this.run = run;
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

    /** Asks which of several readings is meant. */
    void which(List<Value> values, Awaiting resumes) {
        List<Offer> offers = Offers.readings(values);
        run.trace("unclear", values.size() + " readings");
        run.sayOneOf(List.of(Phrasebook.WHICH), offers);
        run.await(new Awaiting.Which(offers, 0, resumes, values));
    }

    /** The reading that a typed reply to {@link #which} chooses; null for none. */
    @Nullable
    Value chosen(Awaiting.Which awaiting, Wanted wanted, String text) {
        if (read(wanted, text) instanceof Reading.Given(Value value, int start, int end)
                && awaiting.values().contains(value)) {
            return value;
        }
        List<Option> options = awaiting.offers().stream()
                .map(offer -> new Option(offer.id(), offer.label(), also(offer)))
                .toList();
        return OptionMatcher.match(text, options) instanceof OptionMatcher.Match.One(Option option, String by)
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
    public void keepWhatElse(String text, List<String> except) {
        givenAway(text, except).forEach((variable, value) -> {
            run.facts.set(variable, value);
            run.trace("also read", variable + " " + value.shown());
        });
    }

    /** What else a message gives away, by variable. */
    public Map<String, Value> givenAway(String text, List<String> except) {
        if (!tells(text)) {
            return Map.of();
        }
        List<Slot> slots = run.playbook.slots().stream()
                .filter(slot -> !run.facts.knows(slot.name()) && !except.contains(slot.name()))
                .toList();
        if (slots.isEmpty()) {
            return Map.of();
        }
        Map<String, Reading> read = SeveralReader.read(
                text, slots, run.around().context(), run.around().meaning());
        Map<String, Value> given = new LinkedHashMap<>();
        for (Slot slot : slots) {
            if (read.get(slot.name()) instanceof Reading.Given(Value value, int start, int end)) {
                given.put(slot.name(), value);
            }
        }
        return given;
    }
}
