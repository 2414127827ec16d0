package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.acts.Kind;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import org.junit.jupiter.api.Test;

/** What is made of what clauses do: what is not given is not taken down, and what is requested is done, in whatever words. */
class ActsInTurnsTest {

    private static final Flow FLOW = flow("main")
            .question("n", "Name?", ValueType.PERSON_NAME, "name", "e")
            .question("e", "Email?", ValueType.EMAIL, "email", "g")
            .question("g", "How many?", ValueType.NUMBER, "guests", "d")
            .question("d", "Which day?", ValueType.DATE, "day", "b")
            .question("b", "Will you bring your own boat?", ValueType.YES_NO, "boat", "t")
            .question("t", "Anything else?", ValueType.LONG_TEXT, "more", "m")
            .message("m", "Thanks, {{name}}.", "end")
            .build();

    private final FakeWorld world = new FakeWorld();
    private final Talk talk = Talk.with(world, FLOW);

    private String stands() {
        return talk.state.at() == null ? "" : talk.state.at().step();
    }

    private Talk atDay() {
        return talk.says("Dana Whitlow").says("dana@example.org").says("24");
    }

    @Test
    void whoMentionsOrAsksNamesNothing() {
        world.does("was called", Kind.MENTION, 0.95).does("what did i", Kind.RECAP, 0.4);
        talk.says("my grandmother was called Elspeth Kerr");
        assertThat(talk.state.variables()).doesNotContainKey("name");
        talk.says("what did i say before");
        assertThat(talk.state.variables())
                .as("below even odds no words are a name")
                .doesNotContainKey("name");
        talk.says("Dana Whitlow").knows("name", "Dana Whitlow");
    }

    @Test
    void whatIsSpokenOfInAQuestionIsNotNoted() {
        world.does("is the 12th", Kind.KNOWLEDGE, 0.9);
        talk.says("is the 12th of may a holiday where you are");
        assertThat(talk.state.variables()).doesNotContainKey("day");
    }

    @Test
    void aThingThatIsNamedIsAskedAgainAndNothingElse() {
        world.does("redo", Kind.CHANGE, 0.9);
        atDay().says("could i redo the email").tookBy("back to a question").hears("Email?");
        talk.says("d@example.net").knows("email", "d@example.net").knows("guests", "24");
        assertThat(stands()).isEqualTo("d");
    }

    @Test
    void whatIsNotedIsSaidInAnyWords() {
        world.does("so far", Kind.RECAP, 0.9);
        atDay().says("and what have we got so far")
                .tookBy("recap")
                .hearsPart("Dana Whitlow")
                .hearsPart("Which day?");
        assertThat(stands()).isEqualTo("d");
    }

    @Test
    void whoIsOnlyPoliteIsMetAndNoGap() {
        world.does("cheers", Kind.THANKS, 0.9).does("hm", Kind.REACTION, 0.6);
        talk.says("cheers big ears").tookBy("social").hears("You're welcome.", "Name?");
        talk.says("hm fancy that").tookBy("social");
        assertThat(talk.trace).noneMatch(line -> line.rule().equals("gap"));
    }

    @Test
    void wordsThatMayBeTheAnswerAreAskedAbout() {
        world.does("somebody calm", Kind.PERSON, 0.4);
        atDay().says("12 May").says("no").says("somebody calm").hearsPart("somebody calm");
        assertThat(talk.state.variables()).doesNotContainKey("more");
        talk.says("yes").knows("more", "somebody calm");
    }

    @Test
    void whatASentenceImpliesIsNotedAndMayBeTakenBack() {
        world.closeness = (text, others) -> others.stream()
                .mapToDouble(other -> text.contains("boat") && other.contains("boat") ? 0.7 : 0.1)
                .toArray();
        world.does("wrong", Kind.CORRECT, 0.9);
        talk.says("Dana Whitlow, and we come in our own boat")
                .knows("boat", "yes")
                .knows("name", "Dana Whitlow");
        talk.says("that was wrong we won't have a boat").tookBy("changed").knows("boat", "no");
    }

    @Test
    void aDenialIsANoWhereOneIsAskedFor() {
        world.does("neither of us", Kind.ANSWER, 0.9);
        atDay().says("12 May").says("neither of us owns any").knows("boat", "no");
    }

    @Test
    void aDayMayComeInTwoHalves() {
        atDay().says("sometime in June").says("the 8th");
        assertThat(talk.state.variables().get("day").shown()).contains("8 June");
    }

