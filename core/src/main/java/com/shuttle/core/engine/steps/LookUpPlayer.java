package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Query;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.RowFilters;
import com.shuttle.core.flow.LookUp;
import com.shuttle.core.flow.LookUp.Take;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.RowsFound;
import com.shuttle.core.table.Table;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * Finds rows of a table. What a condition compares with may be unknown to a conversation; such a condition asks for nothing. A
 * table or column that is gone finds none, and the trace says so.
 */
final class LookUpPlayer extends Player {

    private final LookUp step;

    LookUpPlayer(LookUp step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        RowsFound found = run.ask(new Query.Rows(
                step.table(), RowFilters.of(step.where(), run), step.order(), step.falling(), step.wanted()));
        if (found.columns().isEmpty()) {
            run.trace("cannot look up", "the table is gone");
        } else if (!found.missing().isEmpty()) {
            run.trace("cannot look up", "the table has no column " + String.join(", ", found.missing()) + " any more");
        }
        if (found.rows().isEmpty()) {
            run.trace("looked up", "none found");
            course.leave(step, LookUp.NONE);
            return;
        }
        if (step.many()) {
            keepMany(found);
        } else {
            keepOne(found.columns(), found.rows().getFirst());
        }
        course.leave(step, LookUp.FOUND);
    }

    private void keepMany(RowsFound found) {
        Column title = found.columns().getFirst();
        List<String> names = found.rows().stream()
                .map(row -> Cell.shown(title, row.at(title)))
                .filter(name -> !name.isBlank())
                .distinct()
                .toList();
        run.trace("looked up", names.size() + " found: " + String.join(", ", names));
        if (!step.list().isBlank()) {
            run.facts.set(step.list(), new Value.Many(names));
        }
    }

    private void keepOne(List<Column> columns, Table.Row row) {
        run.trace("looked up", row.at(columns.getFirst()));
        for (Take take : step.takes()) {
            if (take.variable().isBlank()) {
                continue;
            }
            Optional<Value> value = column(columns, take).flatMap(column -> value(column, row.at(column), take.type()));
            value.ifPresentOrElse(
                    known -> run.facts.set(take.variable(), known), () -> run.facts.forget(take.variable()));
        }
    }

    private Optional<Column> column(List<Column> columns, Take take) {
        Value named = take.named().isEmpty() ? null : run.facts.value(take.named());
        return take.column().isEmpty() && named != null
                ? Optional.ofNullable(Column.called(columns, named.shown()))
                : columns.stream()
                        .filter(column -> column.key().equals(take.column()))
                        .findFirst();
    }

    /** A cell as a value of a type; none where it is empty or is no such thing. */
    private static Optional<Value> value(Column column, String cell, ValueType type) {
        if (cell.isEmpty()) {
            return Optional.empty();
        }
        boolean figures = column.kind().figures();
        return switch (type) {
            case NUMBER -> figures ? Optional.of(new Value.Numeric(new BigDecimal(cell))) : Optional.empty();
            case MONEY ->
                column.kind() == Column.Kind.MONEY
                        ? Optional.of(new Value.Money(new BigDecimal(cell), column.unit()))
                        : Optional.empty();
            case DATE ->
                column.kind() == Column.Kind.DATE
                        ? Optional.of(new Value.Day(LocalDate.parse(cell)))
                        : Optional.empty();
            case YES_NO ->
                column.kind() == Column.Kind.YES_NO
                        ? Optional.of(new Value.YesNo(cell.equals("yes")))
                        : Optional.empty();
            default -> Optional.of(new Value.Text(Cell.shown(column, cell)));
        };
    }
}
