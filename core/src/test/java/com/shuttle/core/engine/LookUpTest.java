package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.Query.Rows.Filter;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.RowsFound;
import com.shuttle.core.table.Table.Row;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Look up: rows of a table into variables or a list, as they are at that moment. */
class LookUpTest {

    private static final List<Column> COLUMNS = List.of(
            new Column("c1", "Guide", Kind.TEXT, ""),
            new Column("c2", "Since", Kind.DATE, ""),
            new Column("c3", "Fee", Kind.MONEY, "GBP"),
            new Column("c4", "Groups", Kind.NUMBER, ""),
            new Column("c5", "Outdoors", Kind.YES_NO, ""));

    private static final List<Row> ROWS = List.of(
            new Row("r1", Map.of("c1", "Ilka", "c2", "2024-05-01", "c3", "35", "c4", "40", "c5", "yes")),
            new Row("r2", Map.of("c1", "Bo *Reed*", "c4", "12")));

    private static final Flow ONE = FlowBuilder.flow("main")
            .question("q", "Which language?", ValueType.TEXT, "language", "l")
            .json("{'kind':'look_up','id':'l','table':'t1','where':["
                    + "{'id':'w1','column':'c9','comparison':'is','value':'{{language}}'},"
                    + "{'id':'w2','column':'c8','comparison':'at_least','value':'{{guests}}'},"
                    + "{'id':'w3','column':'c7','comparison':'empty'}],"
                    + "'takes':[{'id':'t1','column':'c1','variable':'guide'},{'id':'t2','column':'c3','variable':'fee','type':'money'},"
                    + "{'id':'t3','column':'c4','variable':'groups','type':'number'},{'id':'t4','column':'c2','variable':'since','type':'date'},"
                    + "{'id':'t5','column':'c5','variable':'out','type':'yes_no'}],"
                    + "'exits':{'found':'step:m','none':'step:n'}}")
            .message("m", "{{guide}} for {{fee}}, up to {{groups}}.", null)
            .message("n", "Nobody.", null)
            .build();

    private static final Flow MANY = FlowBuilder.flow("main")
            .json(
                    "{'kind':'look_up','id':'l','table':'t1','many':true,'list':'guides','order':'c1','exits':{'found':'step:c'}}")
            .json(
                    "{'kind':'choice','id':'c','ask':['Who?'],'options':[],'from':'guides','variable':'guide','exits':{'picked':'step:m'}}")
            .message("m", "So {{guide}}.", null)
            .build();

    private final List<Query.Rows> asked = new ArrayList<>();

    private FakeWorld finding(RowsFound found) {
        FakeWorld world = new FakeWorld();
        world.rows = query -> {
            asked.add(query);
            return new RowsFound(
                    found.columns(), found.rows().stream().limit(query.most()).toList(), found.missing());
        };
        return world;
    }

    @Test
    void cellsOfTheFirstRowGoIntoVariablesOfTheirTypes() {
        Talk talk =
                Talk.with(finding(new RowsFound(COLUMNS, ROWS, List.of())), ONE).says("German");
        talk.hears("Ilka for £35, up to 40.");
        assertThat(talk.state.variables())
                .containsEntry("fee", new Value.Money(new BigDecimal("35"), "GBP"))
                .containsEntry("groups", Value.Numeric.of(40))
                .containsEntry("out", new Value.YesNo(true))
                .containsKey("since");
        assertThat(asked)
                .containsExactly(new Query.Rows(
                        "t1",
                        List.of(new Filter("c9", Comparison.IS, "German"), new Filter("c7", Comparison.EMPTY, "")),
                        "",
                        false,
                        1));
        talk.tookBy("asks for nothing");
    }

    @Test
    void manyBecomeAListThatAChoiceIsDrawnFrom() {
        Talk talk = Talk.with(finding(new RowsFound(COLUMNS, ROWS, List.of())), MANY);
        talk.hears("Who?").says("bo reed").hears("So Bo \\*Reed\\*.");
        assertThat(asked.getFirst().most()).isEqualTo(10);
    }

    @Test
    void noRowNoTableAndNoColumnTakeTheExitNone() {
        Talk.with(finding(new RowsFound(COLUMNS, List.of(), List.of())), ONE)
                .says("Welsh")
                .hears("Nobody.")
                .tookBy("looked up");
        Talk.with(finding(RowsFound.NO_TABLE), ONE)
                .says("Welsh")
                .hears("Nobody.")
                .tookBy("cannot look up");
        Talk.with(finding(new RowsFound(COLUMNS, List.of(), List.of("c9"))), ONE)
                .says("Welsh")
                .hears("Nobody.")
                .tookBy("cannot look up");
    }

    @Test
    void aCellThatIsEmptyForgetsWhatTheVariableHad() {
        Talk talk = Talk.with(finding(new RowsFound(COLUMNS, List.of(ROWS.getLast()), List.of())), ONE);
        assertThat(talk.says("German").state.variables())
                .containsKey("groups")
                .doesNotContainKeys("fee", "since", "out");
    }

    @Test
    void itIsReadBackAsItIsWritten() {
        assertThat(new FlowJson().read(FlowJson.write(ONE))).isEqualTo(new FlowJson.Result.Good(ONE));
        assertThat(new FlowJson().read(FlowJson.write(MANY))).isEqualTo(new FlowJson.Result.Good(MANY));
    }

    @Test
    void aColumnMayBeTheVisitorsOwnWord() {
        Flow flow = FlowBuilder.flow("main")
                .question("q", "What would you like to know?", ValueType.TEXT, "wanted", "l")
                .json(
                        "{'kind':'look_up','id':'l','table':'t1','where':[{'id':'w1','named':'wanted','comparison':'filled'}],"
                                + "'takes':[{'id':'t1','named':'wanted','variable':'told'}],'exits':{'found':'step:m','none':'step:n'}}")
                .message("m", "{{wanted}}: {{told}}", null)
                .message("n", "Nobody.", null)
                .build();
        Talk.with(finding(new RowsFound(COLUMNS, ROWS, List.of())), flow)
                .says("fee")
                .hears("fee: £35");
        assertThat(asked.getFirst().filters().getFirst().column()).isEqualTo("fee");
        assertThat(Column.key(COLUMNS, "FEE")).isEqualTo("c3");
        assertThat(Column.key(COLUMNS, "height")).isEqualTo("height");
    }
}
