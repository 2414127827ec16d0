package com.shuttle.core.table;

import com.shuttle.core.table.Column.Bound;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Condition.Op;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/** The figures of a question, with their units, and what they are compared with. */
final class Figures {

    /** How far "about" reaches to either side. */
    private static final BigDecimal A_TENTH = new BigDecimal("0.1");

    private static final Set<String> PARTIES = Set.of("group", "party", "class", "team", "family");

    private final Table table;
    private final List<String> raw;
    private final List<String> words;

    /**
     * @param raw   the words as typed, in lower case
     * @param words the same in the singular
     */
    Figures(Table table, List<String> raw, List<String> words) {
        this.table = table;
        this.raw = raw;
        this.words = words;
    }

    /** @param words how many words it takes */
    record Figure(BigDecimal figure, Optional<Units.Unit> unit, int words) {}

    /** The figure that begins at a place, in digits or in letters; its unit stands before it as a sign, or behind it. */
    Optional<Figure> at(int place) {
        String word = raw.get(place);
        boolean sign = word.matches("[£$€]") && place + 1 < raw.size();
        String digits = sign ? raw.get(place + 1) : word;
        Optional<BigDecimal> figure = Character.isDigit(digits.charAt(0)) && digits.length() < 20
                ? Optional.of(new BigDecimal(digits.replace(",", "")))
                : sign ? Optional.empty() : Lexicon.number(digits);
        if (figure.isEmpty()) {
            return Optional.empty();
        }
        if (sign) {
            return Optional.of(new Figure(figure.get(), Units.listed(word), 2));
        }
        Optional<Units.Unit> unit = place + 1 < words.size() ? unit(place + 1) : Optional.empty();
        return Optional.of(new Figure(figure.get(), unit, unit.isPresent() ? 2 : 1));
    }

    /** A listed unit, or one that a column of the table has. */
    private Optional<Units.Unit> unit(int place) {
        return Units.listed(raw.get(place))
                .or(() -> Units.listed(words.get(place)))
                .or(() -> table.columns().stream()
                        .flatMap(column -> Units.of(column).stream())
                        .filter(own -> own.measures().equals(words.get(place)))
                        .findFirst());
    }

    /**
     * What came of a figure.
     *
     * @param column what it is compared with; empty where nothing fits
     * @param words  how many words it takes
     */
    record Compared(Optional<Column> column, Condition condition, int words) {}

    /** The condition a figure makes with what was said before it. */
    Compared compared(Figure first, int place, Waiting waiting, ColumnChoice columns) {
        int next = place + first.words();
        // "4 to 6 kg": the unit stands behind the second figure.
        boolean range = next + 1 < words.size()
                && (words.get(next).equals("to")
                        || waiting.between && words.get(next).equals("and"));
        Optional<Figure> second = range ? at(next + 1) : Optional.empty();
        Optional<Units.Unit> unit = first.unit().or(() -> second.flatMap(Figure::unit));
        int after = second.map(figure -> next + 1 + figure.words()).orElse(next);
        // "Tickets for two" asks what they cost, and for none that cost two pounds.
        boolean priced = waiting.column != null && waiting.column.kind() == Kind.MONEY;
        boolean party = unit.isEmpty() && waiting.op == null && (waiting.column == null || priced) && ofParty(place);
        Optional<Column> column = (party ? columns.first(of -> of.bound() == Bound.UP_TO) : Optional.<Column>empty())
                .or(() -> party && priced ? Optional.empty() : column(unit, after, waiting, columns));
        Condition condition = column.<Condition>map(of -> {
                    BigDecimal figure = own(first.figure(), unit, of);
                    if (second.isPresent()) {
                        return new Condition.Between(
                                of, figure, own(second.get().figure(), unit, of));
                    }
                    if (waiting.about) {
                        BigDecimal margin = figure.abs().multiply(A_TENTH);
                        return new Condition.Between(of, figure.subtract(margin), figure.add(margin));
                    }
                    return new Condition.Figure(of, waiting.op == null ? usualOp(of) : waiting.op, figure);
                })
                .orElseGet(() -> new Condition.All(List.of()));
        return new Compared(column, condition, after - place);
    }

    /** "For 30", "a class of 30": how many they are. */
    private boolean ofParty(int place) {
        String before = place > 0 ? words.get(place - 1) : "";
        return before.equals("for") || before.equals("of") && place > 1 && PARTIES.contains(words.get(place - 2));
    }

    private static BigDecimal own(BigDecimal figure, Optional<Units.Unit> unit, Column column) {
        Optional<Units.Unit> own = Units.of(column);
        return unit.isPresent() && own.isPresent() ? Units.convert(figure, unit.get(), own.get()) : figure;
    }

    /** With money, a bare amount is what somebody can spend. */
    private static Op usualOp(Column column) {
        return switch (column.bound()) {
            case UP_TO -> Op.AT_LEAST;
            case FROM -> Op.AT_MOST;
            case EXACT -> column.kind() == Kind.MONEY ? Op.AT_MOST : Op.EQUAL;
        };
    }

    /** The column a figure is compared with, by what was said before it, behind it, or by its unit. */
    private static Optional<Column> column(
            Optional<Units.Unit> unit, int after, Waiting waiting, ColumnChoice columns) {
        Predicate<Column> fits = of -> of.kind().figures()
                && (unit.isEmpty()
                        || Units.of(of)
                                .filter(own -> own.measures().equals(unit.get().measures()))
                                .isPresent());
        return Optional.ofNullable(waiting.column)
                .filter(fits)
                .or(() -> columns.namedAt(after).filter(fits))
                .or(() -> waiting.compared(columns).filter(fits))
                .or(() -> unit.flatMap(columns::measuring))
                .or(() -> unit.isEmpty() ? columns.ofBareFigures() : Optional.empty());
    }
}
