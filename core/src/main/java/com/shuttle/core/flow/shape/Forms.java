package com.shuttle.core.flow.shape;

import com.shuttle.core.flow.shape.Form.Control;
import com.shuttle.core.flow.shape.Form.Role;
import com.shuttle.core.flow.shape.Form.Value;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.Set;
import java.util.StringJoiner;
import java.util.function.Function;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/**
 * The forms of values. What is typed has been cleaned before; what does not fit is refused with a sentence for who typed it,
 * and nothing is cut. Immutable.
 */
public final class Forms {

    public static final int LONGEST_TEXT = 8000;
    public static final int LONGEST_LINE = 200;
    private static final int LONGEST_ADDRESS = 2000;
    private static final int LONGEST_EXPRESSION = 2000;
    private static final int MOST_WORDS = 100;
    private static final Set<String> WEEKDAYS =
            Set.of("monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday");
    private static final Pattern VARIABLE_NAME = Pattern.compile("([a-z][a-z0-9_]{0,63})?");
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
    private static final JsonMapper MAPPER = JsonMapper.shared();

    private static final Function<JsonNode, String> AS_IT_IS = node -> node.isNull() ? "" : node.asString("");
    private static final Function<JsonNode, String> LISTED = node -> {
        StringJoiner words = new StringJoiner(", ");
        node.forEach(word -> words.add(word.asString("")));
        return words.toString();
    };
    private static final Function<JsonNode, String> ZERO_IS_NONE = node -> node.asLong(0) == 0 ? "" : node.asString("");

    /** Text of several lines. */
    public static final Form TEXT = text(Role.PROSE, Control.TEXT, LONGEST_TEXT, Forms::lines, "#/$defs/text");

    /** Text of one line that people read. */
    public static final Form LINE = text(Role.PROSE, Control.LINE, LONGEST_LINE, Forms::line, "#/$defs/line");

    /** A name of the designer's own, which is found by nobody who looks for text. */
    public static final Form NAME = LINE.plain();

    public static final Form EXPRESSION = text(
            Role.EXPRESSION,
            Control.EXPRESSION,
            LONGEST_EXPRESSION,
            value -> shorterThan(value, LONGEST_EXPRESSION),
            "#/$defs/expression");

    public static final Form CONDITION = EXPRESSION.edited(Control.CONDITION);

    public static final Form VARIABLE = text(Role.VARIABLE, Control.VARIABLE, 64, Forms::variable, "#/$defs/variable");

    /** An address of this application or of the web, or a placeholder for one. */
    public static final Form ADDRESS =
            text(Role.PLAIN, Control.LINE, LONGEST_ADDRESS, Forms::address, "#/$defs/address");

    /** The same, with a button to upload a file. */
    public static final Form MEDIA = ADDRESS.edited(Control.MEDIA);

    public static final Form FLAG = new Form(
            Role.PLAIN,
            Control.FLAG,
            0,
            value -> JSON.booleanNode(Boolean.parseBoolean(value)),
            AS_IT_IS,
            schema("{'type':'boolean'}"),
            List.of(),
            "");

    /** Words that people read, separated by commas. */
    public static final Form WORDS = words(Role.PROSE, word -> true, "", "{'$ref':'#/$defs/words'}");

    /** Endings of files. */
    public static final Form ENDINGS = WORDS.plain();

    public static final Form WEEKDAY_LIST = words(
            Role.PLAIN,
            WEEKDAYS::contains,
            "Days of the week are written in full.",
            "{'type':'array','items':{'enum':"
                    + "['monday','tuesday','wednesday','thursday','friday','saturday','sunday']}}");

    /** A number or nothing. */
    public static final Form NUMBER = new Form(
            Role.PLAIN,
            Control.SHORT,
            0,
            value -> value.isBlank()
                    ? null
                    : JSON.numberNode(
                            new BigDecimal(fitting(value, "-?\\d{1,12}(\\.\\d{1,6})?", "This has to be a number."))),
            AS_IT_IS,
            schema("{'type':'number'}"),
            List.of(),
            "");

