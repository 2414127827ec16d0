package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.engine.turn.AnswerCheck;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Extremes;
import com.shuttle.core.reading.Finder;
import com.shuttle.core.reading.HeadCounts;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Regex;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.UsualHours;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Reading what is asked for. For one turn. */
final class Asking {

    private final TurnRun run;

    Asking(TurnRun run) {
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

    private static final Pattern DIALLED = Pattern.compile("\\W*[+(]?[0\\d][\\d\\s()./-]{8,}\\W*");

    private static final Finder UNITED = Finder.of(
            "\\b(?:\\d+(?:[.,]\\d+)?|an?|one|two|three|four|five|six|seven|eight)\\s*-?(hours?|hrs?|minutes?|mins?|nights?|days?|weeks?|months?|years?|metres?|meters?|feet|foot|inches|miles?|kilometres?|km|kilos?|kg)\\b");

    /** "Two with nut allergies" are some of those who come, and not how many. */
    private static final Finder SOME_OF_THEM = Finder.of(
            "\\b(?:\\d+|an?|one|two|three|four|five|six|seven|eight|nine|ten)\\s+(?:\\p{L}+\\s+){0,2}?"
                    + "(?:vegetarians?|vegans?|veggies?|coeliacs?|diabetics?|wheelchairs?|wheelchair users?|(?:with|has|have|in|who (?:is|are|has|have|needs?|uses?)) (?:an? |some )?(?:\\p{L}+ ){0,2}?"
                    + "(?:allerg\\p{L}+|wheelchairs?|epilep\\p{L}+|asthma|diabet\\p{L}+|autis\\p{L}+|needs|impair\\p{L}+|disab\\p{L}+|crutches|vegetarian|vegan|coeliac))\\b");

    /** So many of them are looked at in a message. */
    private static final int MOST = 50;

    /** "Year 4" counts nothing. */
    private static final Finder ORDERED =
            Finder.of("\\b(year|yr|grade|class|room|platform|gate|part|level|floor|unit|flat) \\d{1,3}\\b");

    /** What follows is what it comes to: "not before 11, so 11". */
    private static final Finder CONCLUDES = Finder.of(
            "[,;.\\s]\\s*so\\s+(?:let'?s (?:say|make it)|make it|it'?s|that'?s|we'?re|there'?(?:s|re)|say)?\\s*(?=\\S)");

    /** As {@link Reader#reply}; where a message full of other things is unclear, what its own words say of this one. */
    Reading read(Wanted wanted, String text) {
        Reading reading = Reader.reply(
                wanted.type(),
                wanted.type() == ValueType.NUMBER ? withoutMoney(withoutUnits(wanted, text)) : text,
                run.around().context(wanted.limits()),
                wanted.options(),
                run.around().meaning());
        if (wanted.type() == ValueType.NUMBER && isNoneOfAnother(wanted, reading, text)) {
            return Reading.NOTHING;
        }
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

    /** "No rush" is no number where nought would not do. */
    private boolean isNoneOfAnother(Wanted wanted, Reading reading, String text) {
        return reading instanceof Reading.Given(Value value, int start, int end)
                && value.equals(Value.Numeric.of(0))
                && text.chars().noneMatch(Character::isDigit)
                && wanted instanceof Question question
                && AnswerCheck.problem(question, value, run) != null;
    }

    /** A message without amounts of money, where another question asks for one: as long as it was. */
    private String withoutMoney(String text) {
        boolean wanted = run.playbook.wanted().stream()
                .anyMatch(other -> other.type() == ValueType.MONEY && !run.facts.knows(other.variable()));
        return wanted ? Reader.withoutMoney(text, run.around().context()) : text;
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
                && wanted.asked().stream()
                        .anyMatch(words -> ASKS_WHETHER.matcher(words).find());
    }

    /** A message without numbers of hours or days, where something else is counted: as long as it was. */
    private static String withoutUnits(Wanted wanted, String text) {
        StringBuilder bare = new StringBuilder(text);
        String asked = asked(wanted);
        for (MatchResult ordered : ORDERED.all(text, MOST)) {
            if (!asked.contains(ordered.group(1).toLowerCase(Locale.ROOT))) {
                bare.replace(ordered.start(), ordered.end(), " ".repeat(ordered.end() - ordered.start()));
            }
        }
        for (MatchResult united : UNITED.all(text, MOST)) {
            String unit = united.group(1).toLowerCase(Locale.ROOT);
            if (!asked.contains(unit.substring(0, Math.min(unit.length(), 3)))) {
                bare.replace(united.start(), united.end(), " ".repeat(united.end() - united.start()));
            }
        }
        for (MatchResult some : SOME_OF_THEM.all(text, MOST)) {
            bare.replace(some.start(), some.end(), " ".repeat(some.end() - some.start()));
        }
        return bare.toString().isBlank() && !ORDERED.in(text) && !SOME_OF_THEM.in(text) ? text : bare.toString();
    }

    /** All that a question says of what it asks for, in lower case. */
    static String asked(Wanted wanted) {
        String words = String.join(" ", wanted.asked());
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

    /** What the end of a message says, where it draws a conclusion. */
    private Reading concluded(Wanted wanted, String text) {
        MatchResult so = CONCLUDES.first(text);
        if (so == null || so.end() >= text.length()) {
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

    /** Among days "the 6th" is the one that is a sixth; null where none is, or several are. */
    private static @Nullable Value ofDays(List<Value> days, Value said) {
        List<Value> fitting = days.stream()
                .filter(day -> day instanceof Value.Day(LocalDate one)
                        && said instanceof Value.Day(LocalDate other)
                        && one.getDayOfMonth() == other.getDayOfMonth())
                .toList();
        return fitting.size() == 1 ? fitting.getFirst() : null;
    }

    /** The reading that a typed reply to {@link #which} chooses; null for none. */
    @Nullable
    Value chosen(Awaiting.Which awaiting, Wanted wanted, String text) {
        if (read(wanted, text) instanceof Reading.Given(Value value, int start, int end)) {
            if (awaiting.values().contains(value)) {
                return value;
            }
            Value day = ofDays(awaiting.values(), value);
            if (day != null) {
                return day;
            }
        }
        Value extreme = Extremes.of(text, awaiting.values());
        if (extreme != null) {
            return extreme;
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
}
