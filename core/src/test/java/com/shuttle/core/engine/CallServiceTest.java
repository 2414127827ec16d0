package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Errand;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import com.shuttle.core.service.CallResult;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/** Call service: the conversation waits for what comes, and goes by it. */
class CallServiceTest {

    private static final Flow FLOW = FlowBuilder.flow("main")
            .question("q", "How many places?", ValueType.NUMBER, "places", "c")
            .json("{'kind':'call_service','id':'c','service':'s1','gives':["
                    + "{'id':'g1','input':'places','value':'{{places}}'},{'id':'g2','input':'note','value':'For {{places}}'},"
                    + "{'id':'g3','input':'email','value':'{{email}}'}],"
                    + "'takes':[{'id':'t1','output':'number','variable':'reference','type':'text'}],"
                    + "'results':[{'id':'r1','result':'booked','name':'booked'},{'id':'r2','result':'full','name':'full'}],"
                    + "'exits':{'result:r1':'step:m','result:r2':'step:n','failed':'step:f'}}")
            .message("m", "Booked as {{reference}}.", null)
            .message("n", "It is full.", null)
            .message("f", "That did not work.", null)
            .build();

    private static Talk called() {
        return Talk.with(new FakeWorld().knows("parking", "Behind the house.", 0.9), FLOW)
                .says("3");
    }

    private static String key(Talk talk) {
        return talk.state.awaiting() instanceof Awaiting.Called called ? called.key() : "";
    }

    private static void comes(Talk talk, CallResult result) {
        talk.take(new Event.Came(talk.stamp(), key(talk), JsonMapper.shared().valueToTree(result)));
    }

    @Test
    void inputsKeepTheirTypeAndWhatIsNotKnownIsLeftOut() {
        Talk talk = called();
        assertThat(talk.effects)
                .contains(new Errand.Call(
                        key(talk), "s1", Map.of("places", Value.Numeric.of(3), "note", new Value.Text("For 3"))));
    }

    @Test
    void aResultTakesItsWayWithItsOutputsQuotedSafely() {
        Talk talk = called();
        comes(talk, CallResult.came("booked", Map.of("number", new Value.Text("**B**-<1>"))));
        talk.hears("Booked as \\*\\*B\\*\\*-\\<1\\>.");
    }

    @Test
    void failingAResultTheStepHasNotAndNothingInTimeAllTakeTheFailedExit() {
        Talk failed = called();
        comes(failed, CallResult.failed("no reply"));
        failed.hears("That did not work.").tookBy("the service replied");
        Talk unknown = called();
        comes(unknown, CallResult.came("later", Map.of()));
        unknown.hears("That did not work.");
        Talk late = called();
        late.take(new Event.Came(late.stamp(), key(late), null));
        late.hears("That did not work.");
    }

    @Test
    void aVisitorWhoAsksMeanwhileIsAnsweredAndTheResultStillComes() {
        Talk talk = called().says("Is there parking?").hears("Behind the house.");
        talk.says("purple elephants").hears("I'm still waiting here and will go on by myself.");
        comes(talk, CallResult.came("full", Map.of()));
        talk.hears("It is full.");
    }
}
