package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Deed.Tell;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Notify: what is told goes with the turn; what cannot be told takes its exit, or is passed by. */
class NotifyTest {

    private static Flow flow(String notify) {
        return FlowBuilder.flow("main")
                .question("q", "What is broken?", ValueType.TEXT, "fault", "t")
                .json("{'kind':'notify','id':'t'," + notify + "}")
                .message("m", "Told.", null)
                .message("n", "Not told.", null)
                .build();
    }

    private static final String EXITS = "'exits':{'next':'step:m','failed':'step:n'}";

    @Test
    void aMailIsFilledAndWhatTheVisitorTypedBringsNoMarkup() {
        Talk talk = Talk.with(flow("'to':'addresses','addresses':'a@x.example; b@x.example, a@x.example',"
                        + "'subject':'Broken: {{fault}}','text':'**{{fault}}**','attached':true," + EXITS))
                .says("the *focuser*")
                .hears("Told.");
        assertThat(talk.effects)
                .contains(new Tell.Mail(
                        List.of("a@x.example", "b@x.example"),
                        "",
                        "Broken: the *focuser*",
                        "**the \\*focuser\\***",
                        true));
    }

    @Test
    void aCallbackCarriesWhatIsKnownAndNoSecrets() {
        Talk talk = Talk.with(flow(
                        "'to':'program','address':'https://x.example/hook?of={{fault}}','event':'repair.requested',"
                                + "'data':['fault','nothing']," + EXITS))
                .says("a & b")
                .hears("Told.");
        assertThat(talk.effects)
                .contains(new Tell.Callback(
                        "https://x.example/hook?of=a+%26+b",
                        "repair.requested", Map.of("fault", new Value.Text("a & b"))));
    }

    @Test
    void whatCannotBeToldTakesItsExitOrIsPassedBy() {
        FakeWorld world = new FakeWorld();
        world.telling = query -> "There is nobody to tell.";
        String visitor = "'to':'visitor','email':'{{email}}','subject':'x','text':'y',";
        Talk led = Talk.with(world, flow(visitor + EXITS)).says("x").hears("Not told.");
        assertThat(led.effects).noneMatch(Tell.class::isInstance);
        Talk.with(world, flow(visitor + "'exits':{'next':'step:m'}"))
                .says("x")
                .hears("Told.")
                .tookBy("cannot notify");
    }
}