    /** First or last day or time. */
    public static final Form BOUND = fitted(
            "|today|[+-]\\d{1,5}|\\d{4}-\\d\\d-\\d\\d(T\\d\\d:\\d\\d)?|\\d\\d:\\d\\d",
            "A bound is today, +14 for days ahead, a date like 2026-12-24 or a time like 09:00.",
            "{'type':'string','pattern':'^($|today|[+-]\\\\d{1,5}|\\\\d{4}-\\\\d\\\\d-\\\\d\\\\d.*|\\\\d\\\\d:\\\\d\\\\d)$'}");

    /** Two letters of a country. */
    public static final Form REGION = new Form(
            Role.PLAIN,
            Control.SHORT,
            0,
            value -> JSON.stringNode(fitting(
                    value.strip().toUpperCase(Locale.ROOT), "([A-Z]{2})?", "A country has two letters, like GB.")),
            AS_IT_IS,
            schema("{'type':'string','pattern':'^([A-Z]{2})?$'}"),
            List.of(),
            "");

    /** How often something is tried, 1 to 9. */
    public static final Form TRIES = count(1, 9, "Tries are a number from 1 to 9.")
            .selecting(java.util.stream.IntStream.rangeClosed(1, 9)
                    .mapToObj(Integer::toString)
                    .map(n -> new Value(n, n))
                    .toList());

    private Forms() {}

    /** A span of time in seconds, 1 to a year. */
    public static Form span() {
        return spans(1);
    }

    /** The same, or nothing. */
    public static Form spanOrNone() {
        return spans(0);
    }

    private static Form spans(int least) {
        return new Form(
                Role.PLAIN,
                Control.SHORT,
                0,
                value -> least == 0 && value.isBlank() ? null : JSON.numberNode(seconds(value)),
                node -> least == 0 && node.asLong(0) == 0 ? "" : Spans.of(node.asLong(0)),
                schema("{'type':'integer','minimum':" + least + ",'maximum':" + Spans.LONGEST + "}"),
                List.of(),
                "");
    }

    private static long seconds(String value) {
        OptionalLong seconds = Spans.seconds(value);
        if (seconds.isEmpty()) {
            throw new Refusal("A time is written like 30s, 10m, 2h or 3d.");
        }
        if (seconds.getAsLong() < 1 || seconds.getAsLong() > Spans.LONGEST) {
            throw new Refusal("A time is at least a second and at most a year.");
        }
        return seconds.getAsLong();
    }

    /** A whole number between bounds. */
    public static Form count(int least, int most, String problem) {
        return new Form(
                Role.PLAIN,
                Control.SHORT,
                0,
                value -> counted(value, least, most, problem),
                AS_IT_IS,
                schema("{'type':'integer','minimum':" + least + ",'maximum':" + most + "}"),
                List.of(),
                "");
    }

    /** The same or nothing; nought stands for nothing. */
    public static Form countOrNone(int least, int most, String problem) {
        Form count = count(least, most, problem);
        return new Form(
                count.role(),
                count.control(),
                0,
                value -> value.isBlank() ? null : counted(value, least, most, problem),
                ZERO_IS_NONE,
                count.schema(),
                List.of(),
                "");
    }

    private static JsonNode counted(String value, int least, int most, String problem) {
        int number = Integer.parseInt(fitting(value, "\\d{1,6}", problem));
        if (number < least || number > most) {
            throw new Refusal(problem);
        }
        return JSON.numberNode(number);
    }

    /** One of these. @param problem what to say of any other */
    public static Form oneOf(List<Value> values, String problem) {
        List<String> known = values.stream().map(Value::value).toList();
        return new Form(
                Role.PLAIN,
                Control.SELECT,
                0,
                value -> {
                    if (!known.contains(value.strip())) {
                        throw new Refusal(problem);
                    }
                    return JSON.stringNode(value.strip());
                },
                AS_IT_IS,
                JSON.objectNode().set("enum", MAPPER.valueToTree(known)),
                values,
                "");
    }

    /** Yes or no as two words to select. */
    public static Form either(String no, String yes) {
        return FLAG.selecting(List.of(new Value("false", no), new Value("true", yes)));
    }

