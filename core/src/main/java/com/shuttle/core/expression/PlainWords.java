package com.shuttle.core.expression;

import com.shuttle.core.expression.Rules.Comparison;
import com.shuttle.core.expression.Rules.Row;
import com.shuttle.core.flow.ValueType;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Conditions in plain words: "guests between 6 and 20", "page contains /schools and team Events is open". Clauses are
 * joined by <i>and</i> or by <i>or</i>, not both; each is a variable's name, a comparison and a value.
 */
public final class PlainWords {

    /** What came of reading. */
    public sealed interface Result {
        record Read(Rules rules) implements Result {}

        /** @param at index in the words */
        record Unread(String why, int at) implements Result {}
    }

    private record Phrase(Pattern words, Comparison comparison) {}

    /** Longer words are refused. */
    public static final int LONGEST = 500;

    private static final List<Phrase> PHRASES = List.of(
            phrase("is (?:not|un) ?known|is unknown|is empty|is not set|has no value|is missing", Comparison.UNKNOWN),
            phrase("is known|is set|has a value|is not empty|is given", Comparison.KNOWN),
            phrase("is one of|is any of|is either", Comparison.ONE_OF),
            phrase(
                    "(?:is )?(?:at least|no less than|not less than|not under|on or after|from)|>=|≥",
                    Comparison.AT_LEAST),
            phrase(
                    "(?:is )?(?:at most|no more than|not more than|up to|not over|on or before)|<=|≤",
                    Comparison.AT_MOST),
            phrase(
                    "(?:is )?(?:more than|greater than|over|above|bigger than|after|later than|older than)|>",
                    Comparison.MORE),
            phrase(
                    "(?:is )?(?:less than|fewer than|smaller than|under|below|before|earlier than|younger than)|<",
                    Comparison.LESS),
            phrase("does not (?:contain|include)|doesn't (?:contain|include)", Comparison.CONTAINS_NOT),
            phrase("contains|includes|contain|include|has", Comparison.CONTAINS),
            phrase("starts with|begins with", Comparison.BEGINS),
            phrase("is yes|is true", Comparison.YES),
            phrase("is no(?![a-z])|is false", Comparison.NO),
            phrase("is not|isn't|are not|aren't|!=|≠", Comparison.IS_NOT),
            phrase("is|are|equals|==|=", Comparison.IS));
    private static final Pattern TEAM = Pattern.compile(
            "(?:the )?team (.+?) is (open|closed|not open|there|in|away)|(?:the )?(.+?) team is (open|closed|not open|there|in|away)",
            Pattern.CASE_INSENSITIVE);
    private static final String FREE_OR_NOT =
            "(?:is|are|has|have) (free|available|an? free times?|free times?|not free|not available|no free times?|booked up|fully booked)";
    private static final Pattern APPOINTMENT =
            Pattern.compile("(?:an? |the )?(?:appointments? )?(.+?) " + FREE_OR_NOT, Pattern.CASE_INSENSITIVE);
    private static final Pattern BETWEEN =
            Pattern.compile("(?:is |are )?(?:between|from) (\\S+) (?:and|to) (\\S+)", Pattern.CASE_INSENSITIVE);
    private static final Pattern JOIN = Pattern.compile("\\s+(and|or)\\s+", Pattern.CASE_INSENSITIVE);

    private PlainWords() {}

    private static Phrase phrase(String words, Comparison comparison) {
        return new Phrase(Pattern.compile("(?:" + words + ")(?:\\s+|$)", Pattern.CASE_INSENSITIVE), comparison);
    }

    /**
     * What conditions may name beside variables.
     *
     * @param teams names of the teams there are
     * @param kinds names of the kinds of appointment there are
     */
    public record Names(Collection<String> teams, Collection<String> kinds) {
        boolean anyIn(String words) {
            String low = words.toLowerCase(Locale.ROOT);
            return Stream.concat(teams.stream(), kinds.stream())
                    .anyMatch(name -> low.contains(name.toLowerCase(Locale.ROOT)));
        }
    }

