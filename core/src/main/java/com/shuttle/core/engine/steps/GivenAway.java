package com.shuttle.core.engine.steps;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.engine.turn.AnswerCheck;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.BareValue;
import com.shuttle.core.reading.Finder;
import com.shuttle.core.reading.OptionsSaid;
import com.shuttle.core.reading.OwnNames;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.UsualHours;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What a message gives away besides its answer, of all that is still to be asked. For one turn. */
public final class GivenAway {

    private static final Value NONE_OF_THEM = new Value.Many(List.of());

    private static final Finder OF_A_FIRM = Finder.of("\\b(?:ltd|limited|plc|inc|llc|llp|gmbh|ag)\\b\\.?\\W*$");

    private final TurnRun run;

    public GivenAway(TurnRun run) {
        this.run = run;
    }

    /** A name that nobody asked for is only taken from whoever says it of themselves. */
    private boolean isTheirs(Slot slot, Reading.Given given, String text) {
        return switch (slot.type()) {
            // Where a place is still to be told, "Harlow Bridge" may be one.
            case PERSON_NAME ->
                OwnNames.isOwn(text, given.start(), given.end(), run.around().context())
                        && (!wantsPlace() || OwnNames.isIntroduced(text, given.start(), true));
            case COMPANY -> OwnNames.isTold(text, given.start(), given.end());
            default -> true;
        };
    }

    /** Fewer letters name nothing that is still to be asked. */
    private static final int FEWEST_LETTERS = 7;

    private static final int SHORTEST_NAME = 4;

