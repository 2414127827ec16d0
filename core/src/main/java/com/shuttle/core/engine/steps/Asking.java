package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Fact;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.BareValue;
import com.shuttle.core.reading.HeadCounts;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.OptionsSaid;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Regex;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.UsualHours;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Reading what is asked for, and what else a message gives away. For one turn. */
public final class Asking {

    private static final Value NONE_OF_THEM = new Value.Many(List.of());

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

    private static final Pattern INTRODUCES =
            Pattern.compile("\\b(?:name is|name's|i am|i'm|im|call me|called|this is|it's)\\s+$");

    private static final Pattern GOES_ON = Pattern.compile(" \\p{Lu}\\p{Ll}");

    private static final Pattern OF_A_FIRM =
            Pattern.compile("\\b(?:ltd|limited|plc|inc|llc|llp|gmbh|ag)\\b\\.?\\W*$", Pattern.CASE_INSENSITIVE);

    private static final Pattern DIALLED = Pattern.compile("\\W*[+(]?[0\\d][\\d\\s()./-]{8,}\\W*");

    private static final Pattern UNITED = Pattern.compile(
            "\\b(?:\\d+(?:[.,]\\d+)?|an?|one|two|three|four|five|six|seven|eight)\\s*-?(hours?|hrs?|minutes?|mins?|nights?|days?|weeks?|months?|years?)\\b",
            Pattern.CASE_INSENSITIVE);

    /** "Year 4" counts nothing. */
    private static final Pattern ORDERED = Pattern.compile(
            "\\b(year|yr|grade|class|room|platform|gate|part|level|floor|unit|flat) \\d{1,3}\\b",
            Pattern.CASE_INSENSITIVE);

    /** What follows is what it comes to: "not before 11, so 11". */
    private static final Pattern CONCLUDES = Pattern.compile(
            "[,;.\\s]\\s*so\\s+(?:let'?s (?:say|make it)|make it|it'?s|that'?s|we'?re|there'?(?:s|re)|say)?\\s*(?=\\S)",
            Pattern.CASE_INSENSITIVE);

    /** As {@link Reader#reply}; where a message full of other things is unclear, what its own words say of this one. */
    Reading read(Wanted wanted, String text) {
        Reading reading = Reader.reply(
                wanted.type(),
                wanted.type() == ValueType.NUMBER ? withoutUnits(wanted, text) : text,
                run.around().context(wanted.limits()),
                wanted.options(),
                run.around().meaning());
        if (!(reading instanceof Reading.Nothing) && isContact(wanted.type(), text)) {
            return Reading.NOTHING;
        }
        if (wanted.type() == ValueType.TIME) {
            reading = UsualHours.of(reading, text);
        }
        Optional<HeadCounts.Heads> heads = wanted.type() == ValueType.NUMBER ? HeadCounts.sum(text) : Optional.empty();
        if (heads.isPresent()) {
            boolean part =
                    HeadCounts.isPart(wanted.called() + " " + wanted.variable().replace('_', ' '));
            return part && HeadCounts.groups(text).isEmpty() ? amongOthers(wanted, text, reading) : given(heads.get());
        }
        if (!(reading instanceof Reading.Given) && concluded(wanted, text) instanceof Reading.Given given) {
            return given;
        }
        boolean open = reading instanceof Reading.Unclear || reading instanceof Reading.Nothing;
        return open && wanted.type().givenAside() ? amongOthers(wanted, text, reading) : reading;
    }

    private static Reading given(HeadCounts.Heads heads) {
        return new Reading.Given(Value.Numeric.of(heads.count()), heads.start(), heads.end());
    }

    /** What the words of a message that point to this one say of it. */
    private Reading amongOthers(Wanted wanted, String text, Reading otherwise) {
        Slot slot = new Slot("wanted", wanted.variable() + " " + wanted.called(), wanted.type(), wanted.options());
        Reading among = SeveralReader.read(
                        text,
                        List.of(slot),
                        run.around().context(wanted.limits()),
                        run.around().meaning())
                .get(slot.name());
        return among instanceof Reading.Given ? among : otherwise;
    }

