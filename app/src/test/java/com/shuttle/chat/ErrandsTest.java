package com.shuttle.chat;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.model.ModelService;
import com.shuttle.standins.ModelServer;
import com.shuttle.web.Ids;
import com.shuttle.web.Outgoing;
import java.io.IOException;
import org.junit.jupiter.api.Test;

/** What leaves the building comes back once, as an event of its own. */
@ServerTest
class ErrandsTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[{"id":"s1","title":"","steps":[
              {"kind":"question","id":"q","ask":["How many?"],"type":"number","variable":"n","exits":{}}]}]}""";

    private final TestData data;
    private final ConversationService conversations;
    private final ConversationStore store;
    private final Errands errands;
    private final ModelService models;
    private final Outgoing outgoing;

    ErrandsTest(
            TestData data,
            ConversationService conversations,
            ConversationStore store,
            Errands errands,
            ModelService models,
            Outgoing outgoing) {
        this.data = data;
        this.conversations = conversations;
        this.store = store;
        this.errands = errands;
        this.models = models;
        this.outgoing = outgoing;
    }

    @Test
    void theLanguageModelIsAskedAfterTheTurnAndAnswersOnce() throws IOException {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        data.collectionOf(bot, "Is there parking?", "Parking is free, behind the dome.");
        outgoing.lead("errand.test");
        try (ModelServer server = ModelServer.start(0)) {
            models.set(true, "http://errand.test:" + server.port() + "/v1/chat/completions", "plain", "", 3000);
            String id = conversations
                    .begin(bot.id(), "", "", "web", "")
                    .orElseThrow()
                    .conversation();
            assertThat(conversations.say(id, Ids.next(), "is there parking?"))
                    .isInstanceOfSatisfying(
                            Outcome.Taken.class,
                            taken -> assertThat(taken.reply().messages()).isEmpty());
            State state = conversations.state(id);
            if (state.awaiting() instanceof Awaiting.Result result) {
                // The scheduler may do it at the same time; whoever is second is refused.
                store.errand(id, result.key())
                        .ifPresent(underWay ->
                                conversations.came(id, result.key(), errands.perform("rehearsal", underWay.errand())));
            }
            assertThat(conversations.lines(id, 0))
                    .extracting(line -> line.message().text())
                    .filteredOn(text -> text.contains("Parking is free"))
                    .hasSize(1);
            assertThat(conversations.came(id, "k1", null)).isEqualTo(new Outcome.Refused(Turn.Reason.TOO_LATE));
            assertThat(store.errand(id, "k1")).isEmpty();
            conversations.say(id, Ids.next(), "4");
            assertThat(conversations.known(id)).containsEntry("n", "4");
        } finally {
            models.set(false, "", "", "", 3000);
        }
    }
}
