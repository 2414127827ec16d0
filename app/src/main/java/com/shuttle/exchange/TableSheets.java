package com.shuttle.exchange;

import com.shuttle.core.reading.Words;
import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.web.Formulas;
import com.shuttle.web.Ids;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/** Tables that may be asked, as sheets: one with guessed columns, rows for one that is there, and back. Pure functions. */
final class TableSheets {

    private static final Pattern WITH_UNIT = Pattern.compile("(.+?)\\s*[(\\[]([^()\\[\\]]{1,20})[)\\]]");
    private static final Pattern FIGURE_WITH_UNIT = Pattern.compile("-?[\\d.,]+\\s*(\\p{L}{1,12}|%)");
    private static final Map<String, String> CURRENCIES = Map.of("£", "GBP", "€", "EUR", "$", "USD");

    /** A share of cells with several values from which a column is one of several values. */
    private static final double SEVERAL = 0.25;

    private TableSheets() {}

    /**
     * Rows that were read.
     *
     * @param rows   those that fit, with the cells that fit
     * @param faults what does not, a sentence each
     */
    record Brought(List<Row> rows, List<String> faults) {}

    /** A column's name as a sheet has it, with its unit. */
    static String header(Column column) {
        return column.unit().isEmpty() ? column.name() : column.name() + " (" + column.unit() + ")";
    }

    /** A heading taken apart. */
    private record Heading(String name, String unit) {
        static Heading of(String written) {
            String text = written.strip().replaceAll("\\s+", " ");
            Matcher matcher = WITH_UNIT.matcher(text);
            return matcher.matches()
                    ? new Heading(matcher.group(1), matcher.group(2).strip())
                    : new Heading(text, "");
        }
    }

    /** The columns of a sheet, their kinds the narrowest that all cells fit; the first is a text. */
    static List<Column> guessed(Sheet sheet) {
        List<Column> columns = new ArrayList<>();
        Map<String, Integer> names = new HashMap<>();
        for (int i = 0; i < sheet.header().size(); i++) {
            int at = i;
            Heading heading = Heading.of(sheet.header().get(i));
            List<String> cells = sheet.rows().stream()
                    .map(row -> row.cells().get(at).strip())
                    .filter(cell -> !cell.isEmpty())
                    .toList();
            if (heading.name().isEmpty() && cells.isEmpty()) {
                continue;
            }
            String name = heading.name().isEmpty() ? "Column " + (i + 1) : heading.name();
            int times = names.merge(name.toLowerCase(Locale.ROOT), 1, Integer::sum);
            String own = times == 1 ? name : name + " " + times;
            columns.add(guess("c" + (i + 1), own, heading.unit(), columns.isEmpty() ? List.of() : cells));
        }
        return columns;
    }

    private static Column guess(String key, String name, String unit, List<String> cells) {
        if (cells.isEmpty()) {
            return new Column(key, name, Kind.TEXT, "");
        }
        String currency = CURRENCIES.getOrDefault(unit, unit.matches("[A-Z]{3}") ? unit : "");
        String sign =
                currency.isEmpty() ? CURRENCIES.getOrDefault(cells.getFirst().substring(0, 1), "") : currency;
        List<Column> narrowestFirst = new ArrayList<>();
        if (cells.stream().anyMatch(cell -> cell.matches("(?i)yes|no|true|false"))) {
            narrowestFirst.add(new Column(key, name, Kind.YES_NO, ""));
        }
        narrowestFirst.add(new Column(key, name, Kind.DATE, ""));
        if (!sign.isEmpty()) {
            narrowestFirst.add(new Column(key, name, Kind.MONEY, sign));
        }
        narrowestFirst.add(new Column(key, name, Kind.NUMBER, currency.isEmpty() ? unit : ""));
        Matcher figure = FIGURE_WITH_UNIT.matcher(cells.getFirst());
        if (unit.isEmpty() && figure.matches()) {
            narrowestFirst.add(new Column(key, name, Kind.NUMBER, figure.group(1)));
        }
        narrowestFirst.add(new Column(key, name, Kind.TIME, ""));
        narrowestFirst.add(new Column(key, name, Kind.EMAIL, ""));
        narrowestFirst.add(new Column(key, name, Kind.LINK, ""));
        long several =
                cells.stream().filter(cell -> Cell.values(cell).size() > 1).count();
        boolean brief = cells.stream()
                .flatMap(cell -> Cell.values(cell).stream())
                .allMatch(value -> Words.of(value).size() <= 4);
        if (several >= Math.max(1, cells.size() * SEVERAL) && brief) {
            narrowestFirst.add(new Column(key, name, Kind.LIST, ""));
        }
        return narrowestFirst.stream()
                .filter(column -> cells.stream().allMatch(cell -> Cell.read(column, cell) instanceof Cell.Read.Taken))
                .findFirst()
                .orElseGet(() -> new Column(key, name, Kind.TEXT, ""));
    }

