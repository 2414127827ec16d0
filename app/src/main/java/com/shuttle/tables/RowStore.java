package com.shuttle.tables;

import static com.shuttle.schema.Tables.DATA_CELL;
import static com.shuttle.schema.Tables.DATA_ROW;

import com.shuttle.core.conversation.Query.Rows;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table.Row;
import com.shuttle.schema.tables.DataCell;
import com.shuttle.tables.StoredTable.StoredRow;
import com.shuttle.web.Json;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.OrderField;
import org.jooq.Record2;
import org.jooq.Record4;
import org.jooq.Result;
import org.jooq.Select;
import org.jooq.SelectSeekStepN;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Rows that are looked for, on the database's index of cells. */
@Repository
class RowStore {

    /** The cells by which rows are found where others are looked at one by one. */
    private static final DataCell LEAD = DATA_CELL.as("lead_cell");

    /** More kinds of look-ups than any bots ask together. */
    private static final int MOST_STATEMENTS = 1_000;

    private final DSLContext db;
    private final Map<Shape, Statement> statements = new ConcurrentHashMap<>();

    RowStore(DSLContext db) {
        this.db = db;
    }

    /**
     * A page of the rows that have a text in any cell and pass all filters.
     *
     * @param by what they are ordered by; null for their own order. Empty cells come last either way
     */
    Page<StoredRow> rows(
            StoredTable table,
            String search,
            List<Rows.Filter> filters,
            @Nullable Column by,
            boolean greatestFirst,
            int page) {
        Condition which = DATA_ROW.TABLE_ID.eq(table.id());
        for (Rows.Filter filter : filters) {
            Column column = column(table, filter);
            Form form = Form.of(column, filter.comparison());
            which = which.and(form.condition(DSL.val(column.key()), DSL.val(form.value(low(column, filter.value())))));
        }
        if (!search.isBlank()) {
            which = which.and(DSL.exists(DSL.selectOne()
                    .from(DATA_CELL)
                    .where(DATA_CELL.TABLE_ID.eq(DATA_ROW.TABLE_ID))
                    .and(DATA_CELL.ROW_ID.eq(DATA_ROW.ID))
                    .and(DATA_CELL.LOW.like(Like.containing(search.strip()), Like.ESCAPE))));
        }
        List<StoredRow> items = ordered(
                        DATA_ROW,
                        which,
                        by == null ? null : by.kind().figures(),
                        DSL.val(by == null ? "" : by.key()),
                        greatestFirst)
                .limit(Page.SIZE)
                .offset(Page.offset(page))
                .fetch(TableStore::storedRow);
        return Page.of(items, page, db.fetchCount(DATA_ROW, which));
    }

    /** The first rows that pass all filters, which name some of the table's columns. */
    List<Row> find(List<Column> columns, Rows query) {
        Map<String, Column> byKey = columns.stream().collect(Collectors.toMap(Column::key, column -> column));
        @Nullable Column by = byKey.get(query.order());
        List<Form> forms = new ArrayList<>();
        Map<String, @Nullable Object> values = new HashMap<>();
        for (Rows.Filter filter : query.filters()) {
            Column column = Objects.requireNonNull(byKey.get(filter.column()), filter.column());
            Form form = Form.of(column, filter.comparison());
            values.put("key" + forms.size(), column.key());
            values.put("value" + forms.size(), form.value(low(column, filter.value())));
            forms.add(form);
        }
        values.put("table", query.table());
        values.put("by", by == null ? "" : by.key());
        values.put("most", query.most());
        Shape shape = new Shape(forms, by == null ? null : by.kind().figures(), query.falling());
        return statement(shape)
                .fetch(db, values)
                .map(row -> new Row(row.get(DATA_ROW.ID), Json.texts(row.get(DATA_ROW.CELLS))));
    }

    // Statements of look-ups are made once for each shape, as making one takes many times as long as it takes to run

    /**
     * What a look-up's statement depends on, whatever columns and values it names.
     *
     * @param figures whether the rows are ordered by figures; null for their own order
     */
    private record Shape(List<Form> forms, @Nullable Boolean figures, boolean falling) {
        private Shape {
            forms = List.copyOf(forms);
        }
    }

    /** A statement with the names of its values, in the order of its placeholders. */
    private record Statement(String sql, List<String> names) {

        private static final Pattern NAMED = Pattern.compile("(?<![:\\w]):([a-z]+\\d*)");

        /** @param named placeholders as colon and name, and no texts that could look like one */
        static Statement of(String named) {
            List<String> names =
                    NAMED.matcher(named).results().map(found -> found.group(1)).toList();
            return new Statement(NAMED.matcher(named).replaceAll("?"), names);
        }

        Result<Record2<String, String>> fetch(DSLContext db, Map<String, @Nullable Object> values) {
            return db.resultQuery(sql, names.stream().map(values::get).toArray())
                    .coerce(DATA_ROW.ID, DATA_ROW.CELLS)
                    .fetch();
        }
    }

    private Statement statement(Shape shape) {
        Statement known = statements.get(shape);
        if (known == null) {
            known = Statement.of(db.renderNamedParams(query(shape)));
            if (statements.size() < MOST_STATEMENTS) {
                statements.put(shape, known);
            }
        }
        return known;
    }