    /** Whether a text can hold a value at all: a figure, an address, a capital, or words enough to name something. */
    private static boolean tells(String text) {
        if (BareValue.isIdle(text)) {
            return false;
        }
        int letters = 0;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (Character.isDigit(c) || c == '@' || Character.isUpperCase(c)) {
                return true;
            }
            letters += Character.isLetter(c) ? 1 : 0;
        }
        return letters >= FEWEST_LETTERS;
    }

    /** Keeps what a message told besides, and says so. @param told by variable, as from {@link #of} */
    public void keep(Map<String, Reading.Given> told) {
        List<String> kept = new ArrayList<>();
        for (Slot slot : openSlots(List.of())) {
            Reading.Given given = told.get(slot.name());
            if (given != null) {
                kept.add(kept(slot, given.value()));
            }
        }
        // What a sentence implies is of no kind that is read aside.
        run.playbook.wanted().stream()
                .filter(one -> one.type() == ValueType.YES_NO && told.containsKey(one.variable()))
                .forEach(one -> kept.add(kept(
                        Slot.of(one), requireNonNull(told.get(one.variable())).value())));
        if (!kept.isEmpty()) {
            run.say(Phrasebook.noted(kept));
        }
    }

    private String kept(Slot slot, Value value) {
        if (isChoice(slot)) {
            run.facts.tell(slot.name(), value);
        } else {
            run.facts.set(slot.name(), value);
        }
        run.trace("also read", slot.name() + " " + value.shown());
        return Phrasebook.kept(slot, Texts.escaped(value.shown()));
    }

    private boolean isOfFlow(Slot slot) {
        Place here = run.at();
        return here != null && run.playbook.askedIn(here.flow()).contains(slot.name());
    }

    private static final Pattern WITHOUT = Pattern.compile(
            "\\W*(?:(?:we|i|there)(?:'ve| have|'s| is) (?:got )?)?(?:no|without an?y?|don't have an?y?)\\s+(?:fixed |real |particular )?(\\p{L}{4,})(?: yet| so far| really| in mind| set| fixed| planned| agreed)?\\W*",
            Pattern.CASE_INSENSITIVE);

    /** Of other kinds "no …" is a value: nought, a no, none of the options. */
    private static final Set<ValueType> MAY_BE_OPEN = EnumSet.of(
            ValueType.MONEY,
            ValueType.DATE,
            ValueType.TIME,
            ValueType.DATE_TIME,
            ValueType.PHONE,
            ValueType.COMPANY,
            ValueType.URL);

    /** The variable still to come that a message says there is nothing of ("no budget"), and nothing else; null for none. */
    @Nullable
    String leftOpen(Wanted wanted, String text) {
        Matcher without = WITHOUT.matcher(text);
        if (!without.matches() || Asking.asked(wanted).contains(without.group(1).toLowerCase(Locale.ROOT))) {
            return null;
        }
        return openSlots(List.of(wanted.variable())).stream()
                .filter(slot -> MAY_BE_OPEN.contains(slot.type()) && SeveralReader.names(without.group(1), slot))
                .map(Slot::name)
                .findFirst()
                .orElse(null);
    }

    private boolean wantsPlace() {
        return run.playbook.wanted().stream()
                .anyMatch(wanted -> wanted.type() == ValueType.PLACE && !run.facts.knows(wanted.variable()));
    }

    /** Whether a day is asked for now or still open. */
    public boolean wantsDay() {
        return openSlots(List.of()).stream()
                .anyMatch(slot -> slot.type() == ValueType.DATE || slot.type() == ValueType.DATE_TIME);
    }

    /** Two words or more that are all written as names are no choice, unless they are an option's own. */
    private static boolean isName(String text, Value value) {
        return (Words.areNames(text) || OF_A_FIRM.in(text))
                && !Words.normal(text).equals(Words.normal(value.shown()));
    }

    /** Without options of which a message has but a word: nobody asked, so that it may mean anything. */
    private static Reading whole(Reading reading, Set<String> part) {
        if (reading instanceof Reading.Given(Value.Many(List<String> labels), int start, int end)) {
            List<String> whole =
                    labels.stream().filter(label -> !part.contains(label)).toList();
            return whole.isEmpty() ? Reading.NOTHING : new Reading.Given(new Value.Many(whole), start, end);
        }
        boolean inPart =
                reading instanceof Reading.Given(Value.Text(String label), int start, int end) && part.contains(label);
        return inPart ? Reading.NOTHING : reading;
    }

    private static boolean isChoice(Slot slot) {
        return slot.type() == ValueType.CHOICE || slot.type() == ValueType.MULTI_CHOICE;
    }

    /** What is not known yet and may be told aside: what any step asks for, and the choices still to come in this flow. */
    private List<Slot> openSlots(List<String> except) {
        Place here = run.at();
        List<Slot> open = new ArrayList<>();
        for (Slot slot : run.playbook.slots()) {
            if (!run.facts.knows(slot.name()) && !except.contains(slot.name())) {
                open.add(slot);
            }
        }
        run.playbook.wanted().stream()
                .filter(wanted -> wanted.type() == ValueType.PLACE
                        && !run.facts.knows(wanted.variable())
                        && !except.contains(wanted.variable()))
                .map(Slot::of)
                .forEach(open::add);
        for (Playbook.Chosen choice : run.playbook.choices()) {
            Slot slot = choice.slot();
            if (here != null
                    && choice.place().flow().equals(here.flow())
                    && !choice.place().equals(here)
                    && open.stream().noneMatch(other -> other.name().equals(slot.name()))
                    && !run.facts.knows(slot.name())
                    && !except.contains(slot.name())) {
                open.add(slot);
            }
        }
        return open;
    }

    /**
     * What else a message gives away.
     *
     * @param except variables that are not looked for
     * @return by variable, with its place in the message, for what is not known yet
     */
    public Map<String, Reading.Given> of(String text, List<String> except) {
        return tells(text)
                ? run.facts.workedOut(run.at() + " " + except + " " + text, () -> readAway(text, except))
                : BareValue.isIdle(text) ? Map.of() : named(text, except);
    }

    /** The option of a single choice still to come that a word or two name wholly: "kibble". */
    private Map<String, Reading.Given> named(String text, List<String> except) {
        String normal = Words.normal(text);
        Map<String, Reading.Given> named = new LinkedHashMap<>();
        for (Slot slot : openSlots(except)) {
            slot.options().stream()
                    .filter(option -> isChoice(slot) && normal.length() >= SHORTEST_NAME && isCalled(option, normal))
                    .findFirst()
                    .map(option -> slot.type() == ValueType.MULTI_CHOICE
                            ? new Value.Many(List.of(option.label()))
                            : new Value.Text(option.label()))
                    .ifPresent(value -> named.put(slot.name(), new Reading.Given(value, 0, text.length())));
        }
        return named.size() == 1 ? named : Map.of();
    }

    /** Whether a message tells something, or rules out an option, of what is still to be asked beside one variable. */
    boolean speaksOf(String text, String beside) {
        List<String> except = List.of(beside);
        return openSlots(except).stream()
                        .anyMatch(slot -> isChoice(slot)
                                && !OptionsSaid.of(text, slot.options())
                                        .denied()
                                        .isEmpty())
                || !of(text, except).isEmpty();
    }

    private static boolean isCalled(Option option, String normal) {
        return Stream.concat(Stream.of(option.label()), option.also().stream())
                .anyMatch(name -> Words.normal(name).equals(normal));
    }

    /** What is read and fits; where something does not fit what would take it, whatever else it may be for. */
    private Map<String, Reading.Given> readAway(String text, List<String> except) {
        List<Slot> slots = openSlots(except);
        Map<String, Reading.Given> read = read(text, slots);
        List<Slot> fit = slots.stream()
                .filter(slot -> !read.containsKey(slot.name())
                        || fits(slot, requireNonNull(read.get(slot.name())).value()))
                .toList();
        return fit.size() == slots.size() ? read : read(text, fit);
    }

    /** Whether a value is one that the question to come would take: nobody is told of bounds before being asked. */
    private boolean fits(Slot slot, Value value) {
        Wanted wanted = run.playbook.wanted(slot.name());
        return wanted == null || AnswerCheck.problem(wanted, value, run) == null;
    }

    private Map<String, Reading.Given> read(String text, List<Slot> slots) {
        if (slots.isEmpty()) {
            return Map.of();
        }
        // After a gap nothing opens: what is left of "company do for 90" asks nothing.
        boolean asks = text.endsWith("?") || !text.startsWith(";") && Words.looksLikeQuestion(text);
        Map<String, Reading> read = SeveralReader.read(
                text, slots, run.around().context(), run.around().meaning());
        if (read.isEmpty() && BareValue.of(text, run.around().context()) == BareValue.VALUE) {
            // A bare "60" is what this flow asks for, though others count something too.
            List<Slot> ofFlow = slots.stream().filter(this::isOfFlow).toList();
            read = SeveralReader.read(
                    text, ofFlow, run.around().context(), run.around().meaning());
        }
        Map<String, Reading.Given> given = new LinkedHashMap<>();
        for (Slot slot : slots) {
            Reading reading = slot.type() == ValueType.TIME
                    ? UsualHours.of(read.getOrDefault(slot.name(), Reading.NOTHING), text)
                    : read.getOrDefault(slot.name(), Reading.NOTHING);
            if (isChoice(slot)) {
                reading = whole(reading, OptionsSaid.inPart(text, slot.options()));
            }
            if (reading instanceof Reading.Given told
                    && isTheirs(slot, told, text)
                    && !(isChoice(slot)
                            && (asks
                                    || isName(text, told.value())
                                    || told.value().equals(NONE_OF_THEM)))) {
                given.put(slot.name(), told);
            }
        }
        return given;
    }
}
