package com.shuttle.chat;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotDeletion;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.flow.Flow;
import org.junit.jupiter.api.Test;

/** What becomes of conversations whose bot is deleted in their midst. */
@ServerTest
class OrphansTest {

    private static final Flow FLOW = TestData.flow(
            "main",
            "{'kind':'question','id':'q','ask':['Which boat?'],'type':'text','variable':'boat',"
                    + "'exits':{'answered':'end'}}");

    private final TestData data;
    private final BotDeletion deletion;
    private final ConversationService conversations;

    OrphansTest(TestData data, BotDeletion deletion, ConversationService conversations) {
        this.data = data;
        this.deletion = deletion;
        this.conversations = conversations;
    }

    private String begin(Bot bot) {
        return conversations.begin(bot.id(), "", "", "web", "").orElseThrow().conversation();
    }

    private Speaker speaker(String conversation) {
        return conversations.conversation(conversation).speaker();
    }

    @Test
    void whoTalksToADeletedBotIsToldAndWhoWaitedForAPersonWaitsNoMore() {
        Bot bot = data.released(FLOW);
        Bot other = data.released(FLOW);
        String talking = begin(bot);
        String waiting = begin(bot);
        String elsewhere = begin(other);
        conversations.say(waiting, "m1", "I want to talk to a person");
        assertThat(speaker(waiting)).isEqualTo(Speaker.QUEUED);

        deletion.delete(bot.id());

        assertThat(speaker(talking)).isEqualTo(Speaker.ENDED);
        assertThat(speaker(waiting)).isEqualTo(Speaker.ENDED);
        assertThat(speaker(elsewhere)).isEqualTo(Speaker.BOT);
        assertThat(conversations.lines(talking, 0))
                .last()
                .satisfies(
                        line -> assertThat(line.message().text()).isNotBlank().isNotEqualTo("Which boat?"));
        assertThat(conversations.begin(bot.id(), "", "", "web", "")).isEmpty();
    }
}
