package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Way;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import java.util.List;
import org.junit.jupiter.api.Test;

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
}
