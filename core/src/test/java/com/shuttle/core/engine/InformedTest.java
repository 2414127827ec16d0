package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Arrival;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What a website tells is known from then on, says nothing, and leaves what the conversation waits for as it is. */
class InformedTest {

    private static Flow asking() {
        return flow("main")
                .message("p", "Plan {{plan|none}}.", "q")
                .question("q", "Name?", ValueType.PERSON_NAME, "name", "m")
                .message("m", "Thank you, {{name}}. Plan {{plan|none}}.", "e")
                .json("{'kind':'end','id':'e'}")
                .build();
    }

    private static Talk begun(Flow flow) {
        Talk talk = Talk.told("plan", flow);
        return talk.take(new Event.Started(talk.stamp(), "web", ""));
    }

    private static Value.Text text(String text) {
        return new Value.Text(text);
    }

    private static Event.Informed informed(Talk talk, String name, Value value) {
        return new Event.Informed(talk.stamp(), Map.of(name, value));
    }

    @Test
    void itIsKnownFromTheFirstWordAndDoesNotMakeTheVisitorOneWhoComesBack() {
        Talk talk = Talk.told("plan", asking());
        talk.take(new Event.Started(
                talk.stamp(), "web", "", "v", "", Map.of(), "", Map.of("plan", text("gold")), Arrival.NONE));
        talk.hears("Plan gold.", "Name?");
        assertThat(talk.state.returning()).isFalse();
    }

    @Test
    void inTheMiddleItSaysNothingAndTheQuestionStaysOpen() {
        Talk talk = begun(asking()).hears("Plan none.", "Name?");
        Awaiting open = talk.state.awaiting();
        talk.take(informed(talk, "plan", text("gold"))).hears();
        assertThat(talk.effects).isEmpty();
        assertThat(talk.state.awaiting()).isEqualTo(open);
        talk.says("Dana Whitlow").hears("Thank you, Dana Whitlow. Plan gold.");
    }

    @Test
    void whatIsToldLastStands() {
        Talk talk = begun(asking());
        talk.take(informed(talk, "plan", text("silver")));
        talk.take(informed(talk, "plan", text("gold")));
        talk.says("Dana Whitlow").hears("Thank you, Dana Whitlow. Plan gold.");
    }

    @Test
    void whatTheFlowsDoNotKnowIsLeftOut() {
        Talk talk = begun(asking());
        talk.take(informed(talk, "seats", new Value.Numeric(BigDecimal.TEN)));
        assertThat(talk.state.variables()).doesNotContainKey("seats");
    }

    @Test
    void aWaitGoesOnAndEndsInItsTime() {
        Talk talk = begun(flow("main")
                .json("{'kind':'wait','id':'w','say':['Moment.'],'seconds':5,'exits':{'went_on':'step:m'}}")
                .message("m", "Later. Plan {{plan|none}}.", null)
                .build());
        Awaiting waits = talk.state.awaiting();
        assertThat(waits).isInstanceOf(Awaiting.Time.class);
        talk.take(informed(talk, "plan", text("gold")));
        assertThat(talk.state.awaiting()).isEqualTo(waits);
    }

    @Test
    void whoWaitsForAPersonGoesOnWaiting() {
        Talk talk = begun(flow("main")
                .json("{'kind':'hand_off','id':'h','team':'t'}")
                .message("m", "Plan {{plan|none}}.", null)
                .build());
        assertThat(talk.state.speaker()).isEqualTo(Speaker.QUEUED);
        talk.take(informed(talk, "plan", text("gold"))).hears();
        assertThat(talk.state.speaker()).isEqualTo(Speaker.QUEUED);
    }

    @Test
    void beforeTheBeginningAndAfterTheEndItIsRefused() {
        Talk talk = Talk.told("plan", asking());
        assertThat(talk.tell(informed(talk, "plan", text("gold"))))
                .isEqualTo(new Turn.Refused(Turn.Reason.OUT_OF_ORDER));
        assertThat(talk.state).isEqualTo(State.NEW);
        Talk over = begun(asking()).says("Dana Whitlow");
        assertThat(over.state.speaker()).isEqualTo(Speaker.ENDED);
        assertThat(over.tell(informed(over, "plan", text("gold")))).isEqualTo(new Turn.Refused(Turn.Reason.ENDED));
    }
}
