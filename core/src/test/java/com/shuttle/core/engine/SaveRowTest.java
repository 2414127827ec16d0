package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Deed.SaveRow.Write;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Writing;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Save row: what comes of it is known within the turn. */
class SaveRowTest {

    private static final Flow FLOW = FlowBuilder.flow("main")
            .question("q", "Which day?", ValueType.DATE, "day", "s")
            .json("{'kind':'save_row','id':'s','table':'t1','key':'c1','cells':["
                    + "{'id':'c1','column':'c1','value':'{{day}}'},{'id':'c2','column':'c2','how':'take','value':'1'},"
                    + "{'id':'c3','column':'c3','value':'{{name}}'},{'id':'c4','column':'c4','value':'On {{day}}'}],"
                    + "'exits':{'saved':'step:t','failed':'step:n'}}")
            .json("{'kind':'save_row','id':'t','table':'t2','cells':[{'id':'c1','column':'c1','value':'x'}],"
                    + "'exits':{'saved':'step:m','failed':'step:n'}}")
            .message("m", "Saved.", null)
            .message("n", "Sold out.", null)
            .build();

    private static final Deed.SaveRow FIRST = new Deed.SaveRow(
            "t1",
            "c1",
            List.of(
                    new Write("c1", Writing.SET, "2026-12-24"),
                    new Write("c2", Writing.TAKE, "1"),
                    new Write("c4", Writing.SET, "On Thursday 24 December 2026")));

    private static final Deed.SaveRow SECOND = new Deed.SaveRow("t2", "", List.of(new Write("c1", Writing.SET, "x")));

    @Test
    void rowsAreSavedWithTheTurnAndWhatIsNotKnownIsLeftOut() {
        List<Query.MaySave> asked = new ArrayList<>();
        FakeWorld world = new FakeWorld();
        world.saving = query -> {
            asked.add(query);
            return "";
        };
        Talk talk = Talk.with(world, FLOW).says("24 December 2026").hears("Saved.");
        assertThat(talk.effects).containsSubsequence(FIRST, SECOND);
        assertThat(asked)
                .as("the second together with the first")
                .containsExactly(new Query.MaySave(List.of(FIRST)), new Query.MaySave(List.of(FIRST, SECOND)));
        talk.tookBy("saved a row");
    }

    @Test
    void whatCannotBeSavedIsNotAndTakesItsExit() {
        FakeWorld world = new FakeWorld();
        world.saving = query -> query.rows().size() > 1 ? "The table is full." : "";
        Talk talk = Talk.with(world, FLOW).says("24 December 2026").hears("Sold out.");
        assertThat(talk.effects).contains(FIRST).doesNotContain(SECOND);
        talk.tookBy("cannot save a row");
    }

    @Test
    void itIsReadBackAsItIsWritten() {
        assertThat(new FlowJson().read(FlowJson.write(FLOW))).isEqualTo(new FlowJson.Result.Good(FLOW));
    }
}
