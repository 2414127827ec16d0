package com.shuttle.knowledge;

import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Bound;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * What people fill in for tables. Fields are named by what they are of: {@code cell.ROW.COLUMN} and {@code delete.ROW} in
 * the grid, where rows that begin with {@code new} are added; {@code column.N.PART} in the settings. Pure functions.
 */
final class TableForms {

    /** A new row's id in the form begins with this. */
    static final String NEW = "new";

    private static final int LONGEST_NAME = 100;

    private TableForms() {}

    static String cell(String row, Column column) {
        return "cell." + row + "." + column.key();
    }

    /** The table with the rows of a form changed, added and deleted; or what is wrong with each cell. */
    static Checked<Table> rows(Table before, Map<String, String> form) {
        Map<String, String> errors = new LinkedHashMap<>();
        List<Row> rows = new ArrayList<>();
        for (Row row : before.rows()) {
            if (!form.containsKey("delete." + row.id())) {
                rows.add(changed(before, row, form, errors));
            }
        }
        form.keySet().stream()
                .filter(field -> field.startsWith("cell." + NEW))
                .map(field -> field.split("\\.")[1])
                .distinct()
                .sorted()
                .forEach(id -> {
                    Row row = changed(before, new Row(id, Map.of()), form, errors);
                    if (!row.cells().isEmpty()) {
                        rows.add(new Row(Ids.next(), row.cells()));
                    }
                });
        if (rows.size() > Table.MOST_ROWS) {
            errors.put("table", "A table has up to %,d rows.".formatted(Table.MOST_ROWS));
        }
        return errors.isEmpty() ? Checked.good(before.with(rows)) : new Checked.Bad<>(errors);
    }

    private static Row changed(Table table, Row row, Map<String, String> form, Map<String, String> errors) {
        Map<String, String> cells = new LinkedHashMap<>(row.cells());
        for (Column column : table.columns()) {
            String field = cell(row.id(), column);
            String written = form.get(field);
            if (written == null) {
                continue;
            }
            switch (Cell.read(column, written)) {
                case Cell.Read.Refused(String why) -> errors.put(field, why);
                case Cell.Read.Taken(String cell) -> {
                    if (cell.isEmpty()) {
                        cells.remove(column.key());
                    } else {
                        cells.put(column.key(), cell);
                    }
                }
            }
        }
        boolean untitled = !cells.isEmpty() && !cells.containsKey(table.titles().key());
        if (untitled && errors.isEmpty()) {
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
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            errors.put("name", "Please say in up to %d characters what the rows are.".formatted(LONGEST_NAME));
        }
        List<Column> columns = new ArrayList<>();
        Set<String> names = new HashSet<>();
        Set<String> keys = new HashSet<>();
        before.columns().forEach(column -> keys.add(column.key()));
        for (int i = 0; form.containsKey("column." + i + ".name") && i <= Table.MOST_COLUMNS; i++) {
            String part = "column." + i + ".";
            String columnName = form.get(part + "name").strip().replaceAll("\\s+", " ");
            String key = form.getOrDefault(part + "key", "");
            if (form.containsKey(part + "delete") || columnName.isEmpty() && !keys.contains(key)) {
                continue;
            }
            if (columnName.isEmpty() || columnName.length() > LONGEST_NAME) {
                errors.put(part + "name", "Please name the column in up to %d characters.".formatted(LONGEST_NAME));
            } else if (!names.add(columnName.toLowerCase(Locale.ROOT))) {
                errors.put(part + "name", "There is another column of this name.");
            }
            columns.add(new Column(
                    keys.contains(key) ? key : freeKey(keys),
                    columnName,
                    known(Kind.values(), form.get(part + "kind"), Kind.TEXT),
                    unit(form.getOrDefault(part + "unit", "")),
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
        return Checked.good(new Table(
                before.ref(),
                name,
                words(form.getOrDefault("also", "")),
                columns,
                reread.rows(),
                "published".equals(form.get("state"))));
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

    private static String unit(String written) {
        String unit = written.strip();
        return unit.length() > 30 ? unit.substring(0, 30) : unit;
    }

    static List<String> words(String written) {
        return Arrays.stream(written.split("[,\\n]"))
                .map(String::strip)
                .filter(word -> !word.isEmpty() && word.length() <= LONGEST_NAME)
                .distinct()
                .limit(30)
                .toList();
    }

    private static <E extends Enum<E>> E known(E[] values, String name, E otherwise) {
        return Arrays.stream(values)
                .filter(value -> value.name().equals(name))
                .findFirst()
                .orElse(otherwise);
    }
}
