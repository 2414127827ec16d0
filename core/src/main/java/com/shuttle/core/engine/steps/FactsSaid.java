package com.shuttle.core.engine.steps;

import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Fact;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What a message says of an interview's facts. */
final class FactsSaid {

    private final TurnRun run;

    FactsSaid(TurnRun run) {
        this.run = run;
    }

    /** "No lunch, thank you". */
    private static final Pattern THANKS = Pattern.compile(
            "[\\s,.!]*\\b(?:thanks|thank you|many thanks|ta|please|pls)\\W*$", Pattern.CASE_INSENSITIVE);

    /** What a message says of these facts. */
    Map<Fact, Value> read(List<Fact> facts, String text) {
        List<Fact> readable = facts.stream()
                .filter(fact ->
                        fact.type().givenAside() || fact.type() == ValueType.YES_NO || fact.type() == ValueType.PLACE)
                .toList();
        Map<String, Reading> read = asides(readable, THANKS.matcher(text).replaceFirst(""));
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
                facts.stream().map(FactsSaid::slot).toList(),
                run.around().context(),
                run.around().meaning());
    }

    /** Whether nearly any words may be read as a value of a type. */
    static boolean takesAnyWords(ValueType type) {
        return switch (type) {
            case TEXT, LONG_TEXT, COMPANY, PERSON_NAME, PLACE -> true;
            default -> false;
        };
    }

    /** A fact as it is looked for in a message. */
    static Slot slot(Fact fact) {
        return new Slot(fact.variable(), fact.label(), fact.type(), fact.options());
    }
}
