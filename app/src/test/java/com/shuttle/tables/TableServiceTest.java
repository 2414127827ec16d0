package com.shuttle.tables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.conversation.Deed.SaveRow;
import com.shuttle.core.conversation.Deed.SaveRow.Write;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.Query.Rows.Filter;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.flow.Writing;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.RowsFound;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.StoredTable.Before;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import com.shuttle.web.Wanted;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

@ServerTest
class TableServiceTest {

    private final TableService tables;
    private final RowImports imports;

    TableServiceTest(TableService tables, RowImports imports) {
        this.tables = tables;
        this.imports = imports;
    }

    private String boats() {
        String id = TestData.good(tables.create("Boats"));
        TestData.good(tables.changeSettings(id, settings(Map.of())));
        TestData.good(tables.changeRows(
                id,
                Map.of(
                        "cell.new0.c1",
                        "Heron",
                        "cell.new0.c2",
                        "26 kg",
                        "cell.new1.c1",
                        "Dabchick",
                        "cell.new1.c2",
                        "9000 g",
                        "cell.new2.c1",
                        "",
                        "cell.new2.c2",
                        " ")));
        return id;
    }

    private String walks() {
        List<Column> columns = List.of(
                new Column("c1", "Walk", Kind.TEXT, ""),
                new Column("c2", "Days", Kind.LIST, ""),
                new Column("c3", "Price", Kind.MONEY, "GBP"),
                new Column("c4", "Opens", Kind.DATE, ""));
        return tables.add(new Table(
                "walks-" + System.nanoTime(),
                "Walks",
                List.of(),
                columns,
                List.of(
                        new Row("r1", Map.of("c1", "Tarn", "c2", "Friday, Saturday", "c3", "9", "c4", "2027-03-01")),
                        new Row("r2", Map.of("c1", "Ridge 100%", "c2", "Saturday", "c3", "12.5")),
                        new Row("r3", Map.of("c1", "Night", "c2", "Fridays", "c3", "100", "c4", "2026-10-01"))),
                true));
    }

    private List<String> found(String table, String order, boolean falling, int most, Filter... filters) {
        return tables.find(new Query.Rows(table, List.of(filters), order, falling, most)).rows().stream()
                .map(Row::id)
                .toList();
    }

    @Test
    void rowsAreFoundByWhatTheyHave() {
        String table = walks();
        assertThat(found(table, "", false, 9)).containsExactly("r1", "r2", "r3");
        assertThat(found(table, "", false, 9, new Filter("c2", Comparison.IS, "FRIDAY")))
                .as("one of several values, whole")
                .containsExactly("r1");
        assertThat(found(table, "", false, 9, new Filter("c2", Comparison.HAS, "friday")))
                .containsExactly("r1", "r3");
        assertThat(found(table, "", false, 9, new Filter("c2", Comparison.IS_NOT, "Friday")))
                .containsExactly("r2", "r3");
        assertThat(found(table, "", false, 9, new Filter("c3", Comparison.AT_LEAST, "£12.50")))
                .as("by size, not by letter")
                .containsExactly("r2", "r3");
        assertThat(found(table, "", false, 9, new Filter("c3", Comparison.AT_MOST, "much")))
                .isEmpty();
        assertThat(found(table, "", false, 9, new Filter("c4", Comparison.AT_MOST, "1 March 2027")))
                .containsExactly("r1", "r3");
        assertThat(found(table, "", false, 9, new Filter("c4", Comparison.EMPTY, "")))
                .containsExactly("r2");
        assertThat(found(table, "", false, 9, new Filter("c4", Comparison.FILLED, "")))
                .containsExactly("r1", "r3");
        assertThat(found(table, "", false, 9, new Filter("c1", Comparison.HAS, "0%")))
                .containsExactly("r2");
        assertThat(found(
                        table,
                        "",
                        false,
                        9,
                        new Filter("c1", Comparison.IS, "tarn"),
                        new Filter("c3", Comparison.IS, "9")))
                .containsExactly("r1");
    }