    private static final Pattern ASKS_WHETHER = Pattern.compile(
            "(?:^|[.!?]\\s+)(?:is|are|do|does|have|has|will|would|can|any|anything)\\b[^.!?]*\\?\\s*$",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern ONLY_YES = Pattern.compile(
            "\\W*+(?:(?:yes|yep|yeah|yup|sure|there (?:is|are)|i do|we do|indeed)\\W*+)++", Pattern.CASE_INSENSITIVE);

    /** Whether a message says yes to "is there anything …?" and not what. */
    boolean saysOnlyYes(Wanted wanted, String text) {
        return wanted.type().free()
                && ONLY_YES.matcher(text).matches()
                && wordings(wanted).stream()
                        .anyMatch(words -> ASKS_WHETHER.matcher(words).find());
    }

    /** A message without numbers of hours or days, where something else is counted: as long as it was. */
    private static String withoutUnits(Wanted wanted, String text) {
        StringBuilder bare = new StringBuilder(text);
        String asked = asked(wanted);
        Matcher ordered = ORDERED.matcher(text);
        while (ordered.find()) {
            if (!asked.contains(ordered.group(1).toLowerCase(Locale.ROOT))) {
                bare.replace(ordered.start(), ordered.end(), " ".repeat(ordered.end() - ordered.start()));
            }
        }
        Matcher united = UNITED.matcher(text);
        while (united.find()) {
            String unit = united.group(1).toLowerCase(Locale.ROOT);
            if (!asked.contains(unit.substring(0, Math.min(unit.length(), 3)))) {
                bare.replace(united.start(), united.end(), " ".repeat(united.end() - united.start()));
            }
        }
        return bare.toString().isBlank() && !ORDERED.matcher(text).find() ? text : bare.toString();
    }

    private static List<String> wordings(Wanted wanted) {
        return switch (wanted) {
            case Question question -> question.ask();
            case Fact fact -> List.of(fact.ask());
            default -> List.of();
        };
    }

    /** All that a question says of what it asks for, in lower case. */
    private static String asked(Wanted wanted) {
        String words = String.join(" ", wordings(wanted));
        return (wanted.called() + " " + wanted.variable().replace('_', ' ') + " " + words).toLowerCase(Locale.ROOT);
    }

    /** Whether a message is nothing but a phone number, where a figure of another kind is asked for. */
    private boolean isContact(ValueType asked, String text) {
        boolean figure = asked == ValueType.NUMBER || asked == ValueType.MONEY || asked == ValueType.DATE;
        return figure
                && Reader.reply(ValueType.PHONE, text, run.around().context())
                        instanceof Reading.Given(Value value, int start, int end)
                && (DIALLED.matcher(text).matches()
                        || end - start >= text.strip().length()
                                && value.shown().length() > 9
                                && text.chars().anyMatch(Character::isLetter));
    }

    /** Names that nobody asked for must be written as names: "mid march" is none. */
    private static boolean isWritten(Slot slot, Value value, String text) {
        boolean name = slot.type() == ValueType.PERSON_NAME || slot.type() == ValueType.COMPANY;
        String lower = text.toLowerCase(Locale.ROOT);
        int at = lower.indexOf(value.shown().toLowerCase(Locale.ROOT));
        // "Kestrel Foods" is no Kestrel.
        int exact = text.indexOf(value.shown());
        boolean goesOn = exact >= 0
                && GOES_ON.matcher(text)
                        .region(exact + value.shown().length(), text.length())
                        .lookingAt();
        return !name
                || exact >= 0 && !goesOn
                || at >= 0 && text.indexOf('@') > 0
                || at > 0 && INTRODUCES.matcher(lower.substring(0, at)).find();
    }

    /** What the end of a message says, where it draws a conclusion. */
    private Reading concluded(Wanted wanted, String text) {
        Matcher so = CONCLUDES.matcher(text);
        if (!so.find() || so.end() >= text.length()) {
            return Reading.NOTHING;
        }
        String end = text.substring(so.end());
        Reading reading = Reader.reply(
                wanted.type(),
                end,
                run.around().context(wanted.limits()),
                wanted.options(),
                run.around().meaning());
        return UsualHours.of(reading, end) instanceof Reading.Given(Value value, int start, int last)
                ? new Reading.Given(value, so.end() + start, so.end() + last)
                : Reading.NOTHING;
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
                : Regex.matches(offer.label(), ".*(afternoon|evening)$") ? List.of("pm", "p m") : List.of();
    }

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
        return letters > 6;
    }

    /** Keeps what a message told besides, and says so. @param told by variable, as from {@link #givenAway} */
    public void keep(Map<String, Reading.Given> told) {
        List<String> kept = new ArrayList<>();
        for (Slot slot : openSlots(List.of())) {
            Reading.Given given = told.get(slot.name());
            if (given == null) {
                continue;
            }
            if (isChoice(slot)) {
                run.facts.tell(slot.name(), given.value());
            } else {
                run.facts.set(slot.name(), given.value());
            }
            kept.add(Phrasebook.kept(slot, Texts.escaped(given.value().shown())));
            run.trace("also read", slot.name() + " " + given.value().shown());
        }
        if (!kept.isEmpty()) {
            run.say(Phrasebook.noted(kept));
        }
    }

    private boolean isOfFlow(Slot slot) {
        Place here = run.at();
        return here != null && run.playbook.askedIn(here.flow()).contains(slot.name());
    }

    /** Whether a day is asked for now or still open. */
    public boolean wantsDay() {
        return openSlots(List.of()).stream()
                .anyMatch(slot -> slot.type() == ValueType.DATE || slot.type() == ValueType.DATE_TIME);
    }

    /** Two words or more that are all written as names are no choice, unless they are an option's own. */
    private static boolean isName(String text, Value value) {
        return (Words.areNames(text) || OF_A_FIRM.matcher(text).find())
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
        Map<String, Slot> open = new LinkedHashMap<>();
        run.playbook.slots().forEach(slot -> open.putIfAbsent(slot.name(), slot));
        run.playbook.choices().stream()
                .filter(choice -> here != null
                        && choice.place().flow().equals(here.flow())
                        && !choice.place().equals(here))
                .forEach(choice -> open.putIfAbsent(choice.slot().name(), choice.slot()));
        return open.values().stream()
                .filter(slot -> !run.facts.knows(slot.name()) && !except.contains(slot.name()))
                .toList();
    }

    /**
     * What else a message gives away.
     *
     * @param except variables that are not looked for
     * @return by variable, with its place in the message, for what is not known yet
     */
    public Map<String, Reading.Given> givenAway(String text, List<String> except) {
        return tells(text)
                ? run.facts.workedOut(run.at() + " " + except + " " + text, () -> readAway(text, except))
                : Map.of();
    }

    private Map<String, Reading.Given> readAway(String text, List<String> except) {
        List<Slot> slots = openSlots(except);
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
                    && isWritten(slot, told.value(), text)
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
