package com.shuttle.tables;

import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Bound;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.StoredTable.StoredRow;
import com.shuttle.web.Checked;
import com.shuttle.web.Fit;
import com.shuttle.web.Ids;
import com.shuttle.web.Length;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What people fill in for tables. Fields are named by what they are of: {@code cell.ROW.COLUMN} and {@code delete.ROW} in
 * the grid, where rows that begin with {@code new} are added; {@code column.N.PART} in the settings. Pure functions.
 */
final class TableForms {

    private static final int LONGEST_CHOICES = 500;

    /** A new row's id in the form begins with this. */
    static final String NEW = "new";

    private TableForms() {}

    static String cell(String row, Column column) {
        return "cell." + row + "." + column.key();
    }

    /** Where a form keeps what a row was like when it was shown. */
    static String seen(String row) {
        return "seen." + row;
    }

    /**
     * What a form changes in the rows.
     *
     * @param added   under ids of their own
     * @param changed with their new cells
     * @param deleted ids
     */
    record RowChanges(List<Row> added, List<StoredRow> changed, List<String> deleted) {}

    /** The ids of the rows that a form is about, without new ones. */
    static Set<String> rowIds(Map<String, String> form) {
        return form.keySet().stream()
                .filter(field -> field.startsWith("cell.") || field.startsWith("delete."))
                .map(field -> field.split("\\.")[1])
                .filter(row -> !row.startsWith(NEW))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /**
     * What a form changes; or what is wrong with each cell. A row that was shown in another state than it has now and that
     * the form changes is refused, with what stands there now.
     *
     * @param there the rows that the form is about, as they are kept
     */
    static Checked<RowChanges> rows(StoredTable table, List<StoredRow> there, Map<String, String> form) {
        Map<String, String> errors = new LinkedHashMap<>();
        List<StoredRow> changed = new ArrayList<>();
        List<String> deleted = new ArrayList<>();
        for (StoredRow row : there) {
            String id = row.row().id();
            if (form.containsKey("delete." + id)) {
                deleted.add(id);
                continue;
            }
            Row after = typed(table, row.row(), form, errors);
            String seen = form.getOrDefault(seen(id), row.fingerprint());
            StoredRow typed = new StoredRow(after, row.ordinal(), row.version());
            if (!after.equals(row.row()) && !typed.fingerprint().equals(seen)) {
                changed.add(typed);
                if (!row.fingerprint().equals(seen)) {
                    errors.put(
                            cell(id, table.titles()),
                            "This row was changed meanwhile: %s. Save again to put yours in its place."
                                    .formatted(told(table, row.row())));
                }
            }
        }
        List<Row> added = added(table, form, errors);
        if (table.rows() + added.size() - deleted.size() > Table.MOST_ROWS) {
            errors.put("table", "A table has up to %,d rows.".formatted(Table.MOST_ROWS));
        }
        return errors.isEmpty() ? Checked.good(new RowChanges(added, changed, deleted)) : new Checked.Bad<>(errors);
    }

    private static List<Row> added(StoredTable table, Map<String, String> form, Map<String, String> errors) {
        return form.keySet().stream()
                .filter(field -> field.startsWith("cell." + NEW))
                .map(field -> field.split("\\.")[1])
                .distinct()
                .sorted(Comparator.comparingInt(String::length).thenComparing(Comparator.naturalOrder()))
                .map(id -> typed(table, new Row(id, Map.of()), form, errors))
                .filter(row -> !row.cells().isEmpty())
                .map(row -> new Row(Ids.next(), row.cells()))
                .toList();
    }

    private static String told(StoredTable table, Row row) {
        return table.columns().stream()
                .map(column -> Cell.shown(column, row.at(column)))
                .filter(cell -> !cell.isEmpty())
                .collect(Collectors.joining(", "));
    }

    private static Row typed(StoredTable table, Row row, Map<String, String> form, Map<String, String> errors) {
        Map<String, String> cells = new LinkedHashMap<>(row.cells());
        boolean fits = true;
        for (Column column : table.columns()) {
            String field = cell(row.id(), column);
            String written = form.get(field);
            if (written == null) {
                continue;
            }
            switch (Cell.read(column, written)) {
                case Cell.Read.Refused(String why) -> {
                    errors.put(field, why);
                    fits = false;
                }
                case Cell.Read.Taken(String cell) -> {
                    if (cell.isEmpty()) {
                        cells.remove(column.key());
                    } else {
                        cells.put(column.key(), cell);
                    }
                }
            }
        }
        if (fits && !cells.isEmpty() && !cells.containsKey(table.titles().key())) {
            errors.put(
                    cell(row.id(), table.titles()),
                    "A row needs its " + table.titles().name() + ".");
        }
        return new Row(row.id(), cells);
    }

    /** The table with other settings; its cells are read anew where a column's kind or unit has changed. */
    static Checked<Table> settings(Table before, Map<String, String> form) {
        Map<String, String> errors = new LinkedHashMap<>();
        String name = form.getOrDefault("name", "").strip();
        if (name.isEmpty() || !Length.SHORT_NAME.holds(name)) {
            errors.put(
                    "name", "Please say in up to %d characters what the rows are.".formatted(Length.SHORT_NAME.most()));
        }
        List<Column> columns = new ArrayList<>();
        Set<String> names = new HashSet<>();
        Set<String> keys = new HashSet<>();
        before.columns().forEach(column -> keys.add(column.key()));
        for (int i = 0; form.containsKey("column." + i + ".name") && i <= Table.MOST_COLUMNS; i++) {
            String part = "column." + i + ".";
            String columnName = form.getOrDefault(part + "name", "").strip().replaceAll("\\s+", " ");
            String key = form.getOrDefault(part + "key", "");
            if (form.containsKey(part + "delete") || columnName.isEmpty() && !keys.contains(key)) {
                continue;
            }
            if (columnName.isEmpty() || !Length.SHORT_NAME.holds(columnName)) {
                errors.put(
                        part + "name",
                        "Please name the column in up to %d characters.".formatted(Length.SHORT_NAME.most()));
            } else if (!names.add(columnName.toLowerCase(Locale.ROOT))) {
                errors.put(part + "name", "There is another column of this name.");
            }
            Kind kind = known(Kind.values(), form.get(part + "kind"), Kind.TEXT);
            String unit = unit(kind, form.getOrDefault(part + "unit", ""));
            if (kind == Kind.CHOICE && Cell.values(unit).isEmpty()) {
                errors.put(part + "unit", "Please write its values with commas between.");
            }
            if (kind == Kind.REFERENCE && unit.isEmpty()) {
                errors.put(part + "unit", "Please write the name of the table that it refers to.");
            }
            columns.add(new Column(
                    keys.contains(key) ? key : freeKey(keys),
                    columnName,
                    kind,
                    unit,
                    words(form.getOrDefault(part + "also", "")),
                    known(Bound.values(), form.get(part + "bound"), Bound.EXACT)));
        }
        if (columns.isEmpty()) {
            errors.put("table", "A table needs a column.");
        }
        if (columns.size() > Table.MOST_COLUMNS) {
            errors.put("table", "A table has up to %d columns.".formatted(Table.MOST_COLUMNS));
        }
        if (!errors.isEmpty()) {
            return new Checked.Bad<>(errors);
        }
        Reread reread = reread(before, columns);
        if (!reread.faults().isEmpty()) {
            return Checked.bad("table", "The columns were not changed. " + String.join(" ", reread.faults()));
        }
        return Checked.good(
                new Table(before.ref(), name, words(form.getOrDefault("also", "")), columns, reread.rows(), true));
    }

    /** Rows under other columns, and why some do not fit. */
    private record Reread(List<Row> rows, List<String> faults) {}

    private static Reread reread(Table before, List<Column> columns) {
        List<String> faults = new ArrayList<>();
        List<Row> rows = before.rows().stream()
                .map(row -> {
                    Map<String, String> cells = new LinkedHashMap<>();
                    for (Column column : columns) {
                        switch (Cell.read(column, row.at(column))) {
                            case Cell.Read.Taken(String cell) -> {
                                if (!cell.isEmpty()) {
                                    cells.put(column.key(), cell);
                                }
                            }
                            case Cell.Read.Refused(String why) -> {
                                if (faults.size() < 5) {
                                    faults.add(column.name() + " of " + row.at(before.titles()) + ": " + why);
                                }
                            }
                        }
                    }
                    return new Row(row.id(), cells);
                })
                .toList();
        return new Reread(rows, faults);
    }

    private static String freeKey(Set<String> keys) {
        int n = keys.size() + 1;
        while (!keys.add("c" + n)) {
            n++;
        }
        return "c" + n;
    }

    /** The unit of figures, the values of a choice, or the ref of another table. */
    private static String unit(Kind kind, String written) {
        return switch (kind) {
            case REFERENCE -> written;
            case CHOICE -> Fit.within(String.join(", ", Cell.values(written)), LONGEST_CHOICES);
            default -> Length.UNIT.cut(written.strip());
        };
    }

    static List<String> words(String written) {
        return Arrays.stream(written.split("[,\\n]"))
                .map(String::strip)
                .filter(word -> !word.isEmpty() && Length.SHORT_NAME.holds(word))
                .distinct()
                .limit(30)
                .toList();
    }

    private static <E extends Enum<E>> E known(E[] values, @Nullable String name, E otherwise) {
        return Arrays.stream(values)
                .filter(value -> value.name().equals(name))
                .findFirst()
                .orElse(otherwise);
    }
}
