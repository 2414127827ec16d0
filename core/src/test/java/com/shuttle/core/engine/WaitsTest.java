package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Signals;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.Way;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.ValueType;
import java.time.Instant;
import java.util.List;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/** Times that are waited for, and the way that is kept of a turn. */
class WaitsTest {

    private static final Flow TWO_WAITS = FlowBuilder.flow("main")
            .json("{'kind':'wait','id':'w1','say':[''],'seconds':5,'exits':{'went_on':'step:w2'}}")
            .json("{'kind':'wait','id':'w2','say':[''],'seconds':7,'exits':{'went_on':'step:m'}}")
            .message("m", "There.", null)
            .build();

    private static List<String> timers(Talk talk) {
        return talk.effects.stream()
                .filter(Deed.SetTimer.class::isInstance)
                .map(effect -> ((Deed.SetTimer) effect).key())
                .toList();
    }

    @Test
    void twoWordlessWaitsInARowHaveKeysOfTheirOwn() {
        Talk talk = Talk.with(TWO_WAITS);
        String first = timers(talk).getFirst();
        talk.take(new Event.TimeCame(talk.stamp(), first));
        String second = timers(talk).getFirst();
        assertThat(second).isNotEqualTo(first);
        assertThat(talk.state.awaiting().key()).isEqualTo(second);
        talk.take(new Event.TimeCame(talk.stamp(), second)).hears("There.");
    }

    @Test
    void theWayTellsEveryStepAndExit() {
        Talk talk = Talk.with(TWO_WAITS);
        assertThat(talk.way).containsExactly(new Way(Way.What.ENTERED, "main", "w1", ""));
        talk.take(new Event.TimeCame(talk.stamp(), talk.state.awaiting().key()));
        assertThat(talk.way)
                .containsExactly(
                        new Way(Way.What.LEFT, "main", "w1", "went_on"), new Way(Way.What.ENTERED, "main", "w2", ""));
    }

    private static Talk given(Function<String, Event> early) {
        Flow flow = FlowBuilder.flow("main")
                .message("m", "Here it is: {{signal}}", "q")
                .question("q", "Ready?", ValueType.TEXT, "ready", "w")
                .json("{'kind':'wait','id':'w','say':['Or there: {{signal}}'],'signal':true,'seconds':9,"
                        + "'takes':[{'id':'t1','field':'score','variable':'score','type':'number'}],"
                        + "'results':[{'id':'r1','field':'verified','value':'false','name':'not verified'}],"
                        + "'exits':{'came':'step:c','result:r1':'step:n','too_late':'step:l'}}")
                .message("c", "Came: {{score}}.", null)
                .message("n", "Not you.", null)
                .message("l", "Late.", null)
                .build();
        Talk talk = Talk.with(flow);
        String address = talk.heard.getFirst().replace("Here it is: ", "");
        assertThat(address).startsWith("https://bots.example/signal/");
        String key = address.substring(address.lastIndexOf('/') + 1);
        if (early != null) {
            talk.take(early.apply(key)).hears();
            return talk.says("yes");
        }
        talk.says("yes").hears("Or there: " + address);
        return talk;
    }

    private static Event brings(Talk talk, String key, String json) {
        return new Event.Signalled(
                talk == null ? new Stamp(Instant.EPOCH, 1) : talk.stamp(),
                key,
                "",
                JsonMapper.shared().readTree(json));
    }

    @Test
    void aSignalBringsValuesAndWhatTheyComeTo() {
        Talk talk = given(null);
        String key = talk.state.awaiting().key();
        talk.take(brings(talk, key, "{'verified':true,'score':7}".replace('\'', '"')))
                .hears("Came: 7.");
        Talk other = given(null);
        other.take(brings(other, other.state.awaiting().key(), "{\"verified\":false}"))
                .hears("Not you.");
    }

    @Test
    void whatComesBeforeItsStepIsReachedIsKept() {
        Talk talk = given(key -> brings(null, key, "{\"verified\":true,\"score\":3}"));
        assertThat(talk.heard.getLast()).isEqualTo("Came: 3.");
        assertThat(talk.state.signals()).isEqualTo(Signals.NONE);
    }
}
