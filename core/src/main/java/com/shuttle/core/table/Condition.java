package com.shuttle.core.table;

import com.shuttle.core.reading.Places;
import com.shuttle.core.table.Table.Row;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Month;
import java.time.format.TextStyle;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** What a row must fulfil. An empty cell fulfils nothing but a negation. */
public sealed interface Condition {

    boolean holds(Row row);

    /** The condition as it follows the table's name: "lighter than 5 kg". */
    String words();

    /** How two figures compare. */
    enum Op {
        LESS("under"),
        AT_MOST("at most"),
        EQUAL(""),
        AT_LEAST("at least"),
        MORE("over");

        private final String words;

        Op(String words) {
            this.words = words;
        }

        boolean holds(int comparison) {
            return switch (this) {
                case LESS -> comparison < 0;
                case AT_MOST -> comparison <= 0;
                case EQUAL -> comparison == 0;
                case AT_LEAST -> comparison >= 0;
                case MORE -> comparison > 0;
            };
        }
    }

    /** A figure in the column's own unit. */
    record Figure(Column column, Op op, BigDecimal figure) implements Condition {
        @Override
        public boolean holds(Row row) {
            String cell = row.at(column);
            return !cell.isEmpty() && op.holds(new BigDecimal(cell).compareTo(figure));
        }

        @Override
        public String words() {
            String shown = Cell.shown(column, Cell.plain(figure));
            Optional<Adjectives.Pair> pair = Adjectives.of(column);
            if (pair.isPresent() && (op == Op.LESS || op == Op.MORE)) {
                return (op == Op.LESS ? pair.get().less() : pair.get().more()) + " than " + shown;
            }
            return column.inSentence() + (op == Op.EQUAL ? " " : " " + op.words + " ") + shown;
        }
    }

    /** From one figure to another, both included. */
    record Between(Column column, BigDecimal from, BigDecimal to) implements Condition {
        @Override
        public boolean holds(Row row) {
            String cell = row.at(column);
            return !cell.isEmpty()
                    && new BigDecimal(cell).compareTo(from) >= 0
                    && new BigDecimal(cell).compareTo(to) <= 0;
        }

        @Override
        public String words() {
            return column.inSentence() + " " + Cell.shown(column, Cell.plain(from)) + " to "
                    + Cell.shown(column, Cell.plain(to));
        }
    }

    record InMonth(Column column, Month month) implements Condition {
        @Override
        public boolean holds(Row row) {
            String cell = row.at(column);
            return !cell.isEmpty() && LocalDate.parse(cell).getMonth() == month;
        }

        @Override
        public String words() {
            return column.inSentence() + " in " + month.getDisplayName(TextStyle.FULL, Locale.UK);
        }
    }

    /** A text, or one of several values, has these words in a row, or is in the region of this name. */
    record Has(Column column, List<String> phrase, String written) implements Condition {
        @Override
        public boolean holds(Row row) {
            String cell = row.at(column);
            List<String> values = column.kind() == Column.Kind.LIST ? Cell.values(cell) : List.of(cell);
            return values.stream()
                    .anyMatch(value -> Collections.indexOfSubList(Phrase.of(value), phrase) >= 0
                            || Places.around(value).contains(written));
        }

        @Override
        public String words() {
            return column.inSentence() + " " + written;
        }
    }

    record Is(Column column, boolean yes) implements Condition {
        @Override
        public boolean holds(Row row) {
            return row.at(column).equals(yes ? "yes" : "no");
        }

        @Override
        public String words() {
            return column.inSentence() + (yes ? ": yes" : ": no");
        }
    }

    record Not(Condition condition) implements Condition {
        @Override
        public boolean holds(Row row) {
            return !condition.holds(row);
        }

        @Override
        public String words() {
            return "not " + condition.words();
        }
    }

    /** All of them; holds where there is none. */
    record All(List<Condition> conditions) implements Condition {
        @Override
        public boolean holds(Row row) {
            return conditions.stream().allMatch(condition -> condition.holds(row));
        }

        @Override
        public String words() {
            return joined(conditions, " and ");
        }
    }

    /** At least one of them. */
    record Any(List<Condition> conditions) implements Condition {
        @Override
        public boolean holds(Row row) {
            return conditions.stream().anyMatch(condition -> condition.holds(row));
        }

        @Override
        public String words() {
            return joined(conditions, " or ");
        }
    }

    private static String joined(List<Condition> conditions, String with) {
        return conditions.stream().map(Condition::words).collect(Collectors.joining(with));
    }
}
