package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Reads;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.Tuple;
import tools.jackson.databind.json.JsonMapper;

/** What holds for every conversation, whatever the visitor does. */
class ConversationPropertiesTest {

    private static final Flow MAIN = flow("main")
            .message("hello", "Hello.", "menu")
            .choice("menu", "What is it?", "Sky", "sky", "Visit", "name", "Call", "call")
            .message("sky", "Clear, {{name.first}}.", "menu")
            .question("name", "Name?", ValueType.PERSON_NAME, "name", "email")
            .question("email", "Email?", ValueType.EMAIL, "email", "size")
            .question("size", "How many?", ValueType.NUMBER, "size", "ask")
            .answer("ask", "Ask away.", "menu", "person")
            .goTo("call", "flow:callback", true, "menu")
            .handOff("person", "", "menu", "menu")
            .build();

    private static final Flow CALLBACK = flow("callback")
            .phrases("ring me")
            .question("phone", "Phone?", ValueType.PHONE, "phone", "sure")
            .question("sure", "Sure?", ValueType.YES_NO, "sure", "back")
            .build();

    @Provide
    Arbitrary<List<String>> lines() {
        Arbitrary<String> usual = Arbitraries.of(
                "sky",
                "visit",
                "the last",
                "Dana",
                "dana@example.org",
                "12",
                "is there parking?",
                "dogs or cats?",
                "yes",
                "no",
                "020 7946 0018",
                "ring me",
                "go back",
                "menu",
                "start again",
                "a person",
                "why",
                "rather not",
                "sorry, my email is d@example.net",
                "<script>alert(1)</script>",
                "{{name}}",
                "none",
                "1 2 3",
                "?",
                "🙂");
        Arbitrary<String> odd =
                Arbitraries.strings().ofMinLength(1).ofMaxLength(60).filter(text -> !text.isBlank());
        return Arbitraries.frequencyOf(Tuple.of(8, usual), Tuple.of(1, odd))
                .list()
                .ofMaxSize(25);
    }

    private static Talk talk() {
        return Talk.with(
                new FakeWorld()
                        .knows("parking", "Free.", 0.9)
                        .knows("dogs", "Lead.", 0.4)
                        .knows("cats", "No.", 0.3),
                MAIN,
                CALLBACK);
    }

    @Property(tries = 300)
    void replayLeadsToTheSameState(@ForAll("lines") List<String> lines) {
        Talk talk = talk();
        lines.forEach(line -> talk.tell(new Event.Said(talk.stamp(), line)));
        State state = State.NEW;
        for (int i = 0; i < talk.events.size(); i++) {
            Turn turn = Engine.take(talk.playbook, state, talk.events.get(i), new Reads.Replayer(talk.reads.get(i)));
            state = ((Turn.Taken) turn).state();
        }
        assertThat(state).isEqualTo(talk.state);
    }

    @Property(tries = 300)
    void thePlaceIsNeverLost(@ForAll("lines") List<String> lines) {
        Talk talk = talk();
        for (String line : lines) {
            long before = talk.state.seq();
            Turn turn = talk.tell(new Event.Said(talk.stamp(), line));
            if (turn instanceof Turn.Taken taken) {
                assertThat(taken.messages())
                        .as("the visitor's own words are kept")
                        .isNotEmpty();
                assertThat(taken.messages().getFirst().text()).isEqualTo(line);
                assertThat(talk.state.seq()).isEqualTo(before + taken.messages().size());
                if (talk.state.speaker() == Speaker.BOT) {
                    assertThat(talk.heard).as("an answer to %s", line).isNotEmpty();
                    assertThat(talk.state.at() == null || talk.state.awaiting() != null)
                            .as("waits at %s", talk.state.at())
                            .isTrue();
                }
            }
        }
    }

    @Property(tries = 100)
    void storedStatesAndEventsReadBackEqual(@ForAll("lines") List<String> lines) {
        JsonMapper json = Talk.stored();
        Talk talk = talk();
        lines.forEach(line -> talk.tell(new Event.Said(talk.stamp(), line)));
        assertThat(json.readValue(json.writeValueAsString(talk.state), State.class))
                .isEqualTo(talk.state);
        for (Event event : talk.events) {
            assertThat(json.readValue(json.writeValueAsString(event), Event.class))
                    .isEqualTo(event);
        }
    }
}
