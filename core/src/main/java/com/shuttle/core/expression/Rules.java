package com.shuttle.core.expression;

import com.shuttle.core.flow.ValueType;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A condition as rows of <i>variable, comparison, value</i> that must all hold, or of which one must. Reads and writes
 * the same text as {@link Expressions}: {@code Rules.read(rules.text())} gives equal rules.
 *
 * @param all  whether all rows must hold; otherwise any
 * @param rows at least one
 */
public record Rules(boolean all, List<Row> rows) {

    /** How a variable is compared. */
    public enum Comparison {
        IS("is"),
        IS_NOT("is not"),
        AT_LEAST("is at least"),
        AT_MOST("is at most"),
        MORE("is more than"),
        LESS("is less than"),
        CONTAINS("contains"),
        CONTAINS_NOT("does not contain"),
        BEGINS("starts with"),
        ONE_OF("is one of"),
        YES("is yes"),
        NO("is no"),
        KNOWN("is known"),
        UNKNOWN("is not known"),
        OPEN("is open"),
        CLOSED("is closed"),
        FREE("has a free time"),
        NOT_FREE("has no free time");

        private final String words;

        Comparison(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Whether it needs a value beside it. */
        public boolean takesValue() {
            return ordinal() <= ONE_OF.ordinal();
        }
    }

    /**
     * One comparison.
     *
     * @param variable its name; for OPEN and CLOSED the name of a team, for FREE and NOT_FREE of a kind of appointment
     * @param value    as typed, without quotes; several for ONE_OF, separated by commas
     */
    public record Row(String variable, Comparison comparison, String value) {}

    public Rules {
        rows = List.copyOf(rows);
    }

    private static final String NAME = "([a-z][a-z0-9_]*)";
    private static final String TEXT = "(\"(?:[^\"\\\\]|\\\\.)*+\")";
    private static final String LITERAL =
            "(\"(?:[^\"\\\\]|\\\\.)*+\"|-?\\d+(?:\\.\\d+)?|true|false|date\\(\"[^\"]*\"\\))";
    private static final Pattern COMPARED = Pattern.compile(NAME + "\\s*(==|!=|>=|<=|>|<)\\s*" + LITERAL);
    private static final Pattern CALLED = Pattern.compile("(!?)" + NAME + "\\.(contains|startsWith)\\(" + TEXT + "\\)");
    private static final Pattern IN_VARIABLE = Pattern.compile("(!?)\\(?" + TEXT + " in " + NAME + "\\)?");
    private static final Pattern IN_LIST = Pattern.compile(NAME + " in \\[([^\\]]*)\\]");
    private static final Pattern FUNCTION =
            Pattern.compile("(!?)(known|open|free)\\(\\s*(?:" + NAME + "|" + TEXT + ")\\s*\\)");
    private static final Pattern BARE = Pattern.compile("(!?)" + NAME);

    /** The rows of an expression; empty where it says more than rows can. */
    public static Optional<Rules> read(String text) {
        if (text.length() > Expressions.LONGEST) {
            return Optional.empty();
        }
        Optional<List<String>> and = split(text, "&&");
        Optional<List<String>> or = split(text, "||");
        if (and.isEmpty() || or.isEmpty() || and.get().size() > 1 && or.get().size() > 1) {
            return Optional.empty();
        }
        boolean all = or.get().size() == 1;
        List<Row> rows = new ArrayList<>();
        for (String part : all ? and.get() : or.get()) {
            Optional<Row> row = row(part.strip());
            if (row.isEmpty()) {
                return Optional.empty();
            }
            rows.add(row.get());
        }
        return Optional.of(new Rules(all, rows));
    }

    /** The expression that says the same. */
    public String text(Map<String, ValueType> types) {
        List<String> parts = rows.stream().map(row -> text(row, types)).toList();
        return String.join(all ? " && " : " || ", parts);
    }

    private static String text(Row row, Map<String, ValueType> types) {
        String name = row.variable();
        ValueType type = types.getOrDefault(name, ValueType.TEXT);
        return switch (row.comparison()) {
            case IS -> name + " == " + literal(row.value(), type);
            case IS_NOT -> name + " != " + literal(row.value(), type);
            case AT_LEAST -> name + " >= " + literal(row.value(), type);
            case AT_MOST -> name + " <= " + literal(row.value(), type);
            case MORE -> name + " > " + literal(row.value(), type);
            case LESS -> name + " < " + literal(row.value(), type);
            case CONTAINS ->
                type == ValueType.MULTI_CHOICE
                        ? quoted(row.value()) + " in " + name
                        : name + ".contains(" + quoted(row.value()) + ")";
            case CONTAINS_NOT ->
                type == ValueType.MULTI_CHOICE
                        ? "!(" + quoted(row.value()) + " in " + name + ")"
                        : "!" + name + ".contains(" + quoted(row.value()) + ")";
            case BEGINS -> name + ".startsWith(" + quoted(row.value()) + ")";
            case ONE_OF -> name + " in [" + list(row.value(), type) + "]";
            case YES -> name;
            case NO -> "!" + name;
            case KNOWN -> "known(" + name + ")";
            case UNKNOWN -> "!known(" + name + ")";
            case OPEN -> "open(" + quoted(name) + ")";
            case CLOSED -> "!open(" + quoted(name) + ")";
            case FREE -> "free(" + quoted(name) + ")";
            case NOT_FREE -> "!free(" + quoted(name) + ")";
        };
    }