    @Test
    void twoChangesInOneMessageAreTwo() {
        atDay().says("the email should be d@example.net and the guests should be 30")
                .knows("email", "d@example.net")
                .knows("guests", "30");
        assertThat(stands()).isEqualTo("d");
    }

    @Test
    void whoDoesNotKnowSomethingToComeIsNotAskedForItNow() {
        world.does("day yet", Kind.NOT_YET, 0.95);
        talk.says("we have no day yet").hears("All right.", "Name?");
    }

    @Test
    void anEarlierChoiceIsMendedByNamingAnotherOption() {
        Flow shows = flow("main")
                .choice("c", "What would you like?", "A dome show", "q", "A telescope night", "q")
                .choice("q", "Anything else?", "A question", "e", "No, that's all", "e")
                .end("e", "Bye.")
                .build();
        Talk visitor = Talk.with(world.does("wait", Kind.CORRECT, 0.6), shows);
        visitor.says("a telescope night").says("wait no a dome show").tookBy("another choice");
        assertThat(visitor.state.at()).isNotNull();
    }

    @Test
    void aQuestionIsPutWithWhatTheConversationIsAbout() {
        talk.says("how much is it?");
        assertThat(world.inquiries.getLast().about()).contains("Name?");
    }

    @Test
    void whatWasAskedBeforeTheConversationWentOnIsNotWhatItIsAbout() {
        world.knows("parking", "Behind the barn.", 0.9);
        talk.says("is there parking?").says("and is it free?");
        assertThat(world.inquiries.getLast().turns()).containsExactly("is there parking?", "and is it free?");
        talk.says("Dana Whitlow").says("is it far?");
        assertThat(world.inquiries.getLast().turns()).doesNotContain("is there parking?");
    }

    @Test
    void whoTellsSomethingThatNobodyAskedIsNotAnsweredAndItIsPassedOn() {
        world.knows("allergy", "We cook without nuts.", 0.9).does("allergy", Kind.TELL, 0.9);
        talk.says("somebody with us has a bad nut allergy")
                .hearsPart("I pass that on")
                .hearsPart("Name?");
    }

    @Test
    void noIsTheBeginningOfACorrectionWhereTheMessageCorrects() {
        world.does("no wait", Kind.CORRECT, 0.95);
        atDay().says("5 or 6 June").says("no wait 30 of us").knows("guests", "30");
        assertThat(stands()).isEqualTo("d");
    }

    @Test
    void ofTwoReadingsOneIsMeantByItsPlace() {
        atDay().says("5 or 6 June").says("the later one");
        assertThat(talk.state.variables().get("day").shown()).contains("6 June");
    }

    @Test
    void howSomebodyIsReachedIsNoText() {
        world.does("555", Kind.ANSWER, 0.9);
        atDay().says("12 May").says("no").says("01632 960 555");
        assertThat(talk.state.variables()).doesNotContainKey("more");
    }

    @Test
    void whoRefusesAllThatIsOfferedIsToldTheWaysOn() {
        Flow offers = flow("main")
                .choice("c", "Which boat?", "Canoe", "c", "Punt", "c")
                .build();
        FakeWorld there = new FakeWorld().does("neither", Kind.REFUSE, 0.7);
        Talk.with(there, offers)
                .says("neither of that sort really")
                .hearsPart("If none of these fits")
                .hearsPart("Which boat?");
    }

    @Test
    void whoDoesNotMindIsToldThatAnyWillDo() {
        world.does("suits you", Kind.ANY, 0.6);
        atDay().says("whatever suits you lot best").tookBy("does not mind").hearsPart("Which day?");
    }

    @Test
    void whoWantsToChangeSomethingIsAskedWhat() {
        world.does("not as it was", Kind.CHANGE, 0.7);
        atDay().says("it is not as it was").hearsPart("24").hearsPart("What should I change?");
        assertThat(stands()).isEqualTo("d");
    }

    @Test
    void whatCannotBeUndoneIsOnlyOffered() {
        world.does("clean sheet", Kind.RESTART, 0.7);
        atDay().says("clean sheet if you would").hearsPart("start again").knows("name", "Dana Whitlow");
    }

    @Test
    void aQuestionAboutTheMatterIsNoneAboutTheQuestion() {
        world.does("need five", Kind.KNOWLEDGE, 0.9).knows("five", "Five are fine.", 0.9);
        talk.says("why would we need five people").hearsPart("Five are fine.").hearsPart("Name?");
    }
}