    @Test
    void rowsAreFoundInTheOrderOfAColumnAndOnlySoMany() {
        String table = walks();
        assertThat(found(table, "c3", true, 2)).containsExactly("r3", "r2");
        assertThat(found(table, "c4", false, 9)).as("without one comes last").containsExactly("r3", "r1", "r2");
        assertThat(found(table, "gone", false, 1)).containsExactly("r1");
    }

    @Test
    void whatIsGoneIsToldFromWhatIsNotThere() {
        assertThat(tables.find(new Query.Rows("nowhere", List.of(), "", false, 1)))
                .isEqualTo(RowsFound.NO_TABLE);
        RowsFound found =
                tables.find(new Query.Rows(walks(), List.of(new Filter("c9", Comparison.IS, "x")), "", false, 1));
        assertThat(found.rows()).isEmpty();
        assertThat(found.missing()).containsExactly("c9");
    }

    private static SaveRow save(String table, String key, Write... writes) {
        return new SaveRow(table, key, List.of(writes));
    }

    @Test
    void aRowIsAddedOrTheOneWithTheSameKeyIsChanged() {
        String table = walks();
        Write title = new Write("c1", Writing.SET, "tarn");
        assertThat(tables.save(save(table, "c1", title, new Write("c3", Writing.SET, "£11"))))
                .isEmpty();
        assertThat(tables.save(save(
                        table, "c1", new Write("c1", Writing.SET, "Beck"), new Write("c4", Writing.SET, "1 May 2027"))))
                .isEmpty();
        assertThat(tables.save(save(table, "", title))).isEmpty();
        List<Row> rows = tables.whole(table).rows();
        assertThat(rows).hasSize(5);
        assertThat(rows.getFirst().cells())
                .as("what is not written stays")
                .isEqualTo(Map.of("c1", "tarn", "c2", "Friday, Saturday", "c3", "11", "c4", "2027-03-01"));
        assertThat(rows.get(3).cells()).isEqualTo(Map.of("c1", "Beck", "c4", "2027-05-01"));
    }

    @Test
    void aNumberGrowsAndFallsAndNeverBelowNought() {
        String table = walks();
        Write title = new Write("c1", Writing.SET, "Tarn");
        assertThat(tables.save(save(table, "c1", title, new Write("c3", Writing.TAKE, "8.5"))))
                .isEmpty();
        assertThat(tables.save(save(table, "c1", title, new Write("c3", Writing.TAKE, "1"))))
                .isEqualTo("Of Price only £0.50 is left.");
        assertThat(tables.save(save(table, "c1", title, new Write("c3", Writing.ADD, "2"))))
                .isEmpty();
        assertThat(tables.whole(table).rows().getFirst().cells()).containsEntry("c3", "2.5");
        assertThat(tables.save(
                        save(table, "c1", new Write("c1", Writing.SET, "Fell"), new Write("c3", Writing.TAKE, "1"))))
                .isEqualTo("There is no row of which Price could grow or fall.");
        assertThat(tables.save(save(table, "c1", title, new Write("c2", Writing.ADD, "1"))))
                .isEqualTo("Days is no number that could grow or fall.");
    }

    @Test
    void whatCannotBeSavedIsToldAndChangesNothing() {
        String table = walks();
        Table before = tables.whole(table);
        assertThat(tables.save(save("nowhere", "", new Write("c1", Writing.SET, "x"))))
                .isEqualTo("The table is gone.");
        assertThat(tables.save(save(table, "", new Write("c9", Writing.SET, "x"))))
                .isEqualTo("The table has no column c9 any more.");
        assertThat(tables.save(save(table, "", new Write("c4", Writing.SET, "soon"))))
                .startsWith("Opens: “soon” is not a date");
        assertThat(tables.save(save(table, "c1", new Write("c3", Writing.SET, "3"))))
                .isEqualTo("There is nothing to find the row by.");
        assertThat(tables.save(save(table, ""))).isEqualTo("There is nothing to save.");
        assertThat(tables.whole(table)).isEqualTo(before);
    }

