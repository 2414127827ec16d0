package com.shuttle.core.expression;

import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import dev.cel.bundle.Cel;
import dev.cel.bundle.CelBuilder;
import dev.cel.bundle.CelFactory;
import dev.cel.common.CelIssue;
import dev.cel.common.CelOptions;
import dev.cel.common.CelValidationException;
import dev.cel.common.CelValidationResult;
import dev.cel.common.types.CelType;
import dev.cel.common.types.ListType;
import dev.cel.common.types.MapType;
import dev.cel.common.types.SimpleType;
import dev.cel.parser.CelStandardMacro;
import dev.cel.runtime.CelEvaluationException;
import dev.cel.runtime.CelRuntime;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/**
 * Expressions over a bot's variables in CEL, which always ends. Numbers and amounts of money are decimals, yes or no a
 * truth value, days and moments timestamps of the visitor's own clock, several of a list a list of texts, everything else
 * text; secrets cannot be read. Beside CEL's own functions there are {@code known(x)}, {@code open("team")}, {@code free("kind")}, {@code first_free("kind")},
 * {@code date("2026-05-01")}, {@code days(3)}, {@code dayname(x)}, {@code round(x)} and {@code text(x)}. Reading a variable without a value
 * is an error at run time, told as a value. What grows on the way is bounded ({@link Functions}). Thread-safe; compiled texts
 * are kept.
 */
public final class Expressions {

    /** Longest expression taken, in UTF-16 units. */
    public static final int LONGEST = 2000;

    /** A longer result is refused: what grows with every round of a loop would never stop. */
    public static final int LONGEST_RESULT = 4000;

    /** Where compiling failed: {@code at} is an index in the designer's text. */
    public record Problem(String message, int at) {}

    /** A compiled expression, or what is wrong with it. */
    public sealed interface Compiled {

        /** @param type of the result in CEL's words, e.g. {@code bool} */
        record Good(CelRuntime.Program program, String type, Set<String> teams, Set<String> kinds)
                implements Compiled {}

        record Bad(Problem problem) implements Compiled {}
    }

    /** What came of evaluating. */
    public sealed interface Result {

        record Given(Value value) implements Result {}

        /** @param why in words for designers, without visitors' data */
        record Failed(String why) implements Result {}
    }

    /** Variables that the engine sets; they cannot be written to. */
    public static final Map<String, ValueType> SYSTEM = Map.ofEntries(
            Map.entry("channel", ValueType.TEXT),
            Map.entry("page", ValueType.TEXT),
            Map.entry("country", ValueType.TEXT),
            Map.entry("bot", ValueType.TEXT),
            Map.entry("today", ValueType.DATE),
            Map.entry("now", ValueType.DATE_TIME),
            Map.entry("hour", ValueType.NUMBER),
            Map.entry("weekday", ValueType.TEXT),
            Map.entry("sender", ValueType.PHONE),
            Map.entry("sender_name", ValueType.TEXT),
            Map.entry("referrer", ValueType.TEXT),
            Map.entry("campaign", ValueType.TEXT),
            Map.entry("cue", ValueType.TEXT),
            Map.entry("in_hours", ValueType.YES_NO),
            Map.entry("returning", ValueType.YES_NO));

    private final Cel cel;
    private final Map<String, ValueType> types;
    private final Map<String, Compiled> compiled = new ConcurrentHashMap<>();

    /** @param types every variable of the bot; the system variables are added */
    public Expressions(Map<String, ValueType> types) {
        this.types = new HashMap<>(types);
        this.types.putAll(SYSTEM);
        CelBuilder builder = CelFactory.standardCelBuilder()
                .setOptions(CelOptions.current()
                        .enableHeterogeneousNumericComparisons(true)
                        .comprehensionMaxIterations(1000)
                        .build())
                .setStandardMacros(CelStandardMacro.STANDARD_MACROS)
                .addVar(Source.KNOWN, ListType.create(SimpleType.STRING))
                .addVar(Source.OPEN, ListType.create(SimpleType.STRING))
                .addVar(Source.FREE, MapType.create(SimpleType.STRING, SimpleType.TIMESTAMP));
        this.types.forEach((name, type) -> {
            if (type != ValueType.SECRET) {
                builder.addVar(name, celType(type));
            }
        });
        Functions.addTo(builder);
        this.cel = builder.build();
    }

