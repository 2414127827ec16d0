package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Errand;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.Finding;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A turn that needs what a language model says ends waiting for it, and goes on when it has come. */
class ConsultTest {

    private static final Flow FLOW = FlowBuilder.flow("main")
            .question("q", "How many of you?", ValueType.NUMBER, "party", "m")
            .message("m", "Noted.", null)
            .build();

    private final FakeWorld world = new FakeWorld().knows("parking", "Parking is free.", 0.9);
    private Talk talk;

    @BeforeEach
    void begin() {
        talk = Talk.with(world, FLOW);
        world.consulting = true;
    }

    private Errand.Consult errand() {
        return talk.effects.stream()
                .filter(Errand.Consult.class::isInstance)
                .map(Errand.Consult.class::cast)
                .findFirst()
                .orElseThrow();
    }

    private Event.Came came(String key, @Nullable JsonNode result) {
        return new Event.Came(talk.stamp(), key, result);
    }

    private static JsonNode worded(Finding finding, String words) {
        Finding.Match match = finding.matches().getFirst().saying(List.of(words));
        return JsonMapper.shared()
                .valueToTree(new Finding(finding.outcome(), finding.confidence(), List.of(match)).noted("reworded"));
    }

    @Test
    void theTurnEndsWaitingWithTheVisitorsWordsShown() {
        talk.says("is there parking?").hears();
        assertThat(talk.state.awaiting()).isInstanceOf(Awaiting.Result.class);
        assertThat(errand().question()).isEqualTo("is there parking?");
        assertThat(talk.state.seq()).isEqualTo(2);
        assertThat(Talk.stored().readValue(Talk.stored().writeValueAsString(talk.state), talk.state.getClass()))
                .isEqualTo(talk.state);
    }

    @Test
    void whatHasComeIsSaidAndThePendingQuestionIsPutAgain() {
        talk.says("is there parking?");
        Errand.Consult errand = errand();
        talk.take(came(errand.key(), worded(errand.finding(), "You may park for nothing.")))
                .hears("You may park for nothing.", "How many of you?")
                .tookBy("language model");
        talk.says("4").knows("party", "4").hears("Noted.");
    }

    @Test
    void whereNothingComesTheFindingStandsAsItIs() {
        talk.says("is there parking?");
        talk.take(came(errand().key(), null)).hears("Parking is free.", "How many of you?");
    }

    @Test
    void whoDoesNotWaitIsAnsweredAtOnceAndTheResultIsTooLate() {
        talk.says("is there parking?");
        String key = errand().key();
        talk.says("4").hears("Parking is free.", "How many of you?", "Noted.").knows("party", "4");
        assertThat(talk.tell(came(key, null))).isEqualTo(new Turn.Refused(Turn.Reason.TOO_LATE));
    }

    @Test
    void aPersonMayTakeItMeanwhile() {
        talk.says("is there parking?");
        String key = errand().key();
        talk.take(new Event.AgentTook(talk.stamp(), "Idris", "a", false)).hears("You are talking with Idris now.");
        assertThat(talk.tell(came(key, null))).isEqualTo(new Turn.Refused(Turn.Reason.TOO_LATE));
    }
}
