package com.shuttle.tables;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.conversation.Deed.SaveRow;
import com.shuttle.core.conversation.Deed.SaveRow.Write;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.flow.Writing;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.RowsFound;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.StoredTable.StoredRow;
import com.shuttle.web.Checked;
import com.shuttle.web.Wanted;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What rows were, how many there may be, and what they refer to. */
@ServerTest
class TableRowsTest {

    private final TableService tables;
    private final ReferenceCells references;
    private final RowHistory history;

    TableRowsTest(TableService tables, ReferenceCells references, RowHistory history) {
        this.tables = tables;
        this.references = references;
        this.history = history;
    }

    /** Two boats with their weight. */
    private String boats() {
        List<Column> columns = List.of(
                new Column("c1", "Boat", Column.Kind.TEXT, ""), new Column("c2", "Weight", Column.Kind.NUMBER, "kg"));
        List<Row> rows = List.of(
                new Row("r1", Map.of("c1", "Heron", "c2", "26")), new Row("r2", Map.of("c1", "Dabchick", "c2", "9")));
        String ref = "boats-" + System.identityHashCode(rows);
        return tables.add(new Table(ref, "Boats", List.of(), columns, rows, true));
    }

    @Test
    void whatARowWasIsKeptAndCanBePutBack() {
        String id = boats();
        StoredRow heron = tables.rows(tables.table(id), Wanted.of(Map.of("q", "heron")))
                .items()
                .getFirst();
        String row = heron.row().id();
        TestData.good(tables.changeRows(id, Map.of("cell." + row + ".c2", "30")));
        TestData.good(tables.changeRows(id, Map.of("cell." + row + ".c2", "31")));
        assertThat(history.states(id, row))
                .extracting(state -> state.cells().get(1))
                .containsExactly("31 kg", "30 kg", "26 kg");
        TestData.good(tables.putBack(id, row, heron.version()));
        assertThat(tables.row(id, row).row().cells()).containsEntry("c2", "26");
        assertThat(history.states(id, row)).hasSize(4);
    }

    @Test
    void fiftyThousandRowsAreKeptFoundAndFiltered() {
        List<Column> columns = List.of(
                new Column("c1", "Name", Column.Kind.TEXT, ""),
                new Column("c2", "Kind", Column.Kind.CHOICE, "odd, even"));
        List<Row> rows = IntStream.range(0, 50_000)
                .mapToObj(i -> new Row("r" + i, Map.of("c1", "Thing " + i, "c2", i % 2 == 0 ? "even" : "odd")))
                .toList();
        String id = tables.add(new Table("many-things", "Many things", List.of(), columns, rows, true));
        StoredTable table = tables.table(id);
        assertThat(tables.rows(table, Wanted.of(Map.of("c2", "odd"))).total()).isEqualTo(25_000);
        RowsFound found = tables.find(new Query.Rows(
                id,
                List.of(
                        new Query.Rows.Filter("c1", Comparison.IS, "thing 49998"),
                        new Query.Rows.Filter("c2", Comparison.IS, "even")),
                "",
                false,
                5));
        assertThat(found.rows()).extracting(Row::id).containsExactly("r49998");
        tables.delete(id);
    }

    @Test
    void aReferenceLeadsToARowThatIsThere() {
        String boats = boats();
        String trips = TestData.good(tables.create("Trips"));
        Map<String, String> columns = Map.of(
                "name", "Trips",
                "column.0.key", "c1",
                "column.0.name", "Trip",
                "column.1.name", "Boat",
                "column.1.kind", "REFERENCE",
                "column.1.unit", "no such table");
        assertThat(tables.changeSettings(trips, columns)).isInstanceOf(Checked.Bad.class);
        Map<String, String> right = new HashMap<>(columns);
        right.put("column.1.unit", tables.table(boats).ref());
        TestData.good(tables.changeSettings(trips, right));
        assertThat(tables.changeRows(trips, Map.of("cell.new0.c1", "Round the isle", "cell.new0.c2", "Swan")))
                .isEqualTo(Checked.bad("cell.new0.c2", "There is no “Swan” in Boats."));
        TestData.good(tables.changeRows(trips, Map.of("cell.new0.c1", "Round the isle", "cell.new0.c2", "Heron")));
        List<Write> swan = List.of(new Write("c1", Writing.SET, "Home"), new Write("c2", Writing.SET, "Swan"));
        assertThat(tables.save(new SaveRow(trips, "", swan))).contains("no “Swan”");
        StoredRow heron = tables.rows(tables.table(boats), Wanted.of(Map.of("q", "heron")))
                .items()
                .getFirst();
        TestData.good(tables.changeRows(boats, Map.of("delete." + heron.row().id(), "on")));
        StoredTable stored = tables.table(trips);
        assertThat(references
                        .faults(stored, tables.rows(stored, Wanted.ALL).items())
                        .values())
                .containsExactly("There is no “Heron” in Boats.");
        assertThat(references.of(boats)).extracting(TableUse.Place::words).contains("Trips refers to it");
    }
}