    /** Any of these, of which at most one can be selected by hand; nothing for all. */
    public static Form someOf(List<Value> values, String problem) {
        List<String> known =
                values.stream().map(Value::value).filter(v -> !v.isEmpty()).toList();
        JsonNode items = JSON.objectNode().set("enum", MAPPER.valueToTree(known));
        return words(Role.PLAIN, known::contains, problem, "{'type':'array'}")
                .withSchema(JSON.objectNode().put("type", "array").set("items", items))
                .selecting(values);
    }

    /** The id of a thing outside the flow, such as {@code team}, or nothing. */
    public static Form reference(String what) {
        return LINE.plain().withSchema(schema("{'type':'string'}")).refersTo(what);
    }

    /** Ids of such things. */
    public static Form references(String what) {
        return WORDS.withSchema(schema("{'type':'array','items':{'type':'string'}}"))
                .plain()
                .refersTo(what)
                .edited(Control.SOME);
    }

    /** A JSON Schema with single quotes for double ones. */
    public static JsonNode schema(String json) {
        return MAPPER.readTree(json.replace('\'', '"'));
    }

    // Typed

    private static Form text(Role role, Control control, int longest, Function<String, String> fit, String schema) {
        return new Form(
                role,
                control,
                longest,
                value -> JSON.stringNode(fit.apply(value)),
                AS_IT_IS,
                JSON.objectNode().put("$ref", schema),
                List.of(),
                "");
    }

    private static Form fitted(String pattern, String problem, String schema) {
        return new Form(
                Role.PLAIN,
                Control.SHORT,
                0,
                value -> JSON.stringNode(fitting(value, pattern, problem)),
                AS_IT_IS,
                schema(schema),
                List.of(),
                "");
    }

    private static Form words(Role role, java.util.function.Predicate<String> known, String problem, String schema) {
        return new Form(
                role,
                Control.LINE,
                LONGEST_LINE,
                value -> {
                    ArrayNode words = JSON.arrayNode();
                    Arrays.stream(value.split(","))
                            .map(Forms::line)
                            .map(word -> problem.isEmpty() ? word : word.toLowerCase(Locale.ROOT))
                            .filter(word -> !word.isEmpty())
                            .limit(MOST_WORDS)
                            .forEach(words::add);
                    for (JsonNode word : words) {
                        if (!known.test(word.asString())) {
                            throw new Refusal(problem);
                        }
                    }
                    return words;
                },
                LISTED,
                schema(schema),
                List.of(),
                "");
    }

    private static String fitting(String value, String pattern, String problem) {
        if (!value.strip().matches(pattern)) {
            throw new Refusal(problem);
        }
        return value.strip();
    }

    private static String lines(String value) {
        if (value.length() > LONGEST_TEXT) {
            throw new Refusal(
                    "A text can be " + LONGEST_TEXT + " characters long at most; this one has " + value.length() + ".");
        }
        return value;
    }

    /** A line of at most {@link #LONGEST_LINE} characters, white space made single. */
    public static String line(String value) {
        return shorterThan(value.strip(), LONGEST_LINE).replaceAll("\\s+", " ");
    }

    private static String variable(String value) {
        String name = value.strip().toLowerCase(Locale.ROOT).replaceAll("[\\s-]+", "_");
        if (!VARIABLE_NAME.matcher(name).matches()) {
            throw new Refusal("A variable's name begins with a letter and has only letters, digits and _ in it.");
        }
        return name;
    }

    private static String address(String value) {
        String bare = shorterThan(value, LONGEST_ADDRESS).replaceAll("\\s", "");
        boolean fit = bare.isEmpty()
                || bare.startsWith("https://")
                || bare.startsWith("http://")
                || bare.startsWith("/") && !bare.startsWith("//")
                || bare.startsWith("{{");
        if (!fit) {
            throw new Refusal("An address begins with https:// or with / for a file of this application.");
        }
        return bare;
    }

    private static String shorterThan(String value, int longest) {
        if (value.length() > longest) {
            throw new Refusal("This can be " + longest + " characters long at most; it has " + value.length() + ".");
        }
        return value;
    }
}
