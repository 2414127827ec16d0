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

/** The options of a choice that are not typed in: drawn from a list variable or a table, as they are at this moment. */
public final class DrawnOptions {

    private static final String OFF = "no";

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
        RowsFound found = run.ask(new Query.Rows(choice.table(), filters, choice.order(), false, LookUp.MOST));
        if (found.columns().isEmpty()) {
            run.trace("nothing to offer", "the table is gone");
            return List.of();
        }
        if (!found.missing().isEmpty()) {
            run.trace(
                    "nothing to offer", "the table has no column " + String.join(", ", found.missing()) + " any more");
        }
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

    private static String at(RowsFound found, Table.Row row, String key) {
        return found.columns().stream()
                .filter(column -> column.key().equals(key))
                .findFirst()
                .map(column -> Cell.shown(column, row.at(column)))
                .orElse("");
    }

    private static String raw(RowsFound found, Table.Row row, String key) {
        return found.columns().stream()
                .filter(column -> column.key().equals(key))
                .findFirst()
                .map((Column column) -> row.at(column))
                .orElse("");
    }
}
