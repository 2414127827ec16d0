package com.shuttle.chat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.knowledge.GapService;
import com.shuttle.leads.LeadService;
import com.shuttle.web.Missing;
import com.shuttle.web.Wanted;
import java.io.IOException;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockMultipartFile;

@ServerTest
class ErasureTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[{"id":"s","title":"","steps":[
              {"kind":"question","id":"n","ask":["Name?"],"type":"person_name","variable":"name","exits":{"answered":"step:e"}},
              {"kind":"question","id":"e","ask":["Email?"],"type":"email","variable":"email","exits":{"answered":"step:f"}},
              {"kind":"question","id":"f","ask":["File?"],"type":"file","variable":"file","limits":{"fileTypes":["png"]}}]}]}""";

    private final ErasureService erasure;
    private final ConversationService conversations;
    private final UploadService uploads;
    private final LeadService leads;
    private final GapService gaps;
    private final ConversationStore store;
    private final TestData data;

    ErasureTest(
            ErasureService erasure,
            ConversationService conversations,
            UploadService uploads,
            LeadService leads,
            GapService gaps,
            ConversationStore store,
            TestData data) {
        this.erasure = erasure;
        this.conversations = conversations;
        this.uploads = uploads;
        this.leads = leads;
        this.gaps = gaps;
        this.store = store;
        this.data = data;
    }

    private int leads(Bot bot) {
        return leads.list(new Wanted("", Map.of("bot", bot.id()), "", 1)).total();
    }

    @Test
    void nothingIsLeftButThatItWasDone() throws IOException {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        String id =
                conversations.begin(bot.id(), "v", "", "web", "").orElseThrow().conversation();
        conversations.say(id, "1", "What does a ticket to Mars cost?");
        conversations.say(id, "2", "Dana Whitlow");
        conversations.say(id, "3", "dana@example.org");
        TestData.good(uploads.take(id, "4", new MockMultipartFile("file", "a.png", "image/png", new byte[] {1})));
        String file = conversations.aftermath(id).files().keySet().iterator().next();
        assertThat(leads(bot)).isOne();
        assertThat(gaps.count(bot.id())).isPositive();

        erasure.erase(id, "somebody");
        assertThatThrownBy(() -> conversations.conversation(id)).isInstanceOf(Missing.class);
        assertThat(conversations.lines(id, 0)).isEmpty();
        assertThat(uploads.download(file)).isEmpty();
        assertThat(leads(bot)).isZero();
        assertThat(gaps.count(bot.id())).isZero();
        assertThat(store.wasErased(id)).isTrue();
        assertThatThrownBy(() -> erasure.erase(id, "somebody")).isInstanceOf(Missing.class);
    }
}
