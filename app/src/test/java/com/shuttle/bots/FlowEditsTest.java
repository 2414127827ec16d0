package com.shuttle.bots;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import com.shuttle.web.Checked;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What is changed in all flows of a bot is changed in all of them or in none. */
@ServerTest
class FlowEditsTest {

    private final TestData data;
    private final FlowEdits edits;

    FlowEditsTest(TestData data, FlowEdits edits) {
        this.data = data;
        this.edits = edits;
    }

    /** A bot of two flows; in the second, one more letter in the place of each {@code n} is too much for a condition. */
    private Bot bot() {
        String full = Stream.generate(() -> "n > 1").limit(222).collect(Collectors.joining(" || "));
        assertThat(full.length()).isBetween(1990, 2000);
        Bot bot = data.released(TestData.flow("main", "{'kind':'message','id':'m','say':['{{n}} of a kind.']}"));
        data.bots.addFlow(
                bot.id(),
                TestData.flow(
                        "second",
                        "{'kind':'branch','id':'b','title':'of " + "x".repeat(196) + "','rules':[{'id':'r1','when':'"
                                + full + "'}]}"),
                "test",
                null);
        TestData.good(data.variables.declare(
                bot.id(), new Variable("n", ValueType.NUMBER, Variable.Origin.CONVERSATION, "")));
        return bot;
    }

    private List<Flow> flows(Bot bot) {
        return data.bots.drafts(bot.id()).stream().map(Draft::flow).toList();
    }

    @Test
    void aNameThatMakesAConditionTooLongIsRefusedAndNothingIsRenamed() {
        Bot bot = bot();
        List<Flow> before = flows(bot);
        assertThat(data.variables.rename(bot.id(), "n", "a_very_long_name_indeed", null))
                .isInstanceOfSatisfying(
                        Checked.Bad.class,
                        bad -> assertThat(bad.errors().get("to").toString()).contains("longer than 2000"));
        assertThat(flows(bot)).isEqualTo(before);
        assertThat(data.bots.bot(bot.id()).variables())
                .extracting(Variable::name)
                .containsExactly("n");
    }

    @Test
    void whatOneFlowRefusesIsReplacedInNone() {
        Bot bot = bot();
        List<Flow> before = flows(bot);
        assertThat(edits.everywhere(bot.id(), new Edit.Replace("of ", "of the ", false), null))
                .isInstanceOf(FlowEdits.Refused.class);
        assertThat(flows(bot)).isEqualTo(before);
        assertThat(edits.everywhere(bot.id(), new Edit.Replace("kind", "sort", false), null))
                .isEqualTo(new FlowEdits.Done(List.of("main")));
    }
}