    /** Compiles an expression, or says what is wrong with it and where. */
    public Compiled compile(String text) {
        return compiled.computeIfAbsent(text, this::compileNew);
    }

    private Compiled compileNew(String text) {
        if (text.isBlank()) {
            return new Compiled.Bad(new Problem("There is nothing here yet.", 0));
        }
        if (text.length() > LONGEST) {
            return new Compiled.Bad(
                    new Problem("An expression can be " + LONGEST + " characters long at most.", LONGEST));
        }
        Source source = new Source(text, true);
        for (String name : source.asksKnown()) {
            if (!types.containsKey(name)) {
                return new Compiled.Bad(
                        new Problem("There is no variable " + name + ".", Math.max(0, text.indexOf(name))));
            }
        }
        CelValidationResult checked = cel.compile(source.ready());
        if (checked.hasError()) {
            // Some of CEL's own functions count in whole numbers, as getDayOfWeek() does.
            CelValidationResult whole = cel.compile(new Source(text, false).ready());
            checked = whole.hasError() ? checked : whole;
        }
        if (checked.hasError()) {
            CelIssue issue = checked.getErrors().getFirst();
            int at = source.origin(offset(source.ready(), issue));
            return new Compiled.Bad(new Problem(words(issue.getMessage()), at));
        }
        try {
            String type = checked.getAst().getResultType().name();
            return new Compiled.Good(cel.createProgram(checked.getAst()), type, source.teams(), source.kinds());
        } catch (CelValidationException | CelEvaluationException e) {
            return new Compiled.Bad(new Problem(words(String.valueOf(e.getMessage())), 0));
        }
    }

    /** As {@link #compile}, and a condition must come to yes or no. */
    public @Nullable Problem problemOfCondition(String text) {
        return switch (compile(text)) {
            case Compiled.Bad(Problem problem) -> problem;
            case Compiled.Good good ->
                good.type().equals("bool") || good.type().equals("dyn")
                        ? null
                        : new Problem(
                                "This comes to a " + plainType(good.type()) + ", where a yes or no is needed.", 0);
        };
    }

    /** What is wrong with an expression that gives a value; null for nothing. */
    public @Nullable Problem problemOf(String text) {
        return compile(text) instanceof Compiled.Bad(Problem problem) ? problem : null;
    }

    /** The type of variable that holds what an expression comes to; null for a faulty or undecided one. */
    public @Nullable ValueType typeOf(String text) {
        if (!(compile(text) instanceof Compiled.Good good)) {
            return null;
        }
        return switch (good.type()) {
            case "bool" -> ValueType.YES_NO;
            case "double", "int", "uint", "google.protobuf.Duration", "duration" -> ValueType.NUMBER;
            case "google.protobuf.Timestamp", "timestamp" -> ValueType.DATE_TIME;
            case "list" -> ValueType.MULTI_CHOICE;
            case "string" -> ValueType.TEXT;
            default -> null;
        };
    }

    /** Names of the teams an expression asks about; empty for a faulty one. */
    public Set<String> teams(String text) {
        return compile(text) instanceof Compiled.Good good ? good.teams() : Set.of();
    }

    /** Names of the kinds of appointment whose free times an expression asks about; empty for a faulty one. */
    public Set<String> kinds(String text) {
        return compile(text) instanceof Compiled.Good good ? good.kinds() : Set.of();
    }

    /**
     * What is asked for beside variables.
     *
     * @param open names of the teams that are open, in lower case
     * @param free when kinds of appointment are free first, by their names in lower case; none that is never free
     */
    public record Around(List<String> open, Map<String, LocalDateTime> free) {
        public static final Around NOTHING = new Around(List.of(), Map.of());

        public Around {
            open = List.copyOf(open);
            free = Map.copyOf(free);
        }
    }

