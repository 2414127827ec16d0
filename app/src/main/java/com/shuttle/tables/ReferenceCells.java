package com.shuttle.tables;

import com.shuttle.core.conversation.Query;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.StoredTable.StoredRow;
import com.shuttle.tables.TableForms.RowChanges;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * Cells that name a row of another table: by its title, so that they read and compare as any text. The column's unit is the
 * other table's ref, which stays when that table is renamed. Thread-safe.
 */
@Component
class ReferenceCells implements TableUse {

    /** Titles that are proposed while a cell is written. */
    private static final int PROPOSED = 200;

    private final TableStore store;
    private final RowStore rows;

    ReferenceCells(TableStore store, RowStore rows) {
        this.store = store;
        this.rows = rows;
    }

    /** Why a cell cannot be kept; empty where it can. */
    String fault(Column column, String cell) {
        if (column.kind() != Kind.REFERENCE || cell.isEmpty()) {
            return "";
        }
        Optional<StoredTable> other = store.byRef(column.unit());
        if (other.isEmpty()) {
            return "The table that it refers to is gone.";
        }
        Query.Rows.Filter same = new Query.Rows.Filter(other.get().titles().key(), Comparison.IS, cell);
        boolean there = !rows.find(
                        other.get().columns(), new Query.Rows(other.get().id(), List.of(same), "", false, 1))
                .isEmpty();
        return there ? "" : "There is no “" + cell + "” in " + other.get().name() + ".";
    }

    /** What is wrong with the references of rows, by the grid's fields. */
    Map<String, String> faults(StoredTable table, List<StoredRow> shown) {
        Map<String, String> faults = new LinkedHashMap<>();
        for (Column column : table.columns()) {
            if (column.kind() == Kind.REFERENCE) {
                shown.forEach(row -> {
                    String fault = fault(column, row.row().at(column));
                    if (!fault.isEmpty()) {
                        faults.put(TableForms.cell(row.row().id(), column), fault);
                    }
                });
            }
        }
        return faults;
    }

    /** The same of changed and added rows. */
    Map<String, String> faults(StoredTable table, RowChanges changes) {
        Map<String, String> faults = faults(table, changes.changed());
        for (int i = 0; i < changes.added().size(); i++) {
            Row added = new Row(TableForms.NEW + i, changes.added().get(i).cells());
            faults.putAll(faults(table, List.of(new StoredRow(added, 0, 1))));
        }
        return faults;
    }

    /** The titles that a table's references may be, by the columns' keys. */
    Map<String, List<String>> titles(StoredTable table) {
        Map<String, List<String>> titles = new LinkedHashMap<>();
        for (Column column : table.columns()) {
            Optional<StoredTable> other =
                    column.kind() == Kind.REFERENCE ? store.byRef(column.unit()) : Optional.empty();
            other.ifPresent(of -> titles.put(
                    column.key(),
                    rows
                            .find(
                                    of.columns(),
                                    new Query.Rows(
                                            of.id(), List.of(), of.titles().key(), false, PROPOSED))
                            .stream()
                            .map(row -> Cell.shown(of.titles(), row.at(of.titles())))
                            .toList()));
        }
        return titles;
    }

    /** A form of columns in which tables that are referred to by name are named by their ref. */
    Map<String, String> named(Map<String, String> form) {
        Map<String, String> named = new HashMap<>(form);
        form.forEach((field, kind) -> {
            if (field.endsWith(".kind") && kind.equals(Kind.REFERENCE.name())) {
                String unit = field.replaceFirst("kind$", "unit");
                String written = form.getOrDefault(unit, "").strip();
                store.all().stream()
                        .filter(table -> table.name().equalsIgnoreCase(written)
                                || table.ref().equals(written))
                        .findFirst()
                        .ifPresentOrElse(table -> named.put(unit, table.ref()), () -> named.put(unit, ""));
            }
        });
        return named;
    }

    /** Tables with columns that refer to a table. */
    @Override
    public List<Place> of(String table) {
        String ref = store.table(table).map(StoredTable::ref).orElse("");
        List<Place> places = new ArrayList<>();
        for (StoredTable other : store.all()) {
            boolean refers = other.columns().stream()
                    .anyMatch(column ->
                            column.kind() == Kind.REFERENCE && column.unit().equals(ref));
            if (refers) {
                places.add(new Place(other.name() + " refers to it", "/tables/" + other.id()));
            }
        }
        return places;
    }
}
