package com.shuttle.tables;

import static com.shuttle.schema.Tables.DATA_ROW_PAST;
import static com.shuttle.schema.Tables.PERSONAL_COLUMN;
import static com.shuttle.schema.Tables.WRITTEN_CELL;

import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.web.Ids;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Which columns name a person, and which cells conversations wrote, in the database. */
@Repository
class PersonalCellStore {

    /** Kinds that name a person where nobody has said otherwise. */
    private static final Set<Kind> USUALLY = EnumSet.of(Kind.EMAIL, Kind.PHONE);

    private final DSLContext db;

    PersonalCellStore(DSLContext db) {
        this.db = db;
    }

    /** Keys of the columns that name a person. */
    Set<String> columns(StoredTable table) {
        Map<String, Boolean> said = db.select(PERSONAL_COLUMN.COLUMN_KEY, PERSONAL_COLUMN.PERSONAL)
                .from(PERSONAL_COLUMN)
                .where(PERSONAL_COLUMN.TABLE_ID.eq(table.id()))
                .fetchMap(PERSONAL_COLUMN.COLUMN_KEY, PERSONAL_COLUMN.PERSONAL);
        return table.columns().stream()
                .filter(column -> said.getOrDefault(column.key(), USUALLY.contains(column.kind())))
                .map(Column::key)
                .collect(Collectors.toSet());
    }

    /** @param said whether a column names a person, by its key */
    void say(String table, Map<String, Boolean> said) {
        db.deleteFrom(PERSONAL_COLUMN).where(PERSONAL_COLUMN.TABLE_ID.eq(table)).execute();
        said.forEach((key, personal) -> db.insertInto(PERSONAL_COLUMN)
                .columns(PERSONAL_COLUMN.TABLE_ID, PERSONAL_COLUMN.COLUMN_KEY, PERSONAL_COLUMN.PERSONAL)
                .values(table, key, personal)
                .execute());
    }

    /** A cell that a conversation wrote. @param print hash of what it wrote */
    record Written(String table, String row, String column, String print) {

        /** Whether that still stands there. */
        boolean stands(String cell) {
            return print.equals(Ids.hash(cell));
        }
    }

    /** Notes what a conversation wrote. @param cells by the keys of their columns */
    void wrote(String conversation, String table, String row, Map<String, String> cells) {
        db.deleteFrom(WRITTEN_CELL)
                .where(WRITTEN_CELL.CONVERSATION_ID.eq(conversation))
                .and(WRITTEN_CELL.TABLE_ID.eq(table))
                .and(WRITTEN_CELL.ROW_ID.eq(row))
                .and(WRITTEN_CELL.COLUMN_KEY.in(cells.keySet()))
                .execute();
        cells.forEach((key, cell) -> db.insertInto(WRITTEN_CELL)
                .columns(
                        WRITTEN_CELL.CONVERSATION_ID,
                        WRITTEN_CELL.TABLE_ID,
                        WRITTEN_CELL.ROW_ID,
                        WRITTEN_CELL.COLUMN_KEY,
                        WRITTEN_CELL.PRINT)
                .values(conversation, table, row, key, Ids.hash(cell))
                .execute());
    }

    List<Written> written(String conversation) {
        return db.selectFrom(WRITTEN_CELL)
                .where(WRITTEN_CELL.CONVERSATION_ID.eq(conversation))
                .orderBy(WRITTEN_CELL.TABLE_ID, WRITTEN_CELL.ROW_ID)
                .fetch(row -> new Written(row.getTableId(), row.getRowId(), row.getColumnKey(), row.getPrint()));
    }

    /** Forgets what a conversation wrote, and what rows that it wrote to were before. */
    void forget(String conversation, List<Written> emptied) {
        emptied.forEach(cell -> db.deleteFrom(DATA_ROW_PAST)
                .where(DATA_ROW_PAST.TABLE_ID.eq(cell.table()), DATA_ROW_PAST.ROW_ID.eq(cell.row()))
                .execute());
        db.deleteFrom(WRITTEN_CELL)
                .where(WRITTEN_CELL.CONVERSATION_ID.eq(conversation))
                .execute();
    }
}
