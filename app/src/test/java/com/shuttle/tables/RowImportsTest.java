package com.shuttle.tables;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.Waiting;
import com.shuttle.core.conversation.Deed.SaveRow;
import com.shuttle.core.conversation.Deed.SaveRow.Write;
import com.shuttle.core.flow.Writing;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.RowImports.Done;
import com.shuttle.tables.RowImports.Way;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

@ServerTest
class RowImportsTest {

    private static final List<Column> COLUMNS = List.of(
            new Column("c1", "Boat", Kind.TEXT, ""),
            new Column("c2", "Weight", Kind.NUMBER, "kg"),
            new Column("c3", "Price", Kind.MONEY, "GBP"));
    private static final int VISITORS = 3;
    private static final int SAVES = 30;

    private final TestData data;
    private final TableService tables;
    private final RowImports imports;

    RowImportsTest(TestData data, TableService tables, RowImports imports) {
        this.data = data;
        this.tables = tables;
        this.imports = imports;
    }

    private String boats(int rows) {
        return tables.add(new Table(
                data.name("boats").replace(' ', '-'),
                "Boats",
                List.of(),
                COLUMNS,
                IntStream.range(0, rows)
                        .mapToObj(i -> new Row("r" + i, Map.of("c1", "Boat " + i, "c2", "" + i)))
                        .toList(),
                true));
    }

    private static List<Row> brought(int from, int to) {
        return IntStream.range(from, to)
                .mapToObj(i -> new Row("b" + i, Map.of("c1", "BOAT " + i, "c3", "" + i)))
                .toList();
    }

    private Done bring(String id, List<Row> rows, Way way) {
        return imports.bring(tables.table(id), rows, way, COLUMNS.getFirst());
    }

    private String visitorSaves(String id, String name) {
        return tables.save(
                new SaveRow(id, "c1", List.of(new Write("c1", Writing.SET, name), new Write("c2", Writing.SET, "7"))));
    }

    private List<String> titles(String id) {
        return tables.whole(id).rows().stream()
                .map(row -> row.cells().get("c1"))
                .toList();
    }

    @Test
    void rowsOfTheSameNameTakeOnTheCellsThatAreBroughtAndItIsTakenBackWhole() {
        String id = boats(450);
        Table before = tables.whole(id);
        List<Row> rows = new ArrayList<>(brought(440, 700));
        rows.add(new Row("again", Map.of("c1", "boat 699", "c2", "5")));
        Done done = bring(id, rows, Way.MERGE);
        assertThat(done.stopped()).isEmpty();
        assertThat(done.rows()).isEqualTo(261);
        List<Row> now = tables.whole(id).rows();
        assertThat(now).hasSize(700);
        assertThat(now.get(445)).isEqualTo(new Row("r445", Map.of("c1", "BOAT 445", "c2", "445", "c3", "445")));
        assertThat(now.getLast().cells()).isEqualTo(Map.of("c1", "boat 699", "c2", "5", "c3", "699"));
        imports.takeBack(done.before());
        assertThat(tables.whole(id)).isEqualTo(before);
    }

    @Test
    void whatIsAddedStandsBelowAndWhatIsReplacedIsGone() {
        String id = boats(250);
        bring(id, brought(0, 10), Way.ADD);
        assertThat(titles(id)).hasSize(260).endsWith("BOAT 8", "BOAT 9");
        Table before = tables.whole(id);
        Done done = bring(id, List.of(new Row("x", Map.of("c1", "Heron"))), Way.REPLACE);
        assertThat(titles(id)).containsExactly("Heron");
        imports.takeBack(done.before());
        assertThat(tables.whole(id).rows()).containsExactlyInAnyOrderElementsOf(before.rows());
    }

    @Test
    void otherColumnsStopAnImportWithASentence() {
        String id = boats(1);
        StoredTable seen = tables.table(id);
        Table whole = tables.whole(id);
        tables.set(id, new Table(whole.ref(), "Boats", List.of(), COLUMNS.subList(0, 2), whole.rows(), true));
        Done done = imports.bring(seen, brought(0, 5), Way.ADD, COLUMNS.getFirst());
        assertThat(done.rows()).isZero();
        assertThat(done.stopped()).contains("changed the columns");
        assertThat(titles(id)).containsExactly("Boat 0");
    }

    /** Whoever is told that a row is saved while others are brought in finds it afterwards. */
    @ParameterizedTest
    @EnumSource
    void noRowSavedMeanwhileIsLost(Way way) throws Exception {
        String id = boats(600);
        List<Row> rows = new ArrayList<>(brought(600, 1800));
        rows.addAll(brought(300, 600));
        List<String> told = new ArrayList<>();
        try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
            Future<Done> done = threads.submit(() -> bring(id, rows, way));
            Waiting.until("the first rows", () -> tables.table(id).rows() > 600);
            List<Future<List<String>>> visitors = IntStream.range(0, VISITORS)
                    .mapToObj(who -> threads.submit(() -> saves(id, who)))
                    .toList();
            assertThat(done.get().stopped()).isEmpty();
            for (Future<List<String>> visitor : visitors) {
                told.addAll(visitor.get());
            }
        }
        assertThat(titles(id).stream().map(String::toLowerCase))
                .containsAll(told)
                .contains("boat 300", "boat 1799")
                .hasSizeGreaterThanOrEqualTo(1500 + told.size() / 2);
    }

    /** Rows of a visitor's own, and some that the import may be about. */
    private List<String> saves(String id, int who) {
        List<String> told = new ArrayList<>();
        for (int i = 0; i < SAVES; i++) {
            for (String name : List.of("visitor %d %d".formatted(who, i), "boat " + (i * VISITORS + who))) {
                assertThat(visitorSaves(id, name)).isEmpty();
                told.add(name);
            }
        }
        return told;
    }
}
