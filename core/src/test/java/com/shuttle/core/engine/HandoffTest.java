package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Passing a conversation to a person and back. */
class HandoffTest {

    private static final Flow MAIN = flow("main")
            .choice("menu", "Welcome back. What would you like?", "Nothing", "bye", "Plan a visit", "name")
            .question("name", "Lovely. What is your name?", ValueType.PERSON_NAME, "name", "email")
            .question("email", "And your email?", ValueType.EMAIL, "email", "bye")
            .end("bye", "Clear skies!")
            .build();

    private static final Flow PERSON = flow("person")
            .message("well", "Of course.", "person")
            .handOff("person", "visits", "bye", null)
            .end("bye", "Clear skies!")
            .build();

    private static FakeWorld world() {
        return new FakeWorld().knows("parking", "Parking is free.", 0.9);
    }

    private static Talk atMenu() {
        return Talk.personBy("person", world(), MAIN, PERSON);
    }

    private static Talk atName() {
        return atMenu().picks("o2");
    }

    @Test
    void aPersonTakesAnswersAndCloses() {
        Talk talk = atMenu().says("a person");
        talk.hears("Of course.", "Passing you on.");
        talk.says("I wait").hearsPart("whoever comes will read it");
        talk.says("is there parking?").hears("Parking is free.");
        talk.says("I want a person").hearsPart("You are in the queue");
        talk.take(new Event.AgentTook(talk.stamp(), "Idris", "a-Idris", false))
                .hears("You are talking with Idris now.");
        talk.take(new Event.AgentSaid(talk.stamp(), "Idris", "a-Idris", "Good evening"))
                .hears("Good evening");
        talk.says("is there parking?").hears();
        talk.take(new Event.AgentClosed(talk.stamp(), "Idris", "a-Idris")).hears("Clear skies!");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.ENDED);
        assertThat(talk.tell(new Event.Said(talk.stamp(), "hello?"))).isEqualTo(new Turn.Refused(Turn.Reason.ENDED));
    }

    @Test
    void whoWaitsCanLeaveTheQueue() {
        Talk talk = atMenu().says("a person").says("back to the menu");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.BOT);
        assertThat(talk.state.speaker()).isEqualTo(Speaker.BOT);
        talk.hears("Welcome back. What would you like?");
    }

    @Test
    void whenNobodyIsThereThePlaceIsKept() {
        FakeWorld empty = world();
        empty.anybody = false;
        Talk.personBy("person", empty, MAIN, PERSON)
                .picks("o2")
                .says("a person")
                .hears("Of course.", "Nobody is in.", "Lovely. What is your name?")
                .says("Dana")
                .knows("name", "Dana");
    }

    @Test
    void withoutAHandOffStepAnyTeamIsAsked() {
        Flow bare = flow("main").message("a", "Hi", null).build();
        assertThat(Talk.with(bare).says("a person").state.team()).isEqualTo("");
        assertThat(Talk.with(bare).says("a person").state.speaker()).isEqualTo(Speaker.QUEUED);
    }

    @Test
    void triesGrowInHelpAndEndInAnOfferOfAPerson() {
        Talk talk = atName().says("Dana").says("hmm").hears("That doesn't look like an email address.");
        talk.says("hmm hmm").hearsPart("robin@example.org");
        talk.says("dunno").hearsPart("Passing you on.");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.QUEUED);
        assertThat(talk.state.team()).isEqualTo("visits");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.QUEUED);
    }

    @Test
    void aPersonMayTakeAConversationUnasked() {
        Talk talk = atName();
        talk.take(new Event.AgentTook(talk.stamp(), "Idris", "a-Idris", false))
                .hears("You are talking with Idris now.");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.PERSON);
        talk.says("Dana").hears();
        assertThat(talk.state.variables())
                .as("what is said to a person is not read as an answer")
                .isEmpty();
        talk.take(new Event.AgentClosed(talk.stamp(), "Idris", "a-Idris")).hearsPart("was closed");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.ENDED);
    }

    @Test
    void whoStopsWhileWaitingIsDone() {
        Talk talk = atMenu().says("a person").says("goodbye");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.ENDED);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"how long will that take", "nobody?", "hello?", "are you still there", "I'm still waiting!"})
    void whoWaitsIsToldHowItStands(String words) {
        atMenu().says("a person").says(words).hearsPart("You are in the queue");
    }

    @Test
    void whoGoesBackWhileWaitingIsHeardByTheBotAgain() {
        Talk talk = atMenu().says("a person").says("go back").hearsPart("I'm back");
        talk.says("is there parking?").hears("Parking is free.");
    }

    @Test
    void theNobodyExitIsTakenWhereTheDesignerLedIt() {
        FakeWorld empty = world();
        empty.anybody = false;
        Flow main =
                flow("main").choice("menu", "Which?", "A", "end", "B", "end").build();
        Flow person = flow("person")
                .handOff("person", "visits", "end", "leave")
                .question("leave", "Leave your email?", ValueType.EMAIL, "email", "end")
                .build();
        Talk talk = Talk.personBy("person", empty, main, person).says("a person please");
        talk.hears("Nobody is in.", "Leave your email?");
        talk.says("just get me a human").hearsPart("Nobody from the team").hearsPart("Leave your email?");
    }

    /** A Hand off in the midst of a flow is reached by that flow alone, with all that it asks before. */
    @Test
    void nobodyIsTakenIntoTheMidstOfAFlow() {
        Flow main =
                flow("main").choice("menu", "Which?", "A", "end", "B", "end").build();
        Flow repair = flow("repair")
                .question("fault", "What is broken?", ValueType.TEXT, "fault", "person")
                .handOff("person", "bench", "end", null)
                .build();
        Talk talk = Talk.with(world(), main, repair).says("human");
        talk.hears("I'm passing you to a person. They can read what we've said so far.");
        assertThat(talk.state.team()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"I want someone to call me back", "call me back please", "can somebody ring me?"})
    void anOptionThatSaysSoIsPicked(String words) {
        Flow main = flow("main")
                .choice("menu", "How shall we do it?", "By mail", "end", "Someone calls me back", "number")
                .question("number", "Which number?", ValueType.PHONE, "phone", "end")
                .build();
        FakeWorld world = world();
        world.closeness = (text, others) -> others.stream()
                .mapToDouble(other -> other.contains("calls") ? 0.7 : 0.1)
                .toArray();
        Talk.with(world, main).says(words).hears("Which number?");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "someone is bleeding in the car park",
                "my son has fallen and broke his arm",
                "hi, we are locked in, the door won't open!",
                "a child is stuck in the lift",
                "I'm trapped under the dome",
                "the shed is on fire"
            })
    void whoeverIsInNeedIsToldTheEmergencyNumberFirst(String words) {
        Talk talk = atName().says(words);
        assertThat(talk.heard.getFirst()).contains("112");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.QUEUED);
        assertThat(talk.says(words).heard.getFirst()).as("while waiting, too").contains("112");
    }

    @ParameterizedTest
    @ValueSource(strings = {"the focus knob is stuck", "I'm stuck on this question", "we are stuck in traffic"})
    void aThingThatIsStuckIsNoEmergency(String words) {
        assertThat(atName().says(words).heard).noneMatch(said -> said.contains("112"));
    }

    @ParameterizedTest
    @EnumSource(Speaker.class)
    void anEndedConversationPassesToNobody(Speaker other) {
        assertThat(Speaker.ENDED.mayPassTo(other)).isFalse();
        assertThat(other.mayPassTo(other)).isFalse();
    }

    @Test
    void onlyWhoHasAConversationSpeaksInItAndClosesIt() {
        Talk talk = atMenu().says("a person");
        talk.take(new Event.AgentTook(talk.stamp(), "Idris", "a-idris", false));
        assertThat(talk.state.agent()).isEqualTo("a-idris");
        assertThat(talk.tell(new Event.AgentSaid(talk.stamp(), "Oona", "a-oona", "Hi")))
                .isEqualTo(new Turn.Refused(Turn.Reason.NOT_YOURS));
        assertThat(talk.tell(new Event.AgentClosed(talk.stamp(), "Oona", "a-oona")))
                .isEqualTo(new Turn.Refused(Turn.Reason.NOT_YOURS));
        assertThat(talk.tell(new Event.AgentReturned(talk.stamp(), "Oona", "a-oona")))
                .isEqualTo(new Turn.Refused(Turn.Reason.NOT_YOURS));
        assertThat(talk.tell(new Event.AgentTook(talk.stamp(), "Oona", "a-oona", false)))
                .isEqualTo(new Turn.Refused(Turn.Reason.ALREADY_TAKEN));
    }

    @Test
    void takenOverOpenlyItBelongsToWhoTookIt() {
        Talk talk = atMenu().says("a person");
        talk.take(new Event.AgentTook(talk.stamp(), "Idris", "a-idris", false));
        talk.take(new Event.AgentTook(talk.stamp(), "Oona", "a-oona", true)).hears("You are talking with Oona now.");
        talk.take(new Event.AgentSaid(talk.stamp(), "Oona", "a-oona", "Hello")).hears("Hello");
        assertThat(talk.tell(new Event.AgentSaid(talk.stamp(), "Idris", "a-idris", "Wait")))
                .isEqualTo(new Turn.Refused(Turn.Reason.NOT_YOURS));
        assertThat(talk.tell(new Event.AgentTook(talk.stamp(), "Oona", "a-oona", true)))
                .isEqualTo(new Turn.Refused(Turn.Reason.ALREADY_TAKEN));
    }
}