    /** Evaluates an expression. @param values what is known, system variables too */
    public Result evaluate(String text, Map<String, Value> values, Around around) {
        return switch (compile(text)) {
            case Compiled.Bad(Problem problem) -> new Result.Failed(problem.message());
            case Compiled.Good good -> {
                Map<String, Object> activation = new HashMap<>();
                values.forEach((name, value) -> {
                    ValueType type = types.get(name);
                    if (type != null && type != ValueType.SECRET) {
                        Object plain = celValue(value, type);
                        if (plain != null) {
                            activation.put(name, plain);
                        }
                    }
                });
                activation.put(Source.KNOWN, List.copyOf(values.keySet()));
                activation.put(Source.OPEN, around.open());
                Map<String, Instant> free = new HashMap<>();
                around.free().forEach((kind, at) -> free.put(kind, at.toInstant(ZoneOffset.UTC)));
                activation.put(Source.FREE, free);
                try {
                    Value value = Results.value(good.program().eval(activation));
                    yield value == null
                            ? new Result.Failed("the result is no number a conversation can hold")
                            : value.shown().length() > LONGEST_RESULT
                                    ? new Result.Failed(
                                            "the result is longer than %,d characters".formatted(LONGEST_RESULT))
                                    : new Result.Given(value);
                } catch (CelEvaluationException e) {
                    yield new Result.Failed(words(String.valueOf(e.getMessage())));
                }
            }
        };
    }

    // Types and values

    private static CelType celType(ValueType type) {
        return switch (type) {
            case NUMBER, RATING, SLIDER, MONEY -> SimpleType.DOUBLE;
            case YES_NO -> SimpleType.BOOL;
            case DATE, DATE_TIME -> SimpleType.TIMESTAMP;
            case MULTI_CHOICE -> ListType.create(SimpleType.STRING);
            default -> SimpleType.STRING;
        };
    }

    /** A value in CEL's form; null where it does not fit its variable's type. */
    private static @Nullable Object celValue(Value value, ValueType type) {
        Object plain = switch (value) {
            case Value.Numeric(BigDecimal number) -> number.doubleValue();
            case Value.Money money -> money.amount().doubleValue();
            case Value.YesNo(boolean yes) -> yes;
            case Value.Day(LocalDate date) -> date.atStartOfDay().toInstant(ZoneOffset.UTC);
            case Value.Moment(LocalDateTime at) -> at.toInstant(ZoneOffset.UTC);
            case Value.Clock(LocalTime time) -> time.toString();
            case Value.Many(List<String> items) -> items;
            case Value.Secret ignored -> null;
            case Value.Text(String text) -> text;
            case Value.File file -> file.name();
        };
        CelType wanted = celType(type);
        boolean fits = plain instanceof Double && wanted == SimpleType.DOUBLE
                || plain instanceof Boolean && wanted == SimpleType.BOOL
                || plain instanceof Instant && wanted == SimpleType.TIMESTAMP
                || plain instanceof List && wanted instanceof ListType
                || plain instanceof String && wanted == SimpleType.STRING;
        return fits ? plain : plain == null ? null : wanted == SimpleType.STRING ? value.shown() : null;
    }

    // Words

    private static int offset(String text, CelIssue issue) {
        int line = issue.getSourceLocation().getLine();
        int at = 0;
        for (int i = 1; i < line && at >= 0; i++) {
            at = text.indexOf('\n', at) + 1;
        }
        return at + Math.max(0, issue.getSourceLocation().getColumn());
    }

    private static String plainType(String type) {
        return switch (type) {
            case "double", "int" -> "number";
            case "string" -> "text";
            case "timestamp", "google.protobuf.Timestamp" -> "date";
            case "list" -> "list";
            default -> type;
        };
    }

    /** CEL's messages in the words of this application. */
    private static String words(String message) {
        if (message.startsWith("undeclared reference to '")) {
            String name = message.substring(25, message.indexOf('\'', 25));
            return "There is no variable or function " + name + ".";
        }
        if (message.startsWith("found no matching overload")) {
            return "These do not go together: "
                    + message.replaceFirst("found no matching overload for ", "")
                            .replace("'_", "'")
                            .replace("_'", "'")
                            .replace("double", "number")
                            .replace("string", "text")
                    + ".";
        }
        if (message.contains("No such attribute")
                || message.contains("no such attribute")
                || message.contains("Error resolving field")) {
            return "a variable in it has no value yet";
        }
        if (message.startsWith("mismatched input")
                || message.startsWith("extraneous input")
                || message.startsWith("no viable")
                || message.contains("token recognition")
                || message.startsWith("missing ")) {
            return "Something is missing or too much here.";
        }
        return message.replaceFirst("^evaluation error(?: at .*?)?: ", "");
    }
}