    @Test
    void whetherRowsMayBeSavedIsTriedOutTogetherAndLeavesNothingBehind() {
        String table = walks();
        Table before = tables.whole(table);
        SaveRow half = save(table, "c1", new Write("c1", Writing.SET, "Tarn"), new Write("c3", Writing.TAKE, "5"));
        assertThat(tables.maySave(List.of(half))).isEmpty();
        assertThat(tables.maySave(List.of(half, half))).isEqualTo("Of Price only £4 is left.");
        assertThat(tables.whole(table)).isEqualTo(before);
    }

    private static Map<String, String> settings(Map<String, String> other) {
        Map<String, String> form = new HashMap<>(Map.of(
                "name", "Boats",
                "also", "canoe, kayak",
                "column.0.key", "c1",
                "column.0.name", "Boat",
                "column.1.key", "c2",
                "column.1.name", "Weight",
                "column.1.kind", "NUMBER",
                "column.1.unit", "kg"));
        form.put("column.2.name", "");
        form.putAll(other);
        return form;
    }

    private static Map<String, String> errors(Checked<?> refused) {
        return ((Checked.Bad<?>) refused).errors();
    }

    private List<Map<String, String>> cells(String id) {
        return tables.whole(id).rows().stream().map(Row::cells).toList();
    }

    private List<String> titles(String id, String search, String sort) {
        return tables.rows(tables.table(id), new Wanted(search, Map.of(), sort, 1)).items().stream()
                .map(row -> row.row().cells().get("c1"))
                .toList();
    }

    private String row(String id, int at) {
        return tables.whole(id).rows().get(at).id();
    }

    @Test
    void rowsAreReadTypedAndChangedOneByOne() {
        String id = boats();
        assertThat(cells(id)).containsExactly(Map.of("c1", "Heron", "c2", "26"), Map.of("c1", "Dabchick", "c2", "9"));
        long version = tables.table(id).version();
        TestData.good(tables.changeRows(id, Map.of("cell." + row(id, 0) + ".c2", "8")));
        assertThat(cells(id)).containsExactly(Map.of("c1", "Heron", "c2", "8"), Map.of("c1", "Dabchick", "c2", "9"));
        assertThat(tables.table(id).version()).isEqualTo(version + 1);
        assertThat(tables.rows(tables.table(id), Wanted.ALL).items())
                .extracting(StoredTable.StoredRow::version)
                .containsExactly(2L, 1L);
        TestData.good(tables.changeRows(id, Map.of("delete." + row(id, 0), "on")));
        assertThat(titles(id, "", "")).containsExactly("Dabchick");
    }

    @Test
    void changesAreTakenBackAndMadeAgain() {
        String id = boats();
        Table before = tables.whole(id);
        Before back = TestData.good(tables.changeRows(
                id,
                Map.of("cell." + row(id, 0) + ".c2", "27", "delete." + row(id, 1), "on", "cell.new0.c1", "Moorhen")));
        Table after = tables.whole(id);
        Before again = imports.takeBack(back);
        assertThat(tables.whole(id)).isEqualTo(before);
        imports.takeBack(again);
        assertThat(cells(id))
                .containsExactlyInAnyOrderElementsOf(
                        after.rows().stream().map(Row::cells).toList());

        Before columns = TestData.good(tables.changeSettings(id, settings(Map.of("column.1.delete", "on"))));
        assertThat(cells(id)).allSatisfy(row -> assertThat(row).containsOnlyKeys("c1"));
        imports.takeBack(columns);
        assertThat(titles(id, "", "-c2")).containsExactly("Heron", "Moorhen");

        Before deleted = tables.delete(id);
        assertThatThrownBy(() -> tables.table(id)).isInstanceOf(Missing.class);
        imports.takeBack(deleted);
        assertThat(titles(id, "", "c2")).containsExactly("Heron", "Moorhen");
    }

