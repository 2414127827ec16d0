package com.shuttle.core.engine.steps;

import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Fact;
import com.shuttle.core.flow.Interview;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.listening.Completing;
import com.shuttle.core.reading.Finder;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What a message says of an interview's facts, and which of those already known it changes. */
final class FactChanges {

    private static final Finder CORRECTS = Finder.of(
            "\\b(?:not|no|sorry|actually|wrong|instead|should be|i mean|i meant|change|correction|mistake|typo|make (?:it|that)|rather)\\b");

    private final TurnRun run;

    FactChanges(TurnRun run) {
        this.run = run;
    }

    private static final Pattern MENDS = Pattern.compile(
            "^\\W*(?:actually|sorry|no wait|wait|oops|correction|make (?:it|that)|i mean|i meant|hang on)\\b",
            Pattern.CASE_INSENSITIVE);

    /** Whether a short message begins as one that mends something does, and so is no answer in free words. */
    static boolean mends(String text) {
        return MENDS.matcher(text).find() && Words.of(text).size() <= 8;
    }

    /** What a message says of these facts. */
    Map<Fact, Value> read(List<Fact> facts, String text) {
        List<Fact> readable = facts.stream()
                .filter(fact -> fact.type().givenAside() || fact.type() == ValueType.YES_NO)
                .toList();
        Map<String, Reading> read = asides(readable, text);
        Map<Fact, Value> values = new LinkedHashMap<>();
        for (Fact fact : readable) {
            if (read.get(fact.variable()) instanceof Reading.Given(Value value, int start, int end)) {
                values.put(fact, value);
            }
        }
        return values;
    }

    /** The first of these facts that a message says in several ways; null for none. */
    @Nullable
    Fact unclear(List<Fact> facts, String text) {
        return facts.stream()
                .filter(fact -> fact.type() == ValueType.DATE || fact.type() == ValueType.TIME)
                .filter(fact -> !choices(fact, text).isEmpty())
                .findFirst()
                .orElse(null);
    }

    /** The ways in which a message says a fact; empty for one or none. */
    List<Value> choices(Fact fact, String text) {
        return asides(List.of(fact), text).get(fact.variable())
                        instanceof Reading.Unclear(List<Value> values, int start, int end)
                ? values
                : List.of();
    }

    private Map<String, Reading> asides(List<Fact> facts, String text) {
        return SeveralReader.read(
                text,
                facts.stream().map(FactChanges::slot).toList(),
                run.around().context(),
                run.around().meaning());
    }

    /**
     * Facts known already that the message gives another value: named ("the email is wrong, it's …"), by the value that is
     * wrong ("15, not 50"), or as the only fact of their type in a message that corrects something.
     *
     * @param answersNothing whether the message says nothing that was asked, so that a date or an address in it can only
     *     be meant to replace the one known
     */
    Map<Fact, Value> changes(Interview interview, String text, boolean answersNothing) {
        List<Fact> known = interview.facts().stream()
                .filter(fact -> run.facts.knows(fact.variable()))
                .toList();
        boolean corrects = CORRECTS.in(text);
        Map<Fact, Value> changes = new LinkedHashMap<>();
        Map<Fact, Value> read = read(known, text);
        for (Fact fact : known) {
            Value before = run.facts.value(fact.variable());
            Value after = read.get(fact);
            boolean named = SeveralReader.names(text, slot(fact));
            boolean oldValueSaid = before != null && Words.of(text).containsAll(Words.of(before.shown()));
            boolean alone = corrects
                    && known.stream()
                                    .filter(other -> other.type() == fact.type())
                                    .count()
                            == 1;
            if (after == null
                    && (named
                            || oldValueSaid && corrects
                            || alone
                                    && fact.type() != ValueType.YES_NO
                                    && !fact.type().free())
                    && Reader.reply(
                                    fact.type(),
                                    stripped(text),
                                    run.around().context(fact.limits()),
                                    fact.options(),
                                    run.around().meaning())
                            instanceof Reading.Given(Value value, int start, int end)
                    && sure(fact, named, text)) {
                after = value;
            }
            boolean offhand = fact.type() == ValueType.NUMBER
                    && !corrects
                    && !oldValueSaid
                    && Words.of(text).size() > 3
                    && !COUNTS.matcher(text).find();
            boolean said = !offhand && (corrects || named || oldValueSaid || answersNothing && telling(fact.type()));
            if (after != null && before != null && said) {
                Value whole =
                        Completing.inPlaceOf(text, before, after, run.around().context());
                if (!whole.equals(before)) {
                    changes.put(fact, whole);
                }
            }
        }
        return changes;
    }

    /** Whether a value of a type is unlikely to stand in a message by chance. */
    private static boolean telling(ValueType type) {
        return switch (type) {
            case EMAIL, PHONE, DATE, DATE_TIME, TIME, MONEY, URL -> true;
            default -> false;
        };
    }

    /** Names and organisations are read from almost anything, so those must be named to be changed. */
    private static boolean sure(Fact fact, boolean named, String text) {
        return switch (fact.type()) {
            case PERSON_NAME, COMPANY, PLACE, TEXT, LONG_TEXT ->
                named && Words.of(text).size() > 1;
            case YES_NO, CHOICE, MULTI_CHOICE -> named;
            default -> true;
        };
    }

    private static final Pattern COUNTS = Pattern.compile(
            "^\\W*(?:it'?s|it is|it'?ll|there|we'?re|we are|that'?s|that is|only|just|now)\\b",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern ORDERS = Pattern.compile(
            "^\\W*(?:(?:oh|sorry|wait|no|actually|and|please|can (?:you|we|i)|could (?:you|we|i)|ok|okay)\\W++)*+(?:change|correct|switch|make the)\\b",
            Pattern.CASE_INSENSITIVE);

    /** Whether a message is meant to change something, whatever is being asked. */
    static boolean orders(String text) {
        return ORDERS.matcher(text).find();
    }

    /** Whether nearly any words may be read as a value of a type. */
    static boolean takesAnyWords(ValueType type) {
        return switch (type) {
            case TEXT, LONG_TEXT, COMPANY, PERSON_NAME, PLACE -> true;
            default -> false;
        };
    }

    private static final Pattern LEAD = Pattern.compile(
            "^\\W*(?:(?:no|sorry|actually|wait|oh|oops|hm+|not quite|almost|nearly|yes|but)\\b[\\s,.!]*)+",
            Pattern.CASE_INSENSITIVE);

    private static String stripped(String text) {
        String bare = LEAD.matcher(text).replaceFirst("");
        return bare.isBlank() ? text : bare;
    }

    /** A fact as it is looked for in a message. */
    static Slot slot(Fact fact) {
        return new Slot(fact.variable(), fact.label(), fact.type(), fact.options());
    }
}
