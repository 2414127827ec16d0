package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.TraceLine;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.ValueType;
import java.time.Instant;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class EngineTest {

    private static final Flow MAIN = flow("main")
            .message("hello", "Hello.", "menu")
            .choice(
                    "menu",
                    "Welcome back. What would you like?",
                    "Tonight's sky",
                    "sky",
                    "Plan a visit",
                    "name",
                    "Ask",
                    "ask")
            .message("sky", "Clear.", "menu")
            .question("name", "Lovely. What is your name?", ValueType.PERSON_NAME, "name", "email")
            .question("email", "Thanks, {{name.first}}. And your email?", ValueType.EMAIL, "email", "party")
            .question("party", "How many are you?", ValueType.NUMBER, "party", "thanks")
            .message("thanks", "Noted: {{party}} for {{name}}.", "bye")
            .answer("ask", "What would you like to know?", "ask", "menu")
            .handOff("person", "visits", "bye", null)
            .end("bye", "Clear skies!")
            .build();

    private static FakeWorld world() {
        return new FakeWorld()
                .knows("parking", "Parking is free.", 0.9)
                .knows("dogs", "On a lead.", 0.4)
                .knows("cats", "No cats.", 0.35);
    }

    private static Talk atMenu() {
        return Talk.with(world(), MAIN);
    }

    private static Talk atName() {
        return atMenu().picks("o2");
    }

    @Test
    void beginsWithTheFirstStepAndWaitsAtTheChoice() {
        Talk talk = atMenu().hears("Hello.", "Welcome back. What would you like?");
        assertThat(talk.state.awaiting().offers())
                .extracting(Message.Offer::label)
                .containsExactly("Tonight's sky", "Plan a visit", "Ask");
        assertThat(talk.state.seq()).isEqualTo(2);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Plan a visit",
                "plan a visit",
                "visit",
                "the second",
                "2",
                "second one please",
                "PLAN A VISTI",
                "i'd like to plan my visit"
            })
    void typedOptionsLeadWherePickedOnesDo(String typed) {
        assertThat(atMenu().says(typed).heard).isEqualTo(atMenu().picks("o2").heard);
    }

    @Test
    void anOptionIsFoundByMeaningLast() {
        atMenu().says("show me the stars above").hearsPart("Clear.").tookBy("answer to the choice");
    }

    @Test
    void answersFillVariablesAndPlaceholders() {
        atName().says("Dana Whitlow")
                .hears("Thanks, Dana. And your email?")
                .says("dana@example.org")
                .hears("How many are you?")
                .says("about a dozen")
                .hears("Noted: 12 for Dana Whitlow.", "Clear skies!")
                .knows("party", "12");
    }

    @Test
    void whatElseAMessageGivesAwayIsNotAskedAgain() {
        atName().says("Dana Whitlow, dana@example.org")
                .hears("Noted: dana@example.org.", "How many are you?")
                .knows("email", "dana@example.org")
                .tookBy("also read");
    }

    @Test
    void aSideQuestionIsAnsweredAndThePendingOnePutAgainInFewerWords() {
        atName().says("is there parking?")
                .hears("Parking is free.", "What is your name?")
                .tookBy("answered from knowledge")
                .says("Dana")
                .hears("Thanks, Dana. And your email?");
    }

    @Test
    void aQuestionBesideAnAnswerIsAnsweredToo() {
        atName().says("Dana").says("dana@example.org is there parking?").hears("Parking is free.", "How many are you?");
    }

    @Test
    void anUnknownSideQuestionIsAGapAndThePlaceIsKept() {
        Talk talk = atName().says("do you sell moon rocks?");
        talk.hearsPart("don't know").hearsPart("What is your name?");
        assertThat(talk.effects).contains(new Deed.NoteGap("do you sell moon rocks?"));
        talk.says("Dana").knows("name", "Dana");
    }

    @Test
    void suggestionsArePickedOrDeclined() {
        Talk talk = atMenu().says("what about dogs and cats?");
        assertThat(talk.state.awaiting().offers())
                .extracting(Message.Offer::label)
                .containsExactly("About dogs", "About cats", "None of these");
        talk.picks("e-dogs").hears("On a lead.", "What would you like?");
        talk.says("what about dogs and cats?")
                .says("none of these")
                .hearsPart("don't know")
                .hearsPart("What would you like?");
        assertThat(talk.effects).contains(new Deed.NoteGap("what about dogs and cats?"));
        for (String no : List.of("no", "nope", "ok no", "no thats all for now", "nah thanks")) {
            talk.says("what about dogs and cats?").says(no).hears("All right.", "What would you like?");
            assertThat(talk.effects).noneMatch(Deed.NoteGap.class::isInstance);
        }
    }

    @Test
    void anAnswerStepAnswersAndAsksAgain() {
        atMenu().picks("o3")
                .hears("What would you like to know?")
                .says("parking")
                .hears("Parking is free.", "What would you like to know?")
                .says("rockets")
                .hearsPart("don't know")
                .hearsPart("What would you like?");
    }

    @Test
    void whatIsTypedOtherwiseCanLeadToAnAnswerStep() {
        Flow flow = flow("main")
                .choice("menu", "Which?", "A", "end", "B", "end")
                .answer("ask", "", "menu", "menu")
                .lead("menu", "otherwise", "ask")
                .build();
        Talk.with(world(), flow).says("tell me of parking").hears("Parking is free.", "Which?");
    }

    @Test
    void gaveUpLeadsWhereTheDesignerSays() {
        Flow flow = flow("main")
                .json("{'kind':'question','id':'q','ask':['Number?'],'type':'number','variable':'n','retry':'Digits!',"
                        + "'tries':2,'exits':{'gave_up':'step:off'}}")
                .message("off", "Never mind.", "end")
                .build();
        Talk.with(flow).says("eh").hears("Digits!").says("eh").hears("Never mind.");
    }

    @Test
    void aRefusalTakesTheGaveUpExitOrIsToldWhy() {
        atName().says("I'd rather not say").hearsPart("can't go on without").hearsPart("What is your name?");
        atName().says("why do you ask").hearsPart("so that the right person").hearsPart("What is your name?");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "a person please|a person",
                "can I speak to someone|a person",
                "Human!|a person",
                "agent|a person",
                "I want to talk to a real person|a person",
                "get me a human|a person",
                "put me through to an operator|a person",
                "could I chat with one of your team please|a person",
                "start again|start again",
                "Start over please|start again",
                "restart|start again",
                "lets start all over|start again",
                "menu|the menu",
                "back to the menu|the menu",
                "what can you do?|the menu",
                "stop|stop",
                "goodbye|stop",
                "that's all, thanks|stop",
                "bye|stop",
                "go back|go back",
                "previous question|go back",
            })
    void standingRequestsAreHeardInTheMidstOfAQuestion(String typed, String request) {
        Talk talk = atName().says(typed).tookBy("standing request");
        assertThat(talk.trace)
                .filteredOn(line -> line.rule().equals("standing request"))
                .extracting(TraceLine::detail)
                .containsExactly(request);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "how many people fit in",
                "is there a person who shows us round?",
                "the start of the show",
                "can we stop for food",
                "menu of the café"
            })
    void likeSoundingWordsAreNoStandingRequests(String typed) {
        assertThat(atMenu().says(typed).trace).extracting(TraceLine::rule).doesNotContain("standing request");
    }

    @Test
    void startingAgainForgetsAndTheMenuDoesNot() {
        Talk talk = atName().says("Dana")
                .says("menu")
                .hears("Welcome back. What would you like?")
                .knows("name", "Dana");
        talk.says("start again").hearsPart("Hello.");
        assertThat(talk.state.variables()).isEmpty();
    }

    @Test
    void goingBackAsksTheQuestionBefore() {
        Talk talk = atName().says("Dana").says("go back").hears("Lovely. What is your name?");
        assertThat(talk.state.variables()).isEmpty();
        talk.says("Robin").knows("name", "Robin");
        atMenu().says("go back").hearsPart("no earlier question");
    }

    @Test
    void aCorrectionChangesThatVariableAndNothingElse() {
        Talk talk = atName().says("Dana").says("dana@example.org").says("sorry, my email is dana@example.net");
        talk.hears("Thanks, I've changed that to dana@example.net.", "How many are you?")
                .knows("email", "dana@example.net")
                .knows("name", "Dana");
    }

    @Test
    void flowsAreGoneToAndComeBackFrom() {
        Flow main = flow("main")
                .goTo("go", "flow:sub", true, "after")
                .message("after", "Back again.", "end")
                .build();
        Flow sub = flow("sub")
                .question("n", "How many?", ValueType.NUMBER, "n", "back")
                .build();
        Talk.with(main, sub).hears("How many?").says("3").hears("Back again.").knows("n", "3");
    }

    @Test
    void aPhraseLeadsToItsFlowAndBackToThePendingQuestion() {
        Flow sub = flow("call")
                .phrases("call me back")
                .question("n", "Which number?", ValueType.NUMBER, "n", "back")
                .build();
        Talk.with(world(), MAIN, sub)
                .picks("o2")
                .says("could you call me back")
                .hears("Which number?")
                .tookBy("phrase of a flow")
                .says("7")
                .hears("Lovely. What is your name?");
    }

    @Test
    void aFlowWithoutAnEndRestsAndStillAnswers() {
        Talk talk = Talk.with(world(), flow("main").message("a", "Hi.", null).build())
                .hears("Hi.");
        assertThat(talk.state.awaiting()).isNull();
        talk.says("parking").hears("Parking is free.");
    }

    @Test
    void anEmptyBotStillSpeaks() {
        Talk.with(world(), Flow.empty("main", "Main")).hears("Is there anything you would like to ask?");
    }

    @Test
    void goingRoundInCirclesIsStoppedWithAnApologyAndAPerson() {
        Talk talk = Talk.with(
                flow("main").message("a", "", "b").message("b", "", "a").build());
        talk.hearsPart("went round in circles").tookBy("stopped");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.QUEUED);
    }

    @Test
    void refusesWhatDoesNotFit() {
        Talk talk = atMenu();
        State before = talk.state;
        assertThat(talk.tell(new Event.Picked(talk.stamp(), List.of("o9"))))
                .isEqualTo(new Turn.Refused(Turn.Reason.UNKNOWN_OPTION));
        assertThat(talk.tell(new Event.Picked(talk.stamp(), List.of()))).isInstanceOf(Turn.Refused.class);
        assertThat(talk.tell(new Event.Started(talk.stamp(), "web", "")))
                .isEqualTo(new Turn.Refused(Turn.Reason.OUT_OF_ORDER));
        assertThat(talk.tell(new Event.AgentSaid(talk.stamp(), "Idris", "a-Idris", "hi")))
                .isEqualTo(new Turn.Refused(Turn.Reason.NOT_WITH_PERSON));
        assertThat(talk.tell(new Event.AgentClosed(talk.stamp(), "Idris", "a-Idris")))
                .isEqualTo(new Turn.Refused(Turn.Reason.NOT_WITH_PERSON));
        assertThat(talk.state).isEqualTo(before);
        talk.take(new Event.AgentTook(talk.stamp(), "Idris", "a-Idris", false));
        assertThat(talk.tell(new Event.AgentTook(talk.stamp(), "Oona", "a-Oona", false)))
                .isEqualTo(new Turn.Refused(Turn.Reason.ALREADY_TAKEN));
        assertThat(Engine.take(talk.playbook, State.NEW, new Event.Said(talk.stamp(), "hi"), talk.ports))
                .isEqualTo(new Turn.Refused(Turn.Reason.OUT_OF_ORDER));
    }

    @Test
    void anAmbiguousOptionAsksWhich() {
        Flow flow = flow("main")
                .choice("m", "Which?", "Dome show", "end", "Dome hire", "end")
                .build();
        Talk talk = Talk.with(flow).says("dome").hears("Which of these do you mean?");
        assertThat(talk.state.awaiting().offers()).hasSize(2);
        assertThat(talk.says("hire").state.speaker()).isEqualTo(Speaker.ENDED);
    }

    @Test
    void whatVisitorsTypeBringsInNoMarkdown() {
        Flow flow = flow("main")
                .question("q", "Topic?", ValueType.TEXT, "topic", "m")
                .message("m", "You said {{topic}}.", "end")
                .build();
        Talk.with(flow).says("[click](http://x.example) <b>").hears("You said \\[click\\](http://x.example) \\<b\\>.");
    }

    @Test
    void aBrokenPlaceholderIsShownAsItIs() {
        Talk.with(flow("main").message("m", "Hi {{name", "end").build()).hears("Hi {{name");
    }

    @Test
    void wordingsRotateBySeedAlone() {
        Flow flow = flow("main")
                .json("{'kind':'message','id':'m','say':['One','Two','Three'],'exits':{'next':'end'}}")
                .build();
        Playbook playbook = new Playbook(new Release(
                1, new Release.Profile("V", "GB", "Europe/London"), "main", List.of(flow), List.of(), List.of()));
        List<String> said = LongStream.range(0, 40)
                .mapToObj(seed -> ((Turn.Taken) Engine.take(
                                playbook,
                                State.NEW,
                                new Event.Started(new Stamp(Instant.EPOCH, seed), "web", ""),
                                new FakeWorld()))
                        .messages()
                        .getFirst()
                        .text())
                .toList();
        assertThat(said).contains("One", "Two", "Three");
    }
}
