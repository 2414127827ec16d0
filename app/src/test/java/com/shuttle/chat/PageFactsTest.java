package com.shuttle.chat;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.conversation.Arrival;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a website tells of its visitor becomes values of the variables that are expected from there, and of no others. */
@ServerTest
class PageFactsTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Talk","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"message","id":"m","say":["Plan {{plan}}, {{seats}} seats."],"exits":{"next":"step:q"}},
            {"kind":"question","id":"q","ask":["Your name?"],"type":"text","variable":"name","exits":{"answered":"step:n"}},
            {"kind":"message","id":"n","say":["Now plan {{plan}}."],"exits":{"next":"step:q"}}]}]}""";

    private final ConversationService conversations;
    private final TestData data;
    private Bot bot;

    PageFactsTest(ConversationService conversations, TestData data) {
        this.conversations = conversations;
        this.data = data;
    }

    @BeforeEach
    void aBotThatExpectsSome() {
        bot = data.bot();
        data.bots.putFlow(bot.id(), FlowJson.readTrusted(FLOW), "", null);
        declare("plan", ValueType.TEXT, Variable.Origin.PAGE);
        declare("seats", ValueType.NUMBER, Variable.Origin.PAGE);
        declare("member", ValueType.YES_NO, Variable.Origin.PAGE);
        declare("since", ValueType.DATE, Variable.Origin.PAGE);
        declare("own", ValueType.TEXT, Variable.Origin.CONVERSATION);
        TestData.good(data.releases.release(bot.id(), "", null));
    }

    private void declare(String name, ValueType type, Variable.Origin origin) {
        TestData.good(data.variables.declare(bot.id(), new Variable(name, type, origin, "")));
    }

    private String begin(Map<String, String> told) {
        return conversations
                .begin(bot.id(), "", "", "web", "", "", told, Arrival.NONE)
                .orElseThrow()
                .conversation();
    }

    private String last(String conversation) {
        return conversations.lines(conversation, 0).stream()
                .map(line -> line.message().text())
                .filter(text -> text.contains("lan"))
                .reduce("", (before, text) -> text);
    }

    @Test
    void itIsKnownFromTheFirstWord() {
        assertThat(last(begin(Map.of("plan", "gold", "seats", "4", "own", "x", "unknown", "y"))))
                .isEqualTo("Plan gold, 4 seats.");
    }

    @Test
    void itMayComeInTheMiddleAndSaysNothing() {
        String id = begin(Map.of("plan", "silver"));
        int before = conversations.lines(id, 0).size();
        assertThat(conversations.inform(id, Map.of("plan", "gold", "own", "x"))).isInstanceOf(Outcome.Taken.class);
        assertThat(conversations.lines(id, 0)).hasSize(before);
        assertThat(conversations.known(id)).containsEntry("plan", "gold").doesNotContainKey("own");
        conversations.say(id, "1", "Dana");
        assertThat(last(id)).isEqualTo("Now plan gold.");
    }

    @ParameterizedTest
    @CsvSource({
        "seats, 4.5, 4.5",
        "seats, four, ''",
        "member, true, yes",
        "member, maybe, ''",
        "since, 2026-03-10, Tuesday 10 March 2026",
        "since, 10/03/2026, ''",
        "plan, '  ', ''",
    })
    void valuesAreOfTheirType(String name, String told, String shown) {
        String known = conversations.known(begin(Map.of(name, told))).getOrDefault(name, "");
        assertThat(known).isEqualToIgnoringCase(shown);
    }
}
