package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Query;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.flow.LookUp;
import com.shuttle.core.flow.Media;
import com.shuttle.core.flow.Option;
import com.shuttle.core.reading.Value;
import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.RowsFound;
import com.shuttle.core.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** The options of a choice that are not typed in: drawn from a list variable or a table, as they are at this moment. */
public final class DrawnOptions {

    private static final String OFF = "no";

    /** Rows that are looked at for their different values. */
    private static final int MOST_LOOKED_AT = 500;

    private DrawnOptions() {}

    /** An option with what is kept where it is picked. */
    public record Drawn(Option option, String value) {}

    public static List<Drawn> of(Choice choice, TurnRun run) {
        return choice.table().isEmpty() ? listed(choice, run) : rows(choice, run);
    }

    private static List<Drawn> listed(Choice choice, TurnRun run) {
        List<Drawn> drawn = new ArrayList<>();
        if (run.facts.value(choice.from()) instanceof Value.Many(List<String> items)) {
            for (String item : items) {
                drawn.add(new Drawn(new Option("i" + (drawn.size() + 1), item, List.of()), item));
            }
        }
        return drawn;
    }

    private static List<Drawn> rows(Choice choice, TurnRun run) {
        List<Query.Rows.Filter> filters = new ArrayList<>(RowFilters.of(choice.where(), run));
        if (!choice.offered().isEmpty()) {
            filters.add(new Query.Rows.Filter(choice.offered(), Comparison.IS_NOT, OFF));
        }
        int most = choice.once() ? MOST_LOOKED_AT : LookUp.MOST;
        RowsFound found = run.ask(new Query.Rows(choice.table(), filters, choice.order(), false, most));
        if (found.columns().isEmpty()) {
            run.trace("nothing to offer", "the table is gone");
            return List.of();
        }
        if (!found.missing().isEmpty()) {
            run.trace(
                    "nothing to offer", "the table has no column " + String.join(", ", found.missing()) + " any more");
        }
        return choice.once() ? values(choice, found) : each(choice, found);
    }

    /** The different values of a column, in the order of the rows; of a column with several values, each of them. */
    private static List<Drawn> values(Choice choice, RowsFound found) {
        Column column = column(found, choice.label()).orElse(found.columns().getFirst());
        return found.rows().stream()
                .map(row -> Cell.shown(column, row.at(column)))
                .flatMap(cell -> column.kind() == Column.Kind.LIST ? Stream.of(cell.split(",")) : Stream.of(cell))
                .map(String::strip)
                .filter(value -> !value.isEmpty())
                .distinct()
                .limit(LookUp.MOST)
                .map(value -> new Drawn(new Option(id(value), value, List.of()), value))
                .toList();
    }

    /** A value is known again by itself, since the rows that have it may be others by then. */
    private static String id(String value) {
        return "v" + Integer.toHexString(value.toLowerCase(Locale.ROOT).hashCode());
    }

    private static List<Drawn> each(Choice choice, RowsFound found) {
        List<Drawn> drawn = new ArrayList<>();
        for (Table.Row row : found.rows()) {
            String label = choice.label().isEmpty()
                    ? Cell.shown(
                            found.columns().getFirst(), row.at(found.columns().getFirst()))
                    : at(found, row, choice.label());
            if (!label.isBlank()) {
                String picture = raw(found, row, choice.picture());
                Option option = new Option(
                        row.id(),
                        label,
                        List.of(),
                        at(found, row, choice.detail()),
                        "",
                        Media.isAddress(picture) ? picture : "",
                        "",
                        "");
                String kept = choice.keeps().isEmpty() ? label : at(found, row, choice.keeps());
                drawn.add(new Drawn(option, kept));
            }
        }
        return drawn;
    }

    private static Optional<Column> column(RowsFound found, String key) {
        return found.columns().stream()
                .filter(column -> column.key().equals(key))
                .findFirst();
    }

    private static String at(RowsFound found, Table.Row row, String key) {
        return column(found, key)
                .map(column -> Cell.shown(column, row.at(column)))
                .orElse("");
    }

    private static String raw(RowsFound found, Table.Row row, String key) {
        return column(found, key).map(row::at).orElse("");
    }
}