    private Select<?> query(Shape shape) {
        Field<String> table = DSL.param("table", String.class);
        int leading = IntStream.range(0, shape.forms().size())
                .filter(i -> shape.forms().get(i).leads())
                .findFirst()
                .orElse(-1);
        Condition which = DATA_ROW.TABLE_ID.eq(table);
        for (int i = 0; i < shape.forms().size(); i++) {
            Field<String> key = DSL.param("key" + i, String.class);
            Form form = shape.forms().get(i);
            which = which.and(
                    i == leading
                            ? LEAD.TABLE_ID
                                    .eq(table)
                                    .and(LEAD.COLUMN_KEY.eq(key))
                                    .and(LEAD.LOW.eq(DSL.param("value" + i, String.class)))
                            : form.condition(key, DSL.param("value" + i, form.type())));
        }
        Table<?> from = leading < 0
                ? DATA_ROW
                : LEAD.join(DATA_ROW).on(DATA_ROW.TABLE_ID.eq(LEAD.TABLE_ID).and(DATA_ROW.ID.eq(LEAD.ROW_ID)));
        return ordered(from, which, shape.figures(), DSL.param("by", String.class), shape.falling())
                .limit(DSL.param("most", Integer.class));
    }

    private static Column column(StoredTable table, Rows.Filter filter) {
        return table.columns().stream()
                .filter(one -> one.key().equals(filter.column()))
                .findFirst()
                .orElseThrow();
    }

    /** @param figures whether the column {@code by} holds figures; null for the rows' own order */
    private SelectSeekStepN<Record4<String, String, Integer, Long>> ordered(
            Table<?> from, Condition which, @Nullable Boolean figures, Field<String> by, boolean greatestFirst) {
        List<OrderField<?>> order = new ArrayList<>();
        if (figures != null) {
            Field<?> cell = figures ? DATA_CELL.FIGURE : DATA_CELL.LOW;
            order.add(greatestFirst ? cell.desc().nullsLast() : cell.asc().nullsLast());
        }
        order.add(DATA_ROW.ORDINAL);
        order.add(DATA_ROW.ID);
        Table<?> whole = figures == null
                ? from
                : from.leftJoin(DATA_CELL)
                        .on(DATA_CELL
                                .TABLE_ID
                                .eq(DATA_ROW.TABLE_ID)
                                .and(DATA_CELL.ROW_ID.eq(DATA_ROW.ID))
                                .and(DATA_CELL.COLUMN_KEY.eq(by)));
        return db.select(DATA_ROW.ID, DATA_ROW.CELLS, DATA_ROW.ORDINAL, DATA_ROW.VERSION)
                .from(whole)
                .where(which)
                .orderBy(order);
    }

    // What rows must have

    /** What is compared with, in the form that cells are kept in where it can be read as such. */
    private static String low(Column column, String value) {
        return (Cell.read(column, value) instanceof Cell.Read.Taken(String cell) ? cell : value.strip())
                .toLowerCase(Locale.ROOT);
    }

    /** How a cell is compared, whatever its column's name and the value. */
    private record Form(Comparison comparison, boolean list, boolean figures) {

        static Form of(Column column, Comparison comparison) {
            return new Form(
                    comparison, column.kind() == Column.Kind.LIST, column.kind().figures());
        }

        /** Whether the index of cells finds the few rows that it leaves. */
        boolean leads() {
            return comparison == Comparison.IS && !list;
        }

        private boolean bounds() {
            return figures && (comparison == Comparison.AT_LEAST || comparison == Comparison.AT_MOST);
        }

        private boolean same() {
            return comparison == Comparison.IS || comparison == Comparison.IS_NOT;
        }

        Class<?> type() {
            return bounds() ? Double.class : String.class;
        }

        /** What cells are compared with; null, which no cell is, for a figure that cannot be read as one. */
        @Nullable
        Object value(String low) {
            if (comparison == Comparison.HAS) {
                return Like.containing(low);
            }
            if (list && same()) {
                return Like.containing(", " + low + ", ");
            }
            try {
                return bounds() ? (Object) Double.valueOf(low) : low;
            } catch (NumberFormatException e) {
                return null;
            }
        }

        Condition condition(Field<String> key, Field<?> value) {
            Field<String> text = value.coerce(String.class);
            return switch (comparison) {
                case IS -> cell(key, same(text));
                case IS_NOT -> cell(key, same(text)).not();
                case HAS -> cell(key, DATA_CELL.LOW.like(text, Like.ESCAPE));
                case AT_LEAST ->
                    cell(key, figures ? DATA_CELL.FIGURE.ge(value.coerce(Double.class)) : DATA_CELL.LOW.ge(text));
                case AT_MOST ->
                    cell(key, figures ? DATA_CELL.FIGURE.le(value.coerce(Double.class)) : DATA_CELL.LOW.le(text));
                case FILLED -> cell(key, DSL.noCondition());
                case EMPTY -> cell(key, DSL.noCondition()).not();
            };
        }

        private Condition same(Field<String> text) {
            return list
                    ? DSL.concat(DSL.inline(", "), DATA_CELL.LOW, DSL.inline(", "))
                            .like(text, Like.ESCAPE)
                    : DATA_CELL.LOW.eq(text);
        }

        private static Condition cell(Field<String> key, Condition condition) {
            return DSL.exists(DSL.selectOne()
                    .from(DATA_CELL)
                    .where(DATA_CELL.TABLE_ID.eq(DATA_ROW.TABLE_ID))
                    .and(DATA_CELL.ROW_ID.eq(DATA_ROW.ID))
                    .and(DATA_CELL.COLUMN_KEY.eq(key))
                    .and(condition));
        }
    }
}