    /** Reads a condition. @param types of every variable, the system ones too */
    public static Result read(String words, Map<String, ValueType> types, Names names) {
        if (words.length() > LONGEST) {
            return new Result.Unread("Please keep it below %d characters.".formatted(LONGEST), LONGEST);
        }
        List<Row> rows = new ArrayList<>();
        String join = "";
        int at = 0;
        String last = "";
        while (at < words.length()) {
            int end = clauseEnd(words, at, types, names);
            String clause = words.substring(at, end).strip();
            Result.@Nullable Unread problem = clause(clause, at, types, names, rows, last);
            if (problem != null) {
                return problem;
            }
            last = rows.isEmpty() ? "" : rows.getLast().variable();
            Matcher next = JOIN.matcher(words).region(end, words.length());
            if (!next.lookingAt()) {
                break;
            }
            String joined = next.group(1).toLowerCase(Locale.ROOT);
            if (!join.isEmpty() && !join.equals(joined)) {
                return new Result.Unread("Use either “and” or “or” in one rule, not both.", end);
            }
            join = joined;
            at = next.end();
        }
        if (rows.isEmpty()) {
            return new Result.Unread("Write a variable, a comparison and a value, like “guests more than 20”.", 0);
        }
        return new Result.Read(new Rules(!join.equals("or"), rows));
    }

    /** Where a clause ends: before the next "and" or "or" that begins one; the "and" of "between" does not. */
    private static int clauseEnd(String words, int from, Map<String, ValueType> types, Names names) {
        Matcher join = JOIN.matcher(words);
        int at = from;
        while (join.find(at)) {
            String rest = words.substring(join.end());
            boolean begins = variable(rest, types) != null
                    || (TEAM.matcher(rest).lookingAt()
                                    || APPOINTMENT.matcher(rest).lookingAt())
                            && names.anyIn(rest)
                    || PHRASES.stream()
                            .anyMatch(phrase -> phrase.words().matcher(rest).lookingAt());
            if (begins) {
                return join.start();
            }
            at = join.end();
        }
        return words.length();
    }

    private static Result.@Nullable Unread clause(
            String clause, int at, Map<String, ValueType> types, Names names, List<Row> rows, String before) {
        Matcher team = TEAM.matcher(clause);
        if (team.matches()) {
            String name = team.group(1) != null ? team.group(1) : team.group(3);
            String state = team.group(2) != null ? team.group(2) : team.group(4);
            Optional<String> known = known(names.teams(), name);
            if (known.isEmpty()) {
                return new Result.Unread("There is no team “" + name.strip() + "”.", at);
            }
            boolean open = state.matches("(?i)open|there|in");
            rows.add(new Row(known.get(), open ? Comparison.OPEN : Comparison.CLOSED, ""));
            return null;
        }
        Matcher appointment = APPOINTMENT.matcher(clause);
        if (appointment.matches() && known(names.kinds(), appointment.group(1)).isPresent()) {
            boolean not = appointment.group(2).matches("(?i)n.*|booked up|fully booked");
            rows.add(new Row(
                    known(names.kinds(), appointment.group(1)).get(), not ? Comparison.NOT_FREE : Comparison.FREE, ""));
            return null;
        }
        String named = variable(clause, types);
        String variable = named == null ? before : canonical(named);
        if (variable.isEmpty()) {
            return new Result.Unread("I don't know the variable this begins with.", at);
        }
        String rest = named == null ? clause : clause.substring(named.length()).strip();
        if (rest.isEmpty() && types.get(variable) == ValueType.YES_NO) {
            rows.add(new Row(variable, Comparison.YES, ""));
            return null;
        }
        Matcher between = BETWEEN.matcher(rest);
        if (between.matches()) {
            rows.add(new Row(variable, Comparison.AT_LEAST, value(between.group(1), types.get(variable))));
            rows.add(new Row(variable, Comparison.AT_MOST, value(between.group(2), types.get(variable))));
            return null;
        }
        for (Phrase phrase : PHRASES) {
            Matcher matcher = phrase.words().matcher(rest);
            if (matcher.lookingAt()) {
                String value = rest.substring(matcher.end()).strip();
                if (phrase.comparison().takesValue() && value.isEmpty()) {
                    return new Result.Unread("A value is missing here.", at + clause.length());
                }
                String plain = phrase.comparison() == Comparison.ONE_OF
                        ? value.replaceAll("\\s*,?\\s+or\\s+", ", ")
                        : value(value, types.get(variable));
                rows.add(new Row(
                        variable, phrase.comparison(), phrase.comparison().takesValue() ? plain : ""));
                return null;
            }
        }
        return new Result.Unread(
                "I don't know the comparison after “" + variable.replace('_', ' ') + "”.",
                at + (named == null ? 0 : named.length()));
    }

