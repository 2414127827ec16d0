package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Event;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.reading.Value;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.From;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class InterviewTest {

    private static final String FACTS = "{'variable':'name','label':'your name','type':'person_name'},"
            + "{'variable':'email','label':'email','type':'email'},"
            + "{'variable':'pupils','label':'number of pupils','type':'number','limits':{'min':8,'max':60}},"
            + "{'variable':'day','label':'day of the visit','type':'date','limits':{'earliest':'today'}},"
            + "{'variable':'lunch','label':'lunch','type':'yes_no','optional':true}";

    private static Flow interview(String facts) {
        return flow("main")
                .json("{'kind':'interview','id':'i','ask':['Tell me about it.'],'facts':[" + facts
                        + "],'exits':{'complete':'step:done','declined':'step:no','gave_up':'step:g'}}")
                .message("done", "Done: {{name}}, {{email}}, {{pupils}}, {{day}}.", "end")
                .message("no", "Another time.", "end")
                .message("g", "Gave up.", "end")
                .build();
    }

    private static Talk begun() {
        return Talk.with(new FakeWorld().knows("parking", "Parking is free.", 0.9), interview(FACTS));
    }

    @Test
    void everythingMayComeInOneSentence() {
        begun().hears("Tell me about it.", "What is your name?")
                .says("I'm Dana Whitlow, dana@example.org, 28 pupils on 12 May, no lunch")
                .hearsPart("Number of pupils: **28**")
                .says("yes")
                .hears("Done: Dana Whitlow, dana@example.org, 28, Tuesday 12 May 2026.");
    }

    @Test
    void onlyWhatIsMissingIsAskedAndOptionalFactsOnce() {
        Talk talk = begun().says("28 pupils on 12 May").hearsPart("your name");
        talk.says("Dana Whitlow").hearsPart("email").says("dana@example.org").hearsPart("Lunch");
        talk.says("skip").hearsPart("Is that right?");
        assertThat(talk.heard.toString()).doesNotContain("Lunch");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "52 year 5 pupils on 12 May|52",
                "24 pupils this time, year 6, on 12 May|24",
                "32 children in year 5, 12 May|32",
            })
    void yearGroupsCountNobody(String words, String pupils) {
        begun().says(words).knows("pupils", pupils);
    }

    @Test
    void aCorrectionIsNoAnswerInFreeWords() {
        String needs =
                ",{'variable':'needs','label':'needs','type':'long_text','ask':'Is there anything we should prepare?'}";
        Talk talk = Talk.with(interview(FACTS + needs))
                .says("I'm Dana Whitlow, dana@example.org, 28 pupils on 12 May, no lunch")
                .hearsPart("Is there anything we should prepare?");
        talk.says("actually 26 pupils").knows("pupils", "26").hearsPart("Is there anything we should prepare?");
        talk.says("a ramp").knows("needs", "a ramp").says("all good").hearsPart("Done: Dana Whitlow");
    }

    @Test
    void whatWasSaidEarlierIsNotAskedAgain() {
        Flow flow = flow("main")
                .choice("menu", "What is it?", "A school visit", "i", "Something else", "end")
                .json("{'kind':'interview','id':'i','ask':[''],'facts':[" + FACTS + "],'exits':{'complete':'end'}}")
                .build();
        Talk.with(flow)
                .says("a school visit for 30 pupils, dana@example.org")
                .knows("pupils", "30")
                .knows("email", "dana@example.org")
                .hearsPart("your name");
    }

    @Test
    void correctionsAreTakenByNameAndByValue() {
        Talk talk = begun().says("I'm Dana Whitlow, dana@example.org, 50 pupils on 12 May, lunch please");
        talk.says("15, not 50").knows("pupils", "15").hearsPart("I've changed the number of pupils to 15.");
        talk.says("the email is wrong, it's dana@example.com").knows("email", "dana@example.com");
        talk.says("no, it's 16 people").knows("pupils", "16");
        talk.says("13 may instead").knows("day", "Wednesday 13 May 2026");
        talk.says("my name is Dana Wheatley").knows("name", "Dana Wheatley").knows("pupils", "16");
        talk.says("no")
                .hearsPart("What should I change?")
                .says("all good now, yes")
                .hearsPart("Done:");
    }

    @Test
    void sideQuestionsAreAnsweredAndTheInterviewGoesOn() {
        Talk talk = begun().says("Dana Whitlow").says("is there parking?");
        talk.hearsPart("Parking is free.").hearsPart("email");
        talk.says("dana@example.org. is there parking for a coach?")
                .hearsPart("Parking is free.")
                .knows("email", "dana@example.org");
    }

    @Test
    void whatDoesNotFitIsToldAndTheRestIsKept() {
        Talk talk = begun().says("I'm Dana Whitlow, 500 pupils on 12 May");
        talk.hearsPart("Number of pupils: That is too much")
                .knows("name", "Dana Whitlow")
                .hearsPart("email");
        talk.says("dana@example.org")
                .says("7")
                .hearsPart("too little")
                .says("nine")
                .says("no")
                .says("yes")
                .hearsPart("Done:");
    }

    @Test
    void theVisitorMayDeclineOrGiveUp() {
        begun().says("forget it").hears("Another time.");
        begun().says("I'd rather not say")
                .hearsPart("can't go on without it")
                .says("none of your business")
                .hears("Another time.");
        begun().says("Dana Whitlow").says("qwrt").says("hm").says("?!").hears("Gave up.");
    }

    @Test
    void whatWasNotAskedIsSaidBack() {
        begun().says("28 pupils on 12 May")
                .hears("Noted: number of pupils 28, Tuesday 12 May 2026.", "What is your name?")
                .says("no lunch for us")
                .hearsPart("Noted: lunch no.")
                .says("Dana Whitlow")
                .hears("What is your email address?");
    }

    @Test
    void whatCountsNothingIsNoNumber() {
        Talk talk = begun().says("year 4, and two classes of 28");
        assertThat(talk.state.variables()).doesNotContainKey("name");
        assertThat(talk.state.variables().get("pupils")).isEqualTo(Value.Numeric.of(56));
        talk.says("Dana Whitlow").says("dana@example.org").hearsPart("day").says("year 4");
        assertThat(talk.heard.toString()).doesNotContain("too little");
    }

    @Test
    void aChangeIsNoAnswerThoughAnyWordsWouldDo() {
        Talk talk = Talk.with(
                interview(
                        "{'variable':'day','label':'day','type':'date'},{'variable':'school','label':'school','type':'company'}"));
        talk.says("6 may").says("change the date to 7 may").knows("day", "Thursday 7 May 2026");
        assertThat(talk.state.variables()).doesNotContainKey("school");
        talk.says("Thistle Hill School").hearsPart("Thistle Hill School");
    }

    @Test
    void aDayOfTheMonthThatWasSaidIsChangedWithinIt() {
        begun().says("28 pupils on 2 june")
                .says("actually can we do the 4th instead")
                .knows("day", "Thursday 4 June 2026");
    }

    @Test
    void whatIsUnclearAmongSeveralFactsIsAskedAtOnce() {
        begun().says("we can't decide between 4 may and 11 may")
                .hears("Which of these do you mean?")
                .says("the second")
                .knows("day", "Monday 11 May 2026");
    }

    @Test
    void oneOfThemIsNotHowMany() {
        begun().says("28 pupils on 2 june").says("one pupil with epilepsy").knows("pupils", "28");
    }

    @Test
    void factsOfAGroupAreAskedTogether() {
        Talk talk = Talk.with(
                interview(
                        "{'variable':'name','label':'name','type':'person_name','group':'g'},{'variable':'email','label':'email','type':'email','group':'g'}"));
        talk.hearsPart("Please tell me the name and email.")
                .says("Dana Whitlow, dana@example.org")
                .hearsPart("Is that right?");
    }

    @Test
    void aValueLearntElsewhereThatDoesNotFitIsAskedForAgain() {
        Talk talk = new Talk(new FakeWorld(), interview(FACTS));
        talk.take(new Event.Started(talk.stamp(), "web", "", "v", "", Map.of("pupils", Value.Numeric.of(900))));
        talk.hearsPart("too much");
        assertThat(talk.state.variables()).doesNotContainKey("pupils");
    }

    /** In whatever order the facts arrive, one by one or two at once, the result is the same. */
    @Property(tries = 60)
    void theOrderOfFactsDoesNotMatter(@ForAll @From("orders") List<Integer> order, @ForAll boolean inPairs) {
        List<String> facts =
                List.of("my name is Dana Whitlow", "dana@example.org", "28 pupils", "on 12 May", "no lunch");
        List<String> said = new ArrayList<>();
        order.forEach(i -> said.add(facts.get(i)));
        Talk talk = begun();
        for (int i = 0; i < said.size(); i++) {
            boolean pair = inPairs && i + 1 < said.size();
            talk.says(pair ? said.get(i) + ", " + said.get(++i) : said.get(i));
        }
        talk.says("yes")
                .hears("Done: Dana Whitlow, dana@example.org, 28, Tuesday 12 May 2026.")
                .knows("lunch", "no");
    }

    @Provide
    Arbitrary<List<Integer>> orders() {
        return Arbitraries.shuffle(0, 1, 2, 3, 4);
    }

    @Test
    void whatTheDesignersWordsReadBackIsNotListedASecondTime() {
        Flow flow = FlowBuilder.flow("main")
                .json(
                        "{'kind':'interview','id':'i','ask':[''],'facts':[{'variable':'name','label':'name','type':'person_name'},"
                                + "{'variable':'pupils','label':'number of pupils','type':'number'}],"
                                + "'readBack':'So {{name.first}} it is.','exits':{'complete':'end'}}")
                .build();
        Talk.with(flow)
                .hears("What is your name?")
                .says("Dana Whitlow")
                .hears("How many pupils?")
                .says("28")
                .hears("So Dana it is.\n- Number of pupils: **28**\n\nIs that right?");
    }
}
