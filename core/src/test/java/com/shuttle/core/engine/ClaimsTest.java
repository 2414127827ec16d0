package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.TraceLine;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is done with messages of which several sources understand something. */
class ClaimsTest {

    private static final Flow FLOW = flow("main")
            .json("{'kind':'choice','id':'what','ask':['What is it?'],'variable':'what','tries':5,'options':["
                    + "{'id':'v','label':'Plan a visit'},{'id':'h','label':'Hire the hall'}],"
                    + "'exits':{'option:v':'step:kind','option:h':'step:people'}}")
            .json("{'kind':'choice','id':'kind','ask':['Which kind?'],'tries':5,'options':["
                    + "{'id':'d','label':'A dome show','also':['dome']},{'id':'n','label':'A star night','also':['stars']}],"
                    + "'exits':{'option:d':'step:people','option:n':'step:people'}}")
            .json(
                    "{'kind':'question','id':'people','ask':['How many?'],'type':'number','variable':'people','skipWhenKnown':true,"
                            + "'tries':5,'limits':{'min':1,'max':80},'exits':{'answered':'step:day'}}")
            .json("{'kind':'question','id':'day','ask':['Which day?'],'type':'date','variable':'day','optional':true,"
                    + "'skipWhenKnown':true,'tries':5,'exits':{'answered':'step:email','skipped':'step:email'}}")
            .json(
                    "{'kind':'question','id':'email','ask':['Which email?'],'type':'email','variable':'email','confirm':true,"
                            + "'skipWhenKnown':true,'tries':5,'exits':{'answered':'step:needs'}}")
            .json(
                    "{'kind':'question','id':'needs','ask':['Is there anything we should know?'],'type':'long_text','variable':'needs',"
                            + "'optional':true,'tries':5,'exits':{'answered':'step:done','skipped':'step:done'}}")
            .message("done", "Thanks.", "end")
            .build();

    private static Talk begun() {
        return Talk.with(
                new FakeWorld()
                        .knows("parking", "Parking is free.", 0.9)
                        .knows("dogs", "On a lead.", 0.9)
                        .knows("snacks", "On the terrace.", 0.4),
                FLOW);
    }

    private static Talk atDay() {
        return begun().says("hire the hall").says("12").hears("Which day?");
    }

    @Test
    void anAnswerAFactAndAQuestionAreAllTaken() {
        begun().says("hire the hall, 24, 12 may").knows("people", "24");
        begun().says("hire the hall, 24 people, is there parking?")
                .hears("Noted: people 24.", "Parking is free.", "Which day?")
                .knows("what", "Hire the hall")
                .knows("people", "24");
    }

    /** Nothing asked is dropped in silence; what only seeks consent is answered by going on. */
    @Test
    void anUnknownQuestionBesideAnAnswerIsSaidAndNoted() {
        Talk talk = atDay().says("12 May. Could we let off fireworks?");
        talk.hears(
                "I have no answer to “Could we let off fireworks?”, but I've noted it for the team.", "Which email?");
        assertThat(talk.state.variables()).containsKey("day");
        atDay().says("12 May, is that all right?").hears("Which email?");
        atDay().says("12 May, does that work for you?").hears("Which email?");
    }

    @Test
    void headsAndAgesAreNotMixedUp() {
        begun().says("hire the hall").says("just the two of us").knows("people", "2");
        begun().says("my son is 9").hearsPart("What is it?");
        assertThat(begun().says("my son is 9").state.variables()).isEmpty();
    }

    @Test
    void whatIsReadBackIsAgreedToInManyWords() {
        atDay().says("no idea which day")
                .hears("That's all right, we leave that open.", "Which email?")
                .says("pat@hill.example")
                .hearsPart("Is that right?")
                .says("that's it")
                .hearsPart("anything we should know");
    }

    @Test
    void whatIsToldAheadKeepsToTheBoundsOfItsQuestion() {
        begun().says("hire the hall, 3000 people").hears("How many?");
        begun().says("hire the hall, 30 people").hears("Noted: people 30.", "Which day?");
    }

    @Test
    void wordsKeepTheirPlacesBehindAnOptionThatStandsFirst() {
        assertThat(begun().says("Hire the hall for 24 people on 12 may").trace)
                .extracting(TraceLine::detail)
                .anyMatch(detail -> detail.startsWith("“24 people” ") || detail.startsWith("“24” "))
                .anyMatch(detail -> detail.startsWith("“12 may” "));
    }

    @Test
    void factsAreNoQuestionsAndNoMoodsAreNames() {
        begun().says("dogs and 12 people").hears("Noted: people 12.", "On a lead.", "What is it?");
        Talk sad = begun().says("I am disappointed");
        assertThat(sad.state.variables()).isEmpty();
        sad.hearsPart("I'm sorry");
    }

