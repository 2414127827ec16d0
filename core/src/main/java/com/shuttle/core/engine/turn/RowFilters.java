package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Query;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.flow.LookUp.Where;
import com.shuttle.core.reading.Value;
import java.util.ArrayList;
import java.util.List;

/** What rows must have, with what is known filled in. Pure functions but for the trace. */
public final class RowFilters {

    private RowFilters() {}

    /** A condition that compares with something unknown asks for nothing. */
    public static List<Query.Rows.Filter> of(List<Where> conditions, TurnRun run) {
        List<Query.Rows.Filter> filters = new ArrayList<>();
        for (Where where : conditions) {
            Comparison comparison = where.comparison();
            String column = where.column().isEmpty() ? named(where.named(), run) : where.column();
            if (column.isEmpty()) {
                continue;
            }
            String value = comparison.compares() ? WrittenCell.of(where.value(), run) : "";
            if (comparison.compares() && value.isEmpty()) {
                run.trace(
                        "asks for nothing",
                        where.value().isBlank() ? "an empty condition" : where.value() + " is not known");
            } else {
                filters.add(new Query.Rows.Filter(column, comparison, value));
            }
        }
        return filters;
    }

    /** What a visitor calls a column; the world knows which that is. */
    private static String named(String variable, TurnRun run) {
        Value value = variable.isEmpty() ? null : run.facts.value(variable);
        return value == null ? "" : value.shown();
    }
}
