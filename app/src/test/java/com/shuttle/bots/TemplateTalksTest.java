package com.shuttle.bots;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.chat.ConversationService;
import com.shuttle.chat.Outcome;
import com.shuttle.chat.PastTurns;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Speaker;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every template is talked to as visitors do who know nothing of it. */
@ServerTest
class TemplateTalksTest {

    private static final List<String> SAID = List.of(
            "Dana Sablewood",
            "dana@example.org",
            "24",
            "it stopped working this morning and smells of smoke",
            "next Friday",
            "about 6000 pounds",
            "yes",
            "no",
            "4",
            "skip",
            "what are your opening hours?",
            "I'd rather not say",
            "the second one",
            "\u0000\u202e ???",
            "my number is 0117 496 0555 and I'm at Brindlemoor Ltd");

    private final TestData data;
    private final BotTemplates templates;
    private final ConversationService conversations;
    private final PastTurns past;

    TemplateTalksTest(TestData data, BotTemplates templates, ConversationService conversations, PastTurns past) {
        this.past = past;
        this.data = data;
        this.templates = templates;
        this.conversations = conversations;
    }

    private Bot released(String template) {
        Bot bot = TestData.good(templates.make(template, data.name("Talk " + template), "GB", null));
        TestData.good(data.releases.release(bot.id(), "", null));
        return bot;
    }

    /** It always waits for something or has ended, never falls silent in between, and can be played again. */
    @ParameterizedTest
    @ValueSource(strings = {"questions", "lead", "triage", "intake", "feedback"})
    void whateverIsSaidItGoesOnOrEnds(String template) {
        Bot bot = released(template);
        for (int seed = 0; seed < 6; seed++) {
            Random random = new Random(seed);
            String id = conversations
                    .begin(bot.id(), "", "", "web", "")
                    .orElseThrow()
                    .conversation();
            for (int turn = 0; turn < 25 && conversations.state(id).speaker() == Speaker.BOT; turn++) {
                Prompt prompt = conversations.prompt(id);
                assertThat(prompt)
                        .as("%s waits, seed %d, turn %d", template, seed, turn)
                        .isNotNull();
                String said = SAID.get(random.nextInt(SAID.size()));
                assertThat(conversations.say(id, "m" + turn, said))
                        .as("%s takes \"%s\", seed %d", template, said, seed)
                        .isInstanceOf(Outcome.Taken.class);
            }
            assertThat(past.replay(id)).contains(conversations.state(id));
        }
    }
}
