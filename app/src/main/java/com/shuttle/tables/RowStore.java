package com.shuttle.tables;

import static com.shuttle.schema.Tables.DATA_CELL;
import static com.shuttle.schema.Tables.DATA_ROW;

import com.shuttle.core.conversation.Query.Rows;
import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.StoredTable.StoredRow;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.OrderField;
import org.jooq.Record4;
import org.jooq.SelectSeekStepN;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Rows that are looked for, on the database's index of cells. */
@Repository
class RowStore {

    private final DSLContext db;

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
        Condition which = filtered(table, filters);
        if (!search.isBlank()) {
            which = which.and(DSL.exists(DSL.selectOne()
                    .from(DATA_CELL)
                    .where(DATA_CELL.TABLE_ID.eq(DATA_ROW.TABLE_ID))
                    .and(DATA_CELL.ROW_ID.eq(DATA_ROW.ID))
                    .and(DATA_CELL.LOW.like(Like.containing(search.strip()), Like.ESCAPE))));
        }
        List<StoredRow> items = ordered(which, by, greatestFirst)
                .limit(Page.SIZE)
                .offset(Page.offset(page))
                .fetch(TableStore::storedRow);
        return Page.of(items, page, db.fetchCount(DATA_ROW, which));
    }

    /** The first rows that pass all filters. */
    List<Row> find(StoredTable table, Rows query) {
        Map<String, Column> columns = table.columns().stream().collect(Collectors.toMap(Column::key, column -> column));
        Condition which = filtered(table, query.filters());
        return ordered(which, columns.get(query.order()), query.falling())
                .limit(query.most())
                .fetch(row -> TableStore.storedRow(row).row());
    }

    /** Rows of a table that pass all filters, which name columns that it has. */
    private static Condition filtered(StoredTable table, List<Rows.Filter> filters) {
        Condition which = DATA_ROW.TABLE_ID.eq(table.id());
        for (Rows.Filter filter : filters) {
            Column column = table.columns().stream()
                    .filter(one -> one.key().equals(filter.column()))
                    .findFirst()
                    .orElseThrow();
            which = which.and(condition(column, filter));
        }
        return which;
    }

    /** @param by null for the rows' own order */
    private SelectSeekStepN<Record4<String, String, Integer, Long>> ordered(
            Condition which, @Nullable Column by, boolean greatestFirst) {
        List<OrderField<?>> order = new ArrayList<>();
        if (by != null) {
            Field<?> cell = by.kind().figures() ? DATA_CELL.FIGURE : DATA_CELL.LOW;
            order.add(greatestFirst ? cell.desc().nullsLast() : cell.asc().nullsLast());
        }
        order.add(DATA_ROW.ORDINAL);
        order.add(DATA_ROW.ID);
        return db.select(DATA_ROW.ID, DATA_ROW.CELLS, DATA_ROW.ORDINAL, DATA_ROW.VERSION)
                .from(DATA_ROW)
                .leftJoin(DATA_CELL)
                .on(DATA_CELL
                        .TABLE_ID
                        .eq(DATA_ROW.TABLE_ID)
                        .and(DATA_CELL.ROW_ID.eq(DATA_ROW.ID))
                        .and(DATA_CELL.COLUMN_KEY.eq(by == null ? "" : by.key())))
                .where(which)
                .orderBy(order);
    }

    // What rows must have

    private static Condition condition(Column column, Rows.Filter filter) {
        String low = low(column, filter.value());
        return switch (filter.comparison()) {
            case IS -> cell(column, same(column, low));
            case IS_NOT -> cell(column, same(column, low)).not();
            case HAS -> cell(column, DATA_CELL.LOW.like(Like.containing(low), Like.ESCAPE));
            case AT_LEAST -> cell(column, bounded(column, low, true));
            case AT_MOST -> cell(column, bounded(column, low, false));
            case FILLED -> cell(column, DSL.noCondition());
            case EMPTY -> cell(column, DSL.noCondition()).not();
        };
    }

    /** What is compared with, in the form that cells are kept in where it can be read as such. */
    private static String low(Column column, String value) {
        return (Cell.read(column, value) instanceof Cell.Read.Taken(String cell) ? cell : value.strip())
                .toLowerCase(Locale.ROOT);
    }

    private static Condition same(Column column, String low) {
        Condition whole = DATA_CELL.LOW.eq(low);
        return column.kind() == Column.Kind.LIST
                ? DSL.concat(DSL.val(", "), DATA_CELL.LOW, DSL.val(", "))
                        .like(Like.containing(", " + low + ", "), Like.ESCAPE)
                : whole;
    }

    /** A figure that cannot be read as one bounds nothing that there is. */
    private static Condition bounded(Column column, String low, boolean least) {
        if (!column.kind().figures()) {
            return least ? DATA_CELL.LOW.ge(low) : DATA_CELL.LOW.le(low);
        }
        try {
            double figure = Double.parseDouble(low);
            return least ? DATA_CELL.FIGURE.ge(figure) : DATA_CELL.FIGURE.le(figure);
        } catch (NumberFormatException e) {
            return DSL.falseCondition();
        }
    }

    private static Condition cell(Column column, Condition condition) {
        return DSL.exists(DSL.selectOne()
                .from(DATA_CELL)
                .where(DATA_CELL.TABLE_ID.eq(DATA_ROW.TABLE_ID))
                .and(DATA_CELL.ROW_ID.eq(DATA_ROW.ID))
                .and(DATA_CELL.COLUMN_KEY.eq(column.key()))
                .and(condition));
    }
}