    @Test
    void whatThereIsNothingOfIsLeftOpenAndNotWhatIsAsked() {
        begun().says("hire the hall")
                .says("no date yet")
                .hears("That's all right, we leave that open.", "How many?")
                .says("12")
                .hears("Which email?");
    }

    @Test
    void whoWaitsIsAnsweredBehindOtherWords() {
        begun().says("a person please")
                .says("never mind them, is there parking")
                .hearsPart("Parking is free.");
    }

    @Test
    void aPersonIsFetchedAfterWhatWasToldIsKept() {
        Talk talk = begun().says("it's for 24 people, can I talk to someone?").knows("people", "24");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.QUEUED);
        Talk answered = atDay().says("12 may. Can I speak to a person please");
        answered.knows("day", "Tuesday 12 May 2026");
        assertThat(answered.state.speaker()).isEqualTo(Speaker.QUEUED);
    }

    @Test
    void aChangeAndWhatElseIsSaidAreBothTaken() {
        atDay().says("no, make it 30, and my email is ida@example.org")
                .knows("people", "30")
                .knows("email", "ida@example.org");
        atDay().says("sorry, 14 of us I mean. Is there parking?")
                .hears("Thanks, I've changed that to 14.", "Parking is free.", "Which day?");
    }

    @Test
    void aConfirmationMayMendSomethingElse() {
        atDay().says("12 may")
                .says("ida@example.org")
                .says("no, only 10 people")
                .hears("Thanks, I've changed that to 10.", "**ida@example.org** – Is that right?")
                .says("yes")
                .knows("email", "ida@example.org")
                .knows("people", "10");
    }

    @Test
    void theTraceTellsWhoClaimedWhichWords() {
        Talk talk = atDay().says("no, make it 30");
        assertThat(talk.trace)
                .extracting(TraceLine::rule, TraceLine::detail)
                .contains(org.assertj.core.groups.Tuple.tuple(
                        "heard", "“no, make it 30” – change: people to 30 (told anew) (95 %)"));
        assertThat(begun().says("is there parking?").trace)
                .extracting(TraceLine::detail)
                .anyMatch(detail -> detail.startsWith("“is there parking?” – question"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "a dome show for 4 please|How many?|4",
                "we'd like to come for stars|How many?|",
                "plan a visit|Which kind?|",
                "I saw stars when I hit my head|Sorry|",
                "can you see the stars from here|I don't know|",
            })
    void anOptionIsTakenByWhatItLeadsTo(String said, String hears, String people) {
        Talk talk = begun().says(said);
        if (people == null) {
            talk.hearsPart(hears);
        } else {
            talk.knows("people", people).hearsPart("Which day?");
        }
    }

    @Test
    void whatWasSaidOnTheWayChoosesOnce() {
        begun().says("plan a visit to a dome show").hears("How many?").tookBy("skipped");
    }

    @Test
    void aPlainReplyIsNoQuestionAndNoTry() {
        begun().says("ok").hears("All right.", "What is it?").says("nothing").hears("All right.", "What is it?");
        atDay().says("not sure about the date yet").hears("That's all right, we leave that open.", "Which email?");
    }

    @Test
    void whoIsLostIsAskedAgainAndYesIsNotEnough() {
        begun().says("sorry?").hears("Sorry, let me ask that again.", "What is it?");
        atDay().says("12 may")
                .says("ida@example.org")
                .says("yes")
                .says("yes")
                .hears("Please tell me in a few words what it is.")
                .says("one wheelchair")
                .knows("needs", "one wheelchair");
    }

    @Test
    void anotherLanguageIsToldOnceAndThenAPersonOffered() {
        begun().says("cuánto cuesta, por favor")
                .hearsPart("only understand English")
                .says("wo ist der Eingang und wann")
                .hearsPart("person");
    }

    @Test
    void aValueThatFitsOneThingKnownChangesIt() {
        begun().says("24 people").says("hmm ok 20").hears("Thanks, I've changed that to 20.", "What is it?");
    }

    @Test
    void whoTellsAValueChoosesNoSuggestion() {
        begun().says("are snacks allowed?")
                .hearsPart("certain")
                .says("ok 30 people")
                .knows("people", "30");
    }

    @Test
    void whoWantsToBeRungUpGetsAPerson() {
        assertThat(begun().says("can somebody ring me back please").state.speaker())
                .isEqualTo(Speaker.QUEUED);
        assertThat(begun().says("person").says("forget it, back").state.speaker())
                .isEqualTo(Speaker.BOT);
    }

    @Test
    void whatIsDeniedAsksNothing() {
        begun().says("no dogs with us").hearsPart("Sorry");
        begun().says("dogs?").hears("On a lead.", "What is it?");
    }

    @Test
    void anEmailMayBeRefusedByItsName() {
        atDay().says("12 may").says("I don't have an email").hearsPart("can't go on without it");
        assertThat(ValueType.EMAIL.free()).isFalse();
    }
}