    private static String list(String values, ValueType type) {
        List<String> items = new ArrayList<>();
        for (String value : values.split(",")) {
            if (!value.isBlank()) {
                items.add(literal(value.strip(), type));
            }
        }
        return String.join(", ", items);
    }

    /** A value in the form that its variable's type is compared with. */
    static String literal(String value, ValueType type) {
        String bare = value.strip();
        if ((type.numeric() || type == ValueType.MONEY) && bare.matches("-?\\d+(?:\\.\\d+)?")) {
            return bare;
        }
        if ((type == ValueType.DATE || type == ValueType.DATE_TIME) && bare.matches("\\d{4}-\\d\\d-\\d\\d")) {
            return "date(\"" + bare + "\")";
        }
        if (type == ValueType.YES_NO && bare.matches("(?i)yes|no|true|false")) {
            return bare.matches("(?i)yes|true") ? "true" : "false";
        }
        return quoted(value);
    }

    private static String quoted(String value) {
        return "\"" + value.replace("\\", "\\\\").replace("\"", "\\\"") + "\"";
    }

    private static String bare(String literal) {
        if (literal.startsWith("date(")) {
            return literal.substring(6, literal.length() - 2);
        }
        if (!literal.startsWith("\"")) {
            return literal;
        }
        return literal.substring(1, literal.length() - 1).replace("\\\"", "\"").replace("\\\\", "\\");
    }

    private static Optional<Row> row(String part) {
        Matcher compared = COMPARED.matcher(part);
        if (compared.matches()) {
            Comparison comparison = switch (compared.group(2)) {
                case "==" -> Comparison.IS;
                case "!=" -> Comparison.IS_NOT;
                case ">=" -> Comparison.AT_LEAST;
                case "<=" -> Comparison.AT_MOST;
                case ">" -> Comparison.MORE;
                default -> Comparison.LESS;
            };
            return Optional.of(new Row(compared.group(1), comparison, bare(compared.group(3))));
        }
        Matcher called = CALLED.matcher(part);
        if (called.matches()) {
            boolean not = !called.group(1).isEmpty();
            boolean begins = called.group(3).equals("startsWith");
            return not && begins
                    ? Optional.empty()
                    : Optional.of(new Row(
                            called.group(2),
                            begins ? Comparison.BEGINS : not ? Comparison.CONTAINS_NOT : Comparison.CONTAINS,
                            bare(called.group(4))));
        }
        Matcher in = IN_VARIABLE.matcher(part);
        if (in.matches()) {
            return Optional.of(new Row(
                    in.group(3),
                    in.group(1).isEmpty() ? Comparison.CONTAINS : Comparison.CONTAINS_NOT,
                    bare(in.group(2))));
        }
        Matcher list = IN_LIST.matcher(part);
        if (list.matches()) {
            List<String> items = new ArrayList<>();
            Matcher item = Pattern.compile(LITERAL).matcher(list.group(2));
            while (item.find()) {
                items.add(bare(item.group()));
            }
            return Optional.of(new Row(list.group(1), Comparison.ONE_OF, String.join(", ", items)));
        }
        Matcher function = FUNCTION.matcher(part);
        if (function.matches()) {
            boolean not = !function.group(1).isEmpty();
            boolean known = function.group(2).equals("known");
            if (known && function.group(3) != null) {
                return Optional.of(new Row(function.group(3), not ? Comparison.UNKNOWN : Comparison.KNOWN, ""));
            }
            if (known || function.group(4) == null) {
                return Optional.empty();
            }
            Comparison yes = function.group(2).equals("open") ? Comparison.OPEN : Comparison.FREE;
            Comparison no = yes == Comparison.OPEN ? Comparison.CLOSED : Comparison.NOT_FREE;
            return Optional.of(new Row(bare(function.group(4)), not ? no : yes, ""));
        }
        Matcher alone = BARE.matcher(part);
        return alone.matches() && !part.matches("true|false")
                ? Optional.of(new Row(alone.group(2), alone.group(1).isEmpty() ? Comparison.YES : Comparison.NO, ""))
                : Optional.empty();
    }

    /** Splits at an operator outside of quotes and brackets; empty where brackets do not close. */
    private static Optional<List<String>> split(String text, String operator) {
        List<String> parts = new ArrayList<>();
        int depth = 0;
        boolean quoted = false;
        int from = 0;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (quoted) {
                i += c == '\\' ? 1 : 0;
                quoted = c != '"';
            } else if (c == '"') {
                quoted = true;
            } else if (c == '(' || c == '[') {
                depth++;
            } else if (c == ')' || c == ']') {
                depth--;
            } else if (depth == 0 && text.startsWith(operator, i)) {
                parts.add(text.substring(from, i));
                from = i + operator.length();
                i++;
            }
        }
        parts.add(text.substring(from));
        return quoted || depth != 0 ? Optional.empty() : Optional.of(parts);
    }
}
