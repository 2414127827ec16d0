package com.shuttle.tables;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.table.Column;
import com.shuttle.web.Json;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;

/** Keeps the cells of rows from before as they are searched and ordered. */
@Component
class V11__Cells extends BaseJavaMigration {

    @Override
    public void migrate(Context context) throws Exception {
        Map<String, List<Column>> columns = new HashMap<>();
        try (Statement read = context.getConnection().createStatement();
                PreparedStatement write = context.getConnection()
                        .prepareStatement("insert into data_cell (table_id, row_id, column_key, low, figure)"
                                + " values (?, ?, ?, ?, ?)")) {
            try (ResultSet tables = read.executeQuery("select id, columns from data_table")) {
                while (tables.next()) {
                    columns.put(tables.getString(1), Json.readAll(tables.getString(2), Column.class));
                }
            }
            try (ResultSet rows = read.executeQuery("select table_id, id, cells from data_row")) {
                while (rows.next()) {
                    Map<String, String> cells = Json.texts(rows.getString(3));
                    for (IndexedCell cell : IndexedCell.of(requireNonNull(columns.get(rows.getString(1))), cells)) {
                        write.setString(1, rows.getString(1));
                        write.setString(2, rows.getString(2));
                        write.setString(3, cell.column());
                        write.setString(4, cell.low());
                        write.setObject(5, cell.figure());
                        write.addBatch();
                    }
                }
            }
            write.executeBatch();
        }
    }
}
