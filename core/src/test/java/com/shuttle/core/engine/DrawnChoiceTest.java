package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.RowsFound;
import com.shuttle.core.table.Table.Row;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Options drawn from a table: what is offered is what is there, and what has gone meanwhile is said. */
class DrawnChoiceTest {

    private static final List<Column> COLUMNS = List.of(
            new Column("c1", "Boat", Kind.TEXT, ""),
            new Column("c2", "Seats", Kind.NUMBER, ""),
            new Column("c3", "Number", Kind.TEXT, ""));

    private static Flow flow(String otherwise) {
        return FlowBuilder.flow("main")
                .json(
                        "{'kind':'choice','id':'b','ask':['Which boat?'],'options':[],'table':'t1','detail':'c2','keeps':'c3',"
                                + "'offered':'c4','order':'c2',"
                                + "'where':[{'id':'w1','column':'c2','comparison':'at_least','value':'2'}],"
                                + "'variable':'boat','exits':{'picked':'step:m'" + otherwise + "}}")
                .message("m", "Number {{boat}} it is.", null)
                .message("n", "None is left.", null)
                .build();
    }

    private static final Flow FLOW = flow(",'otherwise':'step:n'");

    private final List<Row> afloat = new ArrayList<>(List.of(
            new Row("r1", Map.of("c1", "Heron", "c2", "4", "c3", "17")),
            new Row("r2", Map.of("c1", "Dabchick", "c2", "2", "c3", "18"))));
    private final List<Query.Rows> asked = new ArrayList<>();

    private Talk talk() {
        return talk(FLOW);
    }

    private Talk talk(Flow flow) {
        FakeWorld world = new FakeWorld().knows("parking", "Behind the house.", 0.9);
        world.rows = query -> {
            asked.add(query);
            return new RowsFound(COLUMNS, afloat, List.of());
        };
        return Talk.with(world, flow);
    }

    private static List<String> offered(Talk talk) {
        return talk.state.awaiting().offers().stream().map(Message.Offer::label).toList();
    }

    @Test
    void rowsAreOfferedWithWhatStandsBeneathAndKeepWhatTheirColumnSays() {
        Talk talk = talk().hears("Which boat?");
        assertThat(talk.state.awaiting().offers().getFirst())
                .isEqualTo(new Message.Offer("r1", "Heron", "4", "", "", "", ""));
        assertThat(asked.getFirst())
                .isEqualTo(new Query.Rows(
                        "t1",
                        List.of(
                                new Query.Rows.Filter("c2", Comparison.AT_LEAST, "2"),
                                new Query.Rows.Filter("c4", Comparison.IS_NOT, "no")),
                        "c2",
                        false,
                        50));
        talk.picks("r2").hears("Number 18 it is.").knows("boat", "18");
        talk().says("the heron please").hears("Number 17 it is.");
    }

    @Test
    void aRowThatIsGoneIsSaidAndTheRestOffered() {
        Talk talk = talk();
        afloat.removeFirst();
        talk.picks("r1").hears("I'm sorry, Heron has gone while we talked. These are still there:");
        assertThat(offered(talk)).containsExactly("Dabchick");
        afloat.clear();
        talk.says("dabchick").hears("I'm sorry, Dabchick has gone while we talked.", "None is left.");
    }

    @Test
    void whatIsPutAgainIsWhatIsThereThen() {
        Talk talk = talk(flow(""));
        afloat.removeLast();
        talk.says("Is there parking?");
        assertThat(offered(talk)).containsExactly("Heron");
    }

    @Test
    void aTableThatIsGoneHasNothingToOffer() {
        Talk talk = Talk.with(new FakeWorld(), FLOW);
        talk.hears("Which boat?", "None is left.").tookBy("nothing to offer");
    }

    @Test
    void theValuesOfAColumnAreOfferedOnceAndThoseOfAListEach() {
        FakeWorld world = new FakeWorld();
        List<Column> columns =
                List.of(new Column("c1", "Guide", Kind.TEXT, ""), new Column("c2", "Speaks", Kind.LIST, ""));
        world.rows = query -> new RowsFound(
                columns,
                List.of(
                        new Row("r1", Map.of("c1", "Ilka", "c2", "English, German")),
                        new Row("r2", Map.of("c1", "Bo", "c2", "German, French"))),
                List.of());
        Talk talk = Talk.with(
                world,
                FlowBuilder.flow("main")
                        .json(
                                "{'kind':'choice','id':'b','ask':['Which?'],'options':[],'table':'t1','label':'c2','once':true,"
                                        + "'variable':'language','exits':{'picked':'step:m'}}")
                        .message("m", "{{language}}.", null)
                        .build());
        assertThat(offered(talk)).containsExactly("English", "German", "French");
        talk.says("french please").hears("French.");
    }
}