    /** A table of a sheet, not asked yet. */
    static Table table(String name, Sheet sheet) {
        List<Column> columns = guessed(sheet);
        Table empty = new Table(Ids.next(), name, List.of(), columns, List.of(), false);
        return empty.with(read(empty, sheet).rows());
    }

    /** The rows of a sheet for a table whose columns it names. A heading may have another unit of the same measure. */
    static Brought read(Table table, Sheet sheet) {
        List<String> faults = new ArrayList<>();
        List<Optional<Column>> columns = sheet.header().stream()
                .map(header -> column(table, Heading.of(header).name()))
                .toList();
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).isEmpty() && !sheet.header().get(i).isBlank()) {
                faults.add("The table has no column “" + sheet.header().get(i).strip() + "”.");
            }
        }
        if (!columns.contains(Optional.of(table.titles()))) {
            faults.add("There is no column “" + table.titles().name() + "”, which every row needs.");
            return new Brought(List.of(), faults);
        }
        List<Row> rows = new ArrayList<>();
        for (Sheet.Row line : sheet.rows()) {
            Map<String, String> cells = new LinkedHashMap<>();
            IntStream.range(0, columns.size())
                    .forEach(i -> columns.get(i).ifPresent(column -> {
                        switch (Cell.read(
                                column,
                                inUnit(
                                        line.cells().get(i),
                                        column,
                                        sheet.header().get(i)))) {
                            case Cell.Read.Taken(String cell) -> {
                                if (!cell.isEmpty()) {
                                    cells.put(column.key(), cell);
                                }
                            }
                            case Cell.Read.Refused(String why) ->
                                faults.add("Line %d, %s: %s".formatted(line.line(), column.name(), why));
                        }
                    }));
            if (cells.containsKey(table.titles().key())) {
                rows.add(new Row(Ids.next(), cells));
            } else if (line.cells().stream().anyMatch(cell -> !cell.isBlank())) {
                faults.add("Line %d has no %s."
                        .formatted(line.line(), table.titles().name()));
            }
        }
        return new Brought(rows, faults);
    }

    private static Optional<Column> column(Table table, String name) {
        String wanted = Words.normal(name);
        return table.columns().stream()
                .filter(column -> Words.normal(column.name()).equals(wanted)
                        || column.also().stream()
                                .anyMatch(also -> Words.normal(also).equals(wanted)))
                .findFirst();
    }

    private static String inUnit(String cell, Column column, String header) {
        String unit = Heading.of(header).unit();
        boolean bare = cell.strip().matches("-?[\\d.,]+");
        return bare && column.kind() == Kind.NUMBER && !unit.isEmpty() && !unit.equals(column.unit())
                ? cell.strip() + " " + unit
                : cell;
    }

    /** The whole table, headings first. Texts that look like formulas are kept from running. */
    static List<List<String>> lines(Table table) {
        List<List<String>> lines = new ArrayList<>();
        lines.add(table.columns().stream()
                .map(column -> Formulas.told(header(column)))
                .toList());
        table.rows()
                .forEach(row -> lines.add(table.columns().stream()
                        .map(column -> column.kind().figures() ? row.at(column) : Formulas.told(row.at(column)))
                        .toList()));
        return lines;
    }
}
