package com.shuttle.core.hostile;

import com.shuttle.core.engine.HostileTalk;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.expression.PlainWords;
import com.shuttle.core.expression.Rules;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.Guard;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Places;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.WishReader;
import com.shuttle.core.reading.Words;
import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.TableAnswers;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.stream.IntStream;

/** Everything that texts of strangers meet in the core, and how it is told whether it holds. Thread-safe but for one thread a target. */
final class Targets {

    /** Processor time of the thread that one text may take, in nanoseconds. */
    private static final long MOST = 50_000_000;

    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();
    private static final Context CONTEXT = new Context("GB", LocalDateTime.of(2026, 11, 27, 12, 0));
    private static final List<Option> OPTIONS = List.of(
            new Option("a", "Evening under the dome", List.of()),
            new Option("b", "School visit", List.of()),
            new Option("c", "None", List.of()));

    private final Map<String, Consumer<String>> all = targets();

    /** Their names, in an order that stays the same. */
    List<String> names() {
        return List.copyOf(all.keySet());
    }

    private static Map<String, Consumer<String>> targets() {
        Map<String, Consumer<String>> targets = new LinkedHashMap<>();
        for (ValueType type : ValueType.values()) {
            List<Option> options = type == ValueType.CHOICE || type == ValueType.MULTI_CHOICE ? OPTIONS : List.of();
            targets.put("read " + type, text -> Reader.reply(type, text, CONTEXT, options, Meaning.NONE));
        }
        List<Slot> slots = Arrays.stream(ValueType.values())
                .flatMap(type -> IntStream.range(0, type == ValueType.NUMBER ? 3 : 1)
                        .mapToObj(i -> new Slot(
                                type.key() + i,
                                "The " + type.key() + " " + i,
                                type,
                                type == ValueType.CHOICE ? OPTIONS : List.of())))
                .toList();
        targets.put("read several", text -> SeveralReader.read(text, slots, CONTEXT, Meaning.NONE));
        targets.put("read a wish", text -> WishReader.read(text, CONTEXT));
        targets.put("named slots", text -> slots.forEach(slot -> SeveralReader.names(text, slot)));
        targets.put("match", text -> OptionMatcher.match(text, OPTIONS, CONTEXT, Meaning.NONE));
        targets.put("words", text -> Words.normal(Words.clean(text)));
        targets.put("question", Words::looksLikeQuestion);
        targets.put("places", text -> Places.widened(text, place -> place.length() % 2 == 0));
        targets.put("guard", text -> Guard.faults(text, text + "."));
        targets.put(
                "plain words",
                text -> PlainWords.read(
                        text,
                        Map.of("guests", ValueType.NUMBER),
                        new PlainWords.Names(List.of("Events"), List.of("Site visit"))));
        targets.put("rules", Rules::read);
        Expressions expressions = new Expressions(Map.of("guests", ValueType.NUMBER));
        targets.put("expression", expressions::compile);
        FlowJson flows = new FlowJson();
        targets.put("flow", flows::read);
        TableAnswers tables = new TableAnswers(new Table(
                "t",
                "Telescopes",
                List.of("scopes"),
                List.of(
                        new Column("c1", "Telescope", Kind.TEXT, ""),
                        new Column("c2", "Weight", Kind.NUMBER, "kg"),
                        new Column("c3", "Price", Kind.MONEY, "GBP"),
                        new Column("c4", "Since", Kind.DATE, ""),
                        new Column("c5", "Motorised", Kind.YES_NO, "")),
                List.of(new Table.Row(
                        "r", Map.of("c1", "Wren", "c2", "4", "c3", "120", "c4", "2020-01-01", "c5", "yes"))),
                true));
        targets.put("table", tables::ask);
        for (Kind kind : Kind.values()) {
            targets.put("cell " + kind, text -> Cell.read(new Column("c", "C", kind, "kg"), text));
        }
        HostileTalk talk = new HostileTalk();
        targets.put("interview", talk::inAnInterview);
        targets.put("at a choice", talk::atAChoice);
        return targets;
    }

    /**
     * Feeds a text to a target.
     *
     * @return what is wrong; empty for nothing. What took long is tried again, since the machine may have been compiling it
     */
    String fault(String name, String text) {
        Consumer<String> target = Objects.requireNonNull(all.get(name));
        long least = Long.MAX_VALUE;
        for (int attempt = 0; attempt < 6; attempt++) {
            long from = THREADS.getCurrentThreadCpuTime();
            try {
                target.accept(text);
            } catch (RuntimeException | StackOverflowError e) {
                return e.getClass().getSimpleName() + " at " + place(e);
            }
            least = Math.min(least, THREADS.getCurrentThreadCpuTime() - from);
            if (least <= MOST) {
                return "";
            }
        }
        return least / 1_000_000 + " ms";
    }

    private static String place(Throwable e) {
        return Arrays.stream(e.getStackTrace())
                .filter(frame -> frame.getClassName().startsWith("com.shuttle.core"))
                .findFirst()
                .map(Object::toString)
                .orElse("?");
    }
}
