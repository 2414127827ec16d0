package com.shuttle.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.TableService;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

@ServerTest
class CollectionTablesTest {

    private static final Table BOATS = new Table(
            "boats-asked",
            "Boats",
            List.of("kayak"),
            List.of(new Column("c1", "Boat", Kind.TEXT, ""), new Column("c2", "Weight", Kind.NUMBER, "kg")),
            List.of(new Row("h", Map.of("c1", "Heron", "c2", "26")), new Row("d", Map.of("c1", "Dabchick", "c2", "9"))),
            true);

    private final KnowledgeService knowledge;
    private final CollectionTables chosen;
    private final TableService tables;
    private final Indexes indexes;
    private final TestData data;

    CollectionTablesTest(
            KnowledgeService knowledge, CollectionTables chosen, TableService tables, Indexes indexes, TestData data) {
        this.knowledge = knowledge;
        this.chosen = chosen;
        this.tables = tables;
        this.indexes = indexes;
        this.data = data;
    }

    private Finding ask(String collection, String question) {
        return knowledge.ask(List.of(collection), List.of(question));
    }

    @Test
    void aCollectionAnswersFromTheTablesThatItChose() {
        String collection = TestData.good(knowledge.create(data.name("Collection")));
        String table = tables.add(BOATS.as(data.name("ref")));
        assertThat(ask(collection, "the lightest boat").matches()).isEmpty();

        chosen.choose(collection, List.of(table, "gone"));
        Finding finding = ask(collection, "which kayak is lighter than 20 kg?");
        Match match = finding.matches().getFirst();
        assertThat(match.source()).isEqualTo(Source.TABLE);
        assertThat(finding.reply()).contains("**Dabchick**: 9 kg").doesNotContain("Heron");
        assertThat(knowledge.entryByRef(List.of(collection), match.ref())).contains(match);
        assertThat(ask(collection, "which kaiak is lighter than 20 kg?").reply())
                .contains("Dabchick");
        assertThat(knowledge.collection(collection).tables()).isOne();
        assertThat(chosen.of(table)).extracting("path").containsExactly("/knowledge/" + collection + "/tables");

        chosen.choose(collection, List.of());
        assertThat(ask(collection, "the lightest boat").matches()).isEmpty();
    }

    @Test
    void aChangedRowIsAnsweredFromAtOnceWithoutANewIndex() {
        String collection = TestData.good(knowledge.create(data.name("Collection")));
        String table = tables.add(BOATS.as(data.name("ref")));
        chosen.choose(collection, List.of(table));
        assertThat(ask(collection, "the lightest boat").reply()).contains("Dabchick");
        var index = indexes.current(Set.of(collection));

        TestData.good(tables.changeRows(table, Map.of("cell.h.c2", "8")));
        assertThat(ask(collection, "the lightest boat").reply()).contains("Heron");
        assertThat(indexes.current(Set.of(collection))).isSameAs(index);
    }

    @Test
    void contentBroughtInHasItsTablesAndDraftsAreNotAnsweredFrom() {
        Table asked = BOATS.as(data.name("asked"));
        Table draft = new Table(data.name("draft"), "Drafts", List.of(), BOATS.columns(), BOATS.rows(), false);
        String collection = knowledge.bringIn(
                "", data.name("Collection"), new Content(List.of(), List.of(), List.of(), List.of(asked, draft)));
        assertThat(knowledge.content(collection).tables()).containsExactly(asked);
        assertThat(tables.all()).extracting("ref").contains(draft.ref());
        knowledge.delete(collection);
        String again = knowledge.bringIn(
                "", data.name("Collection"), new Content(List.of(), List.of(), List.of(), List.of(asked)));
        assertThat(knowledge.content(again).tables()).as("the same table").containsExactly(asked);
    }

    @Test
    void aTableThatTwoCollectionsHaveIsAskedOnce() {
        String one = TestData.good(knowledge.create(data.name("Collection")));
        String two = TestData.good(knowledge.create(data.name("Collection")));
        String table = tables.add(BOATS.as(data.name("ref")));
        chosen.choose(one, List.of(table));
        chosen.choose(two, List.of(table));
        Finding finding = knowledge.ask(List.of(one, two), List.of("the lightest boat"));
        assertThat(finding.matches()).hasSize(1);
        assertThat(knowledge.entryByRef(
                        List.of(two, one), finding.matches().getFirst().ref()))
                .isPresent();
    }
}
