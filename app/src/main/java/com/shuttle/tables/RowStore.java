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

    /** The cells by which rows are found where others are looked at one by one. */
    private static final DataCell LEAD = DATA_CELL.as("lead_cell");

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
        Rows.Filter leading = leading(table, filters);
        Condition which = filtered(table, filters);
        if (!search.isBlank()) {
            which = which.and(DSL.exists(DSL.selectOne()
                    .from(DATA_CELL)
                    .where(DATA_CELL.TABLE_ID.eq(DATA_ROW.TABLE_ID))
                    .and(DATA_CELL.ROW_ID.eq(DATA_ROW.ID))
                    .and(DATA_CELL.LOW.like(Like.containing(search.strip()), Like.ESCAPE))));
        }
        List<StoredRow> items = ordered(table, leading, which, by, greatestFirst)
                .limit(Page.SIZE)
                .offset(Page.offset(page))
                .fetch(TableStore::storedRow);
        return Page.of(items, page, db.fetchCount(DATA_ROW, which));
    }

    /** The first rows that pass all filters. */
    List<Row> find(StoredTable table, Rows query) {
        Map<String, Column> columns = table.columns().stream().collect(Collectors.toMap(Column::key, column -> column));
        Rows.Filter leading = leading(table, query.filters());
        List<Rows.Filter> others =
                query.filters().stream().filter(filter -> filter != leading).toList();
        Condition which = filtered(table, others);
        return ordered(table, leading, which, columns.get(query.order()), query.falling())
                .limit(query.most())
                .fetch(row -> TableStore.storedRow(row).row());
    }

    /** Rows of a table that pass all filters, which name columns that it has. */
    private static Condition filtered(StoredTable table, List<Rows.Filter> filters) {
        Condition which = DATA_ROW.TABLE_ID.eq(table.id());
        for (Rows.Filter filter : filters) {
            which = which.and(condition(column(table, filter), filter));
        }
        return which;
    }

    private static Column column(StoredTable table, Rows.Filter filter) {
        return table.columns().stream()
                .filter(one -> one.key().equals(filter.column()))
                .findFirst()
                .orElseThrow();
    }

    /**
     * The filter that leaves the fewest rows, as far as can be told: one for what stands in a column, found by the index of cells;
     * null where there is none.
     */
    private static Rows.@Nullable Filter leading(StoredTable table, List<Rows.Filter> filters) {
        return filters.stream()
                .filter(filter -> filter.comparison() == Comparison.IS)
                .filter(filter -> column(table, filter).kind() != Column.Kind.LIST)
                .findFirst()
                .orElse(null);
    }

    /** Rows that have a cell for a leading filter. */
    private static Condition led(StoredTable table, Rows.Filter filter) {
        Column column = column(table, filter);
        return LEAD.TABLE_ID
                .eq(table.id())
                .and(LEAD.COLUMN_KEY.eq(column.key()))
                .and(LEAD.LOW.eq(low(column, filter.value())));
    }

    /** @param by null for the rows' own order */
    private SelectSeekStepN<Record4<String, String, Integer, Long>> ordered(
            StoredTable table,
            Rows.@Nullable Filter leading,
            Condition which,
            @Nullable Column by,
            boolean greatestFirst) {
        List<OrderField<?>> order = new ArrayList<>();
        if (by != null) {
            Field<?> cell = by.kind().figures() ? DATA_CELL.FIGURE : DATA_CELL.LOW;
            order.add(greatestFirst ? cell.desc().nullsLast() : cell.asc().nullsLast());
        }
        order.add(DATA_ROW.ORDINAL);
        order.add(DATA_ROW.ID);
        org.jooq.Table<?> from = leading == null
                ? DATA_ROW
                : LEAD.join(DATA_ROW).on(DATA_ROW.TABLE_ID.eq(LEAD.TABLE_ID).and(DATA_ROW.ID.eq(LEAD.ROW_ID)));
        org.jooq.Table<?> whole = by == null
                ? from
                : from.leftJoin(DATA_CELL)
                        .on(DATA_CELL
                                .TABLE_ID
                                .eq(DATA_ROW.TABLE_ID)
                                .and(DATA_CELL.ROW_ID.eq(DATA_ROW.ID))
                                .and(DATA_CELL.COLUMN_KEY.eq(by.key())));
        return db.select(DATA_ROW.ID, DATA_ROW.CELLS, DATA_ROW.ORDINAL, DATA_ROW.VERSION)
                .from(whole)
                .where(leading == null ? which : which.and(led(table, leading)))
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
