package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.acts.Kind;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What tells, asks on or mends is no answer to what is asked only because it could be read as one. */
class HeardForWhatItIsTest {

    private static final Flow FLOW = flow("main")
            .choice("c", "What is it?", "Felling", "p", "Pruning", "p", "Storm damage", "p")
            .question("p", "In which village?", ValueType.PLACE, "place", "h")
            .json(
                    "{'kind':'question','id':'h','ask':['How tall is it, in metres?'],'type':'number','variable':'height','limits':{'min':1,'max':60},'exits':{'answered':'step:l'}}")
            .question("l", "Can a lorry get there?", ValueType.YES_NO, "lorry", "d")
            .question("d", "By which day?", ValueType.DATE, "day", "b")
            .question("b", "What would you spend?", ValueType.MONEY, "budget", "n")
            .question("n", "Your name?", ValueType.PERSON_NAME, "name", "t")
            .question("t", "What is wrong with it?", ValueType.TEXT, "fault", "m")
            .message("m", "Thanks.", "end")
            .build();

    private final FakeWorld world = new FakeWorld();
    private final Talk talk = Talk.with(world, FLOW);

    private Talk at(String step) {
        for (String[] answer : new String[][] {
            {"c", "pruning"},
            {"p", "Upper Marsh"},
            {"h", "12"},
            {"l", "yes"},
            {"d", "12 May"},
            {"b", "£300"},
            {"n", "Ann Lee"}
        }) {
            if (stands().equals(step)) {
                break;
            }
            talk.says(answer[1]);
        }
        return talk;
    }

    private String stands() {
        return talk.state.at() == null ? "" : talk.state.at().step();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "p|12 May|day|Tuesday 12 May 2026",
                "p|£250|budget|£250",
                "h|200 quid tops|budget|£200",
                "p|the name is Ann Lee|name|Ann Lee",
            })
    void whatAnotherQuestionAsksForIsItsAnswer(String step, String said, String variable, String value) {
        world.does("name is", Kind.TELL, 0.9);
        at(step).says(said).knows(variable, value);
        assertThat(stands()).isEqualTo(step);
    }

    @Test
    void noRushIsNoNumberAndThreeMetresAreNoMillions() {
        at("h").says("no rush").tookBy("not understood");
        talk.says("3m").knows("height", "3");
    }

    @Test
    void whatIsOnlyToldWhereOptionsAreOfferedIsAskedAbout() {
        world.does("storm", Kind.MENTION, 0.6);
        talk.says("we had a bad storm here").hears("Is this what you mean?");
        talk.says("yes");
        assertThat(stands()).isEqualTo("p");
    }

    @Test
    void whoMeansNoneOfWhatWasMeantAtFirstIsOfferedAllAgain() {
        world.does("storm", Kind.MENTION, 0.6);
        talk.says("we had a bad storm here").says("no");
        assertThat(talk.state.awaiting().offers()).hasSize(3);
    }

    @Test
    void aGuessIsSaidBack() {
        world.closeness = (text, others) -> others.stream()
                .mapToDouble(other -> text.contains("branches") && other.contains("prun") ? 0.8 : 0.1)
                .toArray();
        talk.says("cut the branches back").hears("Noted: Pruning.", "In which village?");
    }

    @Test
    void whatIsToBeDoneIsTheOptionForIt() {
        talk.says("two oaks to be felled");
        assertThat(talk.trace.toString()).contains("Felling");
        assertThat(stands()).isEqualTo("p");
    }

    @Test
    void whoGoesOnAskingPicksNothing() {
        world.knows("cost", "From 180 pounds.", 0.9)
                .does("what does it cost", Kind.KNOWLEDGE, 0.95)
                .does("and for three", Kind.ANSWER, 0.9);
        talk.says("what does it cost").says("and for three");
        assertThat(stands()).isEqualTo("c");
    }

    @Test
    void aQuestionThatOnlyWondersChangesNothing() {
        world.does("too old", Kind.KNOWLEDGE, 0.6);
        at("h").says("wait is it too old for felling");
        assertThat(talk.trace).noneMatch(line -> line.rule().equals("changed"));
        assertThat(stands()).isEqualTo("h");
    }

    @Test
    void aNameOfWhichAWordStaysIsSaidAnew() {
        world.does("sorry", Kind.CORRECT, 0.9);
        at("h").says("sorry Nether Marsh").knows("place", "Nether Marsh");
    }

    @Test
    void whatWasJustSaidIsMendedWithoutSayingWhat() {
        world.does("sorry", Kind.CORRECT, 0.9);
        at("t").says("sorry its Anne Leigh").knows("name", "Anne Leigh");
    }

    @Test
    void whatIsToldOfAThingIsAskedAboutWhereWordsAreWanted() {
        world.does("making", Kind.MENTION, 0.7).does("scratched", Kind.CORRECT, 0.7);
        at("t").says("it started making a noise")
                .hearsPart("it started making a noise")
                .hearsPart("Is that right?");
        talk.says("no its scratched too").knows("fault", "its scratched too");
    }

    @Test
    void forgetItIsNoAnswerToYesOrNo() {
        world.does("forget it", Kind.STOP, 0.9);
        at("l").says("forget it").tookBy("wants out");
        assertThat(talk.state.variables()).doesNotContainKey("lorry");
    }

    @Test
    void whoLeavesItOpenSaysNeitherYesNorNo() {
        world.does("depends", Kind.NOT_YET, 0.9);
        at("l").says("lorry depends on the weather");
        assertThat(talk.state.variables()).doesNotContainKey("lorry");
    }

    @Test
    void whoDoesNotKnowAFigureIsHelpedOnce() {
        world.does("dunno", Kind.NOT_YET, 0.95);
        at("h").says("dunno yet").hearsPart("Take whatever comes nearest").hearsPart("in metres");
        talk.says("dunno yet").tookBy("not understood");
    }

    @Test
    void howSomebodyIsReachedIsPassedOnWhereNobodyAsks() {
        talk.says("07700 900111").tookBy("told besides").hearsPart("I pass that on.");
    }

    @Test
    void backToANamedThingGoesFartherThanBack() {
        world.does("go back", Kind.BACK, 0.75);
        at("b").says("wait, go back to the height").tookBy("back to a question");
        assertThat(stands()).isEqualTo("h");
    }

    @Test
    void aRequestLeadsToTheFlowWhosePhraseItMeans() {
        Flow other = flow("calls")
                .phrases("call me back")
                .question("k", "Your number?", ValueType.PHONE, "phone", "end")
                .build();
        FakeWorld near = new FakeWorld().does("be rung", Kind.PERSON, 0.9);
        near.closeness = (text, others) -> others.stream()
                .mapToDouble(phrase -> phrase.equals("call me back") ? 0.7 : 0.1)
                .toArray();
        Talk.with(near, FLOW, other)
                .says("could i be rung some time")
                .tookBy("phrase of a flow")
                .hears("Your number?");
    }
}
