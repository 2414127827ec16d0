package com.shuttle.tables;

import com.shuttle.AtOnce;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.conversation.Deed.SaveRow;
import com.shuttle.core.conversation.Deed.SaveRow.Write;
import com.shuttle.core.flow.Writing;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.web.Wanted;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Two people, a bot and an import at one table. */
@ServerTest
class TablesAtOnceTest {

    private static final List<Column> COLUMNS =
            List.of(new Column("c1", "Boat", Kind.TEXT, ""), new Column("c2", "Places", Kind.NUMBER, ""));

    private final TestData data;
    private final TableService tables;
    private final RowImports imports;

    TablesAtOnceTest(TestData data, TableService tables, RowImports imports) {
        this.data = data;
        this.tables = tables;
        this.imports = imports;
    }

    private String table() {
        return tables.add(new Table(
                data.name("at-once").replace(' ', '-'),
                "Boats",
                List.of(),
                COLUMNS,
                List.of(
                        new Row("r1", Map.of("c1", "Heron", "c2", "4")),
                        new Row("r2", Map.of("c1", "Coot", "c2", "2"))),
                true));
    }

    /** Rows that are made have ids of their own each time, and stand in the order in which they came. */
    private Object state(String id) {
        Table whole = tables.whole(id);
        return List.of(
                whole.name(),
                whole.columns(),
                whole.rows().stream()
                        .map(Row::cells)
                        .map(Object::toString)
                        .sorted()
                        .toList());
    }

    private AtOnce.Action rows(String id, Map<String, String> cells) {
        Map<String, String> form = new HashMap<>(cells);
        tables.rows(tables.table(id), Wanted.ALL)
                .items()
                .forEach(row -> form.put("seen." + row.row().id(), row.fingerprint()));
        return () -> tables.changeRows(id, form).getClass();
    }

    private AtOnce.Action saves(String id, String boat, Writing how, String places) {
        SaveRow save = new SaveRow(id, "c1", List.of(new Write("c1", Writing.SET, boat), new Write("c2", how, places)));
        return () -> tables.save(save);
    }

    @Test
    void whatTwoDoAtOnceIsWhatTheyDoInTurn() throws Exception {
        new AtOnce<>(this::table, this::state)
                .can("adds a row", id -> rows(id, Map.of("cell.new0.c1", "Moorhen")))
                .can("changes a row", id -> rows(id, Map.of("cell.r1.c2", "5")))
                .can("deletes a row", id -> rows(id, Map.of("delete.r2", "on")))
                .can("a bot takes a place", id -> saves(id, "Heron", Writing.TAKE, "1"))
                .can("a bot saves a row", id -> saves(id, "Dabchick", Writing.SET, "3"))
                .can("an import merges", id -> {
                    StoredTable seen = tables.table(id);
                    List<Row> rows = List.of(
                            new Row("i1", Map.of("c1", "heron", "c2", "9")), new Row("i2", Map.of("c1", "Grebe")));
                    return () -> imports.bring(seen, rows, RowImports.Way.MERGE, COLUMNS.getFirst())
                            .rows();
                })
                .check();
    }
}
