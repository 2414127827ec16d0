package com.shuttle.core.table;

import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table.Row;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A question about a table as it was understood.
 *
 * @param named  rows that were named; all rows where there are none
 * @param where  what the rows must fulfil
 * @param count  whether their number is asked
 * @param wanted columns that were asked for
 */
public record Query(
        Table table, List<Row> named, Condition where, Optional<Order> order, boolean count, List<Column> wanted) {

    /**
     * @param descending greatest first
     * @param most       how many rows are asked, with those that are equal to the last; 0 for all
     */
    public record Order(Column column, boolean descending, int most) {}

    /** The rows asked for, in order. */
    public List<Row> rows() {
        List<Row> holding = (named.isEmpty() ? table.rows() : named)
                .stream().filter(where::holds).toList();
        return order.map(by -> ordered(holding, by)).orElse(holding);
    }

    private static List<Row> ordered(List<Row> rows, Order by) {
        Column column = by.column();
        Comparator<Row> ascending = (a, b) -> Cell.compare(column.kind(), a.at(column), b.at(column));
        List<Row> sorted = rows.stream()
                .filter(row -> !row.at(column).isEmpty())
                .sorted(by.descending() ? ascending.reversed() : ascending)
                .toList();
        if (by.most() == 0 || sorted.size() <= by.most()) {
            return sorted;
        }
        Row last = sorted.get(by.most() - 1);
        return sorted.stream()
                .limit(sorted.indexOf(last)
                        + sorted.stream()
                                .skip(sorted.indexOf(last))
                                .takeWhile(row -> ascending.compare(row, last) == 0)
                                .count())
                .toList();
    }

    /** What was understood, without what came of it: "Telescopes lighter than 5 kg, cheapest first". */
    public String words() {
        StringBuilder words = new StringBuilder();
        order.filter(by -> by.most() > 0).ifPresent(by -> words.append(by.most() == 1 ? "" : by.most() + " "));
        words.append(table.name());
        String conditions = where.words();
        if (!conditions.isEmpty()) {
            words.append(conditions.matches("(lighter|heavier|cheaper|dearer|earlier|later|not) .*") ? " " : " with ")
                    .append(conditions);
        }
        order.ifPresent(by -> words.append(", ").append(firstOf(by)).append(by.most() == 1 ? "" : " first"));
        return words.toString();
    }

    private static String firstOf(Order by) {
        Column column = by.column();
        if (column.kind().words() || column.kind() == Kind.YES_NO) {
            return "by " + column.inSentence() + ",";
        }
        return Adjectives.of(column)
                .map(pair -> (by.descending() ? pair.more() : pair.less()).replaceFirst("r$", "st"))
                .orElse((by.descending() ? "highest " : "lowest ") + column.inSentence());
    }
}
