package com.shuttle.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

@ServerTest
class TableServiceTest {

    private final KnowledgeService knowledge;
    private final TableService tables;
    private final TestData data;

    private String collection = "";

    TableServiceTest(KnowledgeService knowledge, TableService tables, TestData data) {
        this.knowledge = knowledge;
        this.tables = tables;
        this.data = data;
    }

    private String boats() {
        collection = TestData.good(knowledge.create(data.name("Collection")));
        String id = TestData.good(tables.create(collection, "Boats"));
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

    private static Map<String, String> settings(Map<String, String> other) {
        Map<String, String> form = new HashMap<>(Map.of(
                "name", "Boats",
                "also", "canoe, kayak",
                "state", "published",
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

    private static Map<String, String> errors(Checked<String> refused) {
        return ((Checked.Bad<String>) refused).errors();
    }

    private Table table(String id) {
        return tables.table(id).table();
    }

    @Test
    void rowsAreReadTypedAndAskedAtOnce() {
        String id = boats();
        assertThat(table(id).rows())
                .extracting(Row::cells)
                .containsExactly(Map.of("c1", "Heron", "c2", "26"), Map.of("c1", "Dabchick", "c2", "9"));
        Finding finding = knowledge.ask(List.of(collection), List.of("which kayak is lighter than 20 kg?"));
        Match match = finding.matches().getFirst();
        assertThat(match.source()).isEqualTo(Source.TABLE);
        assertThat(finding.reply()).contains("**Dabchick**: 9 kg").doesNotContain("Heron");
        assertThat(knowledge.entryByRef(List.of(collection), match.ref())).contains(match);

        String heron = table(id).rows().getFirst().id();
        TestData.good(tables.changeRows(id, Map.of("cell." + heron + ".c2", "8")));
        assertThat(knowledge
                        .ask(List.of(collection), List.of("the lightest boat"))
                        .reply())
                .contains("Heron");
        TestData.good(tables.changeRows(id, Map.of("delete." + heron, "on")));
        assertThat(knowledge
                        .ask(List.of(collection), List.of("how many boats are there"))
                        .reply())
                .contains("**1** boat");
    }

    @Test
    void aDraftIsNotAskedAndATableComesBackAsItWas() {
        String id = boats();
        StoredTable before = tables.table(id);
        TestData.good(tables.changeSettings(id, settings(Map.of("state", "draft"))));
        assertThat(knowledge
                        .ask(List.of(collection), List.of("the lightest boat"))
                        .matches())
                .isEmpty();
        tables.restore(before);
        assertThat(table(id)).isEqualTo(before.table());
        tables.delete(id);
        assertThatThrownBy(() -> tables.table(id)).isInstanceOf(Missing.class);
        tables.restore(before);
        assertThat(table(id)).isEqualTo(before.table());
        assertThat(knowledge.content(collection).tables()).containsExactly(before.table());
        assertThat(knowledge.collection(collection).tables()).isOne();
    }

    @Test
    void whatDoesNotFitIsRefusedAtItsFieldAndNothingIsSaved() {
        String id = boats();
        Table before = table(id);
        assertThat(errors(tables.changeRows(id, Map.of("cell.new0.c2", "heavy", "cell.new1.c2", "4"))))
                .isEqualTo(Map.of("cell.new0.c2", "“heavy” is not a number of kg."));
        assertThat(errors(tables.changeRows(id, Map.of("cell.new1.c2", "4"))))
                .isEqualTo(Map.of("cell.new1.c1", "A row needs its Boat."));
        assertThat(errors(tables.changeSettings(id, settings(Map.of("column.0.kind", "NUMBER"))))
                        .get("table"))
                .contains("Boat of Heron: “Heron” is not a number.");
        assertThat(errors(tables.changeSettings(id, settings(Map.of("column.2.name", "weight", "name", " ")))))
                .containsOnlyKeys("name", "column.2.name");
        assertThat(table(id)).isEqualTo(before);
    }

    @Test
    void columnsAreAddedAndDeletedWithTheirCells() {
        String id = boats();
        TestData.good(tables.changeSettings(
                id, settings(Map.of("column.1.delete", "on", "column.2.name", "Folds", "column.2.kind", "YES_NO"))));
        assertThat(table(id).columns())
                .extracting(column -> column.name() + column.kind())
                .containsExactly("BoatTEXT", "FoldsYES_NO");
        assertThat(table(id).columns().get(1).kind()).isEqualTo(Kind.YES_NO);
        assertThat(table(id).rows()).allSatisfy(row -> assertThat(row.cells()).containsOnlyKeys("c1"));
    }

    @Test
    void rowsAreSearchedAndOrdered() {
        String id = boats();
        TestData.good(tables.changeRows(id, Map.of("cell.new0.c1", "Unweighed")));
        Table table = table(id);
        assertThat(TableService.rows(table, "", "c2", 1).items())
                .extracting(row -> row.cells().get("c1"))
                .containsExactly("Dabchick", "Heron", "Unweighed");
        assertThat(TableService.rows(table, "", "-c2", 1).items())
                .extracting(row -> row.cells().get("c1"))
                .containsExactly("Heron", "Dabchick", "Unweighed");
        assertThat(TableService.rows(table, "HER", "", 1).total()).isOne();
        assertThat(TableService.rows(table, "", "", 99).items()).isEmpty();
    }
}