    private static Optional<String> known(Collection<String> names, String name) {
        return names.stream().filter(one -> one.equalsIgnoreCase(name.strip())).findFirst();
    }

    /** The variable's name that words begin with, as written; the longest; null for none. */
    private static @Nullable String variable(String words, Map<String, ValueType> types) {
        String best = null;
        for (String name : types.keySet()) {
            for (String form : List.of(name, name.replace('_', ' '))) {
                boolean begins = words.regionMatches(true, 0, form, 0, form.length())
                        && (words.length() == form.length()
                                || !Character.isLetterOrDigit(words.charAt(form.length()))
                                        && words.charAt(form.length()) != '_');
                if (begins && (best == null || form.length() > best.length())) {
                    best = words.substring(0, form.length());
                }
            }
        }
        return best;
    }

    private static String canonical(String named) {
        return named.toLowerCase(Locale.ROOT).replace(' ', '_');
    }

    private static String value(String typed, @Nullable ValueType type) {
        String bare = typed.strip().replaceAll("^[\"'“”‘’]|[\"'“”‘’]$", "");
        boolean number = type != null && (type.numeric() || type == ValueType.MONEY);
        return number ? bare.replaceAll("[£€$,]", "").replaceAll("(?i)^(\\d+(?:\\.\\d+)?)k$", "$1000") : bare;
    }

    /** An expression in plain words; empty where it says more than rows can. */
    public static Optional<String> of(String expression) {
        return Rules.read(expression).map(rules -> {
            List<String> clauses = new ArrayList<>();
            List<Row> rows = rules.rows();
            for (int i = 0; i < rows.size(); i++) {
                Row row = rows.get(i);
                boolean between = rules.all()
                        && row.comparison() == Comparison.AT_LEAST
                        && i + 1 < rows.size()
                        && rows.get(i + 1).comparison() == Comparison.AT_MOST
                        && rows.get(i + 1).variable().equals(row.variable());
                if (between) {
                    clauses.add(spoken(row) + " between " + row.value() + " and "
                            + rows.get(i + 1).value());
                    i++;
                } else {
                    clauses.add(words(row));
                }
            }
            return String.join(rules.all() ? " and " : " or ", clauses);
        });
    }

    private static String words(Row row) {
        String value =
                row.comparison() == Comparison.ONE_OF ? row.value().replaceFirst(", (?=[^,]*$)", " or ") : row.value();
        return switch (row.comparison()) {
            case OPEN, CLOSED ->
                "team " + row.variable() + " " + row.comparison().words();
            case FREE, NOT_FREE ->
                "appointment " + row.variable() + " " + row.comparison().words();
            default ->
                spoken(row) + " " + row.comparison().words() + (row.comparison().takesValue() ? " " + value : "");
        };
    }

    private static String spoken(Row row) {
        return row.variable().replace('_', ' ');
    }
}