    @Test
    void whatOthersChangedMeanwhileIsNeitherOverwrittenNorTakenBack() {
        String id = boats();
        String heron = row(id, 0);
        String seen =
                tables.rows(tables.table(id), Wanted.ALL).items().getFirst().fingerprint();
        Before mine = TestData.good(tables.changeRows(id, Map.of("cell." + heron + ".c2", "30")));

        assertThat(errors(tables.changeRows(id, Map.of("seen." + heron, seen, "cell." + heron + ".c2", "31"))))
                .containsEntry(
                        "cell." + heron + ".c1",
                        "This row was changed meanwhile: Heron, 30 kg. Save again to put yours in its place.");
        TestData.good(tables.changeRows(
                id, Map.of("seen." + heron, seen, "cell." + heron + ".c1", "Heron", "cell." + heron + ".c2", "26")));
        assertThat(cells(id).getFirst()).as("what was not touched stays").containsEntry("c2", "30");

        TestData.good(tables.changeRows(id, Map.of("cell." + heron + ".c2", "32")));
        imports.takeBack(mine);
        assertThat(cells(id).getFirst()).as("changed again since").containsEntry("c2", "32");
    }

    @Test
    void whatDoesNotFitIsRefusedAtItsFieldAndNothingIsSaved() {
        String id = boats();
        Table before = tables.whole(id);
        assertThat(errors(tables.changeRows(id, Map.of("cell.new0.c2", "heavy", "cell.new1.c1", "Otter"))))
                .isEqualTo(Map.of("cell.new0.c2", "“heavy” is not a number of kg."));
        assertThat(errors(tables.changeRows(id, Map.of("cell.new1.c2", "4"))))
                .isEqualTo(Map.of("cell.new1.c1", "A row needs its Boat."));
        assertThat(errors(tables.changeSettings(id, settings(Map.of("column.0.kind", "NUMBER"))))
                        .get("table"))
                .contains("Boat of Heron: “Heron” is not a number.");
        assertThat(errors(tables.changeSettings(id, settings(Map.of("column.2.name", "weight", "name", " ")))))
                .containsOnlyKeys("name", "column.2.name");
        assertThat(tables.whole(id)).isEqualTo(before);
    }

    @Test
    void columnsAreAddedAndDeletedWithTheirCells() {
        String id = boats();
        TestData.good(tables.changeSettings(
                id, settings(Map.of("column.1.delete", "on", "column.2.name", "Folds", "column.2.kind", "YES_NO"))));
        assertThat(tables.table(id).columns())
                .extracting(column -> column.name() + column.kind())
                .containsExactly("BoatTEXT", "FoldsYES_NO");
        assertThat(cells(id)).allSatisfy(row -> assertThat(row).containsOnlyKeys("c1"));
    }

    @Test
    void rowsAreSearchedAndOrderedByTheDatabase() {
        String id = boats();
        TestData.good(tables.changeRows(id, Map.of("cell.new0.c1", "Unweighed", "cell.new1.c1", "100%")));
        assertThat(titles(id, "", "c2")).containsExactly("Dabchick", "Heron", "Unweighed", "100%");
        assertThat(titles(id, "", "-c2")).containsExactly("Heron", "Dabchick", "Unweighed", "100%");
        assertThat(titles(id, "", "c1")).containsExactly("100%", "Dabchick", "Heron", "Unweighed");
        assertThat(titles(id, "HER", "")).containsExactly("Heron");
        assertThat(titles(id, "0%", "")).containsExactly("100%");
        assertThat(tables.rows(tables.table(id), new Wanted("", Map.of(), "", 99))
                        .items())
                .isEmpty();
    }

    @Test
    void aTableMadeElsewhereIsTakenOnceAndNeverInThePlaceOfAnother() {
        Column title = new Column("c1", "Name", Kind.TEXT, "");
        List<Row> rows = IntStream.range(0, 60)
                .mapToObj(i -> new Row("r" + i, Map.of("c1", "Row " + i)))
                .toList();
        Table table = new Table("made-elsewhere", "Things", List.of(), List.of(title), rows, true);
        String id = tables.add(table);
        assertThat(tables.add(table)).isEqualTo(id);
        assertThat(tables.whole(id)).isEqualTo(table);
        String other = tables.add(table.with(rows.subList(0, 3)));
        assertThat(other).isNotEqualTo(id);
        assertThat(tables.whole(other).ref()).isNotEqualTo(table.ref());
        assertThat(tables.tables("THINGS", "-rows", 1).items())
                .extracting(StoredTable::rows)
                .containsExactly(60, 3);
    }
}
