package com.shuttle.tables;

import com.shuttle.core.table.Column;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * A table's name and columns as they are edited, with a blank column at the end.
 *
 * @param also other words for the rows, with commas between
 */
record ColumnsForm(String name, String also, List<Line> columns) {

    /**
     * One column.
     *
     * @param part  what the names of its fields begin with
     * @param key   empty for the blank one
     * @param kind  name of its kind
     * @param bound name of its bound
     */
    record Line(String part, String key, String name, String kind, String unit, String also, String bound) {

        public boolean blank() {
            return key.isEmpty();
        }

        /** Whether it may have figures. */
        public boolean figures() {
            return blank() || Column.Kind.valueOf(kind).figures();
        }
    }

    /** @param typed what a form that was refused holds; where it holds columns, they stand before those that are kept */
    ColumnsForm(StoredTable table, Map<String, String> typed) {
        this(
                typed.getOrDefault("name", table.name()),
                typed.getOrDefault("also", String.join(", ", table.also())),
                IntStream.rangeClosed(0, table.columns().size())
                        .mapToObj(i -> line(table, i, typed))
                        .toList());
    }

    private static Line line(StoredTable table, int at, Map<String, String> typed) {
        String part = "column." + at + ".";
        Column column =
                at < table.columns().size() ? table.columns().get(at) : new Column("", "", Column.Kind.TEXT, "");
        return new Line(
                part,
                column.key(),
                typed.getOrDefault(part + "name", column.name()),
                known(typed.get(part + "kind"), column.kind()),
                typed.getOrDefault(part + "unit", column.unit()),
                typed.getOrDefault(part + "also", String.join(", ", column.also())),
                typed.getOrDefault(part + "bound", column.bound().name()));
    }

    private static String known(@Nullable String typed, Column.Kind otherwise) {
        for (Column.Kind kind : Column.Kind.values()) {
            if (kind.name().equals(typed)) {
                return kind.name();
            }
        }
        return otherwise.name();
    }
}
