package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static java.util.Objects.requireNonNull;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Reads;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.TraceLine;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.Flow;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.Tuple;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;

/** What holds for every conversation through steps of every kind, whatever is typed, picked, signalled or sent. */
class StepPropertiesTest {

    private static final Flow MAIN = flow("main")
            .json(
                    "{'kind':'experiment','id':'e','arms':[{'id':'a','weight':1},{'id':'b','weight':1}],'exits':{'arm:a':'step:hi','arm:b':'step:menu'}}")
            .json(
                    "{'kind':'message','id':'hi','say':['Hi {{name|you}}.'],'bubbles':[{'say':['More.']}],'exits':{'next':'step:menu'}}")
            .json(
                    "{'kind':'choice','id':'menu','ask':['What?'],'options':[{'id':'a','label':'Visit'},{'id':'b','label':'Extras'},{'id':'c','label':'Wait'},"
                            + "{'id':'d','label':'Person'},{'id':'f','label':'Finish'},{'id':'g','label':'Details'}],'exits':{'option:a':'step:i','option:b':'step:x','option:c':'step:w',"
                            + "'option:d':'step:h','option:f':'step:end','option:g':'step:q'}}")
            .json(
                    "{'kind':'interview','id':'i','ask':['Tell me.'],'facts':[{'variable':'name','label':'name','type':'person_name'},{'variable':'pupils','label':'number of pupils','type':'number',"
                            + "'limits':{'min':2,'max':60}},{'variable':'day','label':'day','type':'date','limits':{'earliest':'today'}},{'variable':'lunch','label':'lunch','type':'yes_no','optional':true}],"
                            + "'exits':{'complete':'step:c','declined':'step:menu','gave_up':'step:menu'}}")
            .json(
                    "{'kind':'compute','id':'c','sets':[{'id':'c1','variable':'price','value':'pupils * 7.5'}],'exits':{'next':'step:b'}}")
            .json(
                    "{'kind':'branch','id':'b','rules':[{'id':'r1','when':'price > 100'},{'id':'r2','when':'known(nothing)'}],'exits':{'rule:r1':'step:k','otherwise':'step:menu'}}")
            .json("{'kind':'milestone','id':'k','milestone':'Large','value':'price','exits':{'next':'step:menu'}}")
            .json(
                    "{'kind':'choice','id':'x','ask':['Which?'],'many':true,'variable':'extras','options':[{'id':'t','label':'Tea'},{'id':'u','label':'Cake'}],'exits':{'picked':'step:y','gave_up':'step:menu'}}")
            .json(
                    "{'kind':'choice','id':'y','ask':['Best?'],'from':'extras','variable':'best','options':[],'exits':{'picked':'step:menu','otherwise':'step:menu'}}")
            .json("{'kind':'wait','id':'w','say':['Moment.'],'seconds':5,'exits':{'went_on':'step:s'}}")
            .json(
                    "{'kind':'wait','id':'s','say':['Open {{signal}}.'],'signal':true,'seconds':5,'exits':{'came':'step:menu','too_late':'step:menu'}}")
            .json(
                    "{'kind':'hand_off','id':'h','say':['Passing on.'],'patience':9,'exits':{'nobody':'step:menu','closed':'step:menu','back':'step:menu'}}")
            .json(
                    "{'kind':'question','id':'q','ask':['When?'],'type':'date_time','variable':'at','confirm':true,'optional':true,'skipWhenKnown':false,'exits':{'answered':'step:z'}}")
            .json(
                    "{'kind':'question','id':'z','ask':['Code?'],'type':'secret','variable':'code','optional':true,'skipWhenKnown':false,'exits':{'answered':'step:p'}}")
            .json(
                    "{'kind':'question','id':'p','ask':['Picture?'],'type':'file','variable':'photo','optional':true,'skipWhenKnown':false,'exits':{'answered':'step:t'}}")
            .json("{'kind':'typing','id':'t','closed':true,'exits':{'next':'step:r'}}")
            .json(
                    "{'kind':'choice','id':'r','ask':['Again?'],'options':[{'id':'a','label':'From the start'},{'id':'b','label':'Go on'}],'exits':{'option:a':'step:again','option:b':'step:menu'}}")
            .json("{'kind':'go_to','id':'again','startAgain':true}")
            .json("{'kind':'end','id':'end','say':['Bye.'],'rating':true}")
            .build();

    @Provide
    Arbitrary<List<String>> lines() {
        Arbitrary<String> usual = Arbitraries.of(
                "visit",
                "extras",
                "wait",
                "details",
                "finish",
                "the second",
                "I'm Dana Whitlow",
                "28 pupils",
                "12 May",
                "28 pupils on 12 May, no lunch",
                "yes",
                "no",
                "skip",
                "forget it",
                "it's 26, not 28",
                "tea and cake",
                "everything",
                "none",
                "tea",
                "friday at 7",
                "in the evening",
                "next friday",
                "is there parking?",
                "dogs?",
                "why?",
                "rather not",
                "start again",
                "go back",
                "menu",
                "a person",
                "secret-77",
                "31 february",
                "500",
                "5",
                "purple",
                "?!");
        Arbitrary<String> acts = Arbitraries.of(
                "<pick>", "<pick>", "<time>", "<signal>", "<file>", "<secret>", "<took>", "<returned>", "<closed>");
        Arbitrary<String> odd =
                Arbitraries.strings().ofMinLength(1).ofMaxLength(40).filter(text -> !text.isBlank());
        return Arbitraries.frequencyOf(Tuple.of(8, usual), Tuple.of(4, acts), Tuple.of(1, odd))
                .list()
                .ofMaxSize(30);
    }

    private static Talk talk() {
        return Talk.with(new FakeWorld().knows("parking", "Free.", 0.9).knows("dogs", "On a lead.", 0.4), MAIN);
    }

    private static Event event(Talk talk, String line, RandomGenerator random) {
        Awaiting awaiting = talk.state.awaiting();
        String key = awaiting == null ? "" : awaiting.key();
        return switch (line) {
            case "<pick>" -> new Event.Picked(talk.stamp(), some(awaiting, random));
            case "<time>" -> new Event.TimeCame(talk.stamp(), key);
            case "<signal>" -> new Event.Signalled(talk.stamp(), key, "x");
            case "<file>" -> new Event.Sent(talk.stamp(), "f", "a.png");
            case "<secret>" -> new Event.Confided(talk.stamp(), "sealed");
            case "<took>" -> new Event.AgentTook(talk.stamp(), "Oona", "a-Oona", false);
            case "<returned>" -> new Event.AgentReturned(talk.stamp(), "Oona", "a-Oona");
            case "<closed>" -> new Event.AgentClosed(talk.stamp(), "Oona", "a-Oona");
            default -> new Event.Said(talk.stamp(), line);
        };
    }

    private static List<String> some(Awaiting awaiting, RandomGenerator random) {
        List<String> ids = new ArrayList<>();
        if (awaiting != null) {
            awaiting.offers().forEach(offer -> ids.add(offer.id()));
        }
        return ids.isEmpty() ? List.of("none") : List.of(ids.get(random.nextInt(ids.size())));
    }

    private static Talk played(List<String> lines) {
        Talk talk = talk();
        SplittableRandom random = new SplittableRandom(lines.hashCode());
        lines.forEach(line -> talk.tell(event(talk, line, random)));
        return talk;
    }

    @Property(tries = 200)
    void thePlaceIsNeverLostAndEveryWordIsAnswered(@ForAll("lines") List<String> lines) {
        Talk talk = talk();
        SplittableRandom random = new SplittableRandom(lines.hashCode());
        for (String line : lines) {
            Turn turn = talk.tell(event(talk, line, random));
            if (turn instanceof Turn.Taken taken && talk.state.speaker() == Speaker.BOT) {
                assertThat(taken.messages()).as("after %s", line).isNotEmpty();
                assertThat(talk.state.at() == null || talk.state.awaiting() != null)
                        .as("waits after %s", line)
                        .isTrue();
                assertThat(talk.trace).extracting(TraceLine::rule).doesNotContain("lost", "stopped");
            }
        }
    }

    /** Who does not ask to be led elsewhere is still led on when the time comes, or when the link is opened. */
    @Property(tries = 200)
    void whatIsSaidMeanwhileLeavesTimersAndLinksAlone(@ForAll("lines") List<String> lines, @ForAll boolean link) {
        Talk talk = atMenu().picks("c");
        if (link) {
            talk.take(new Event.TimeCame(
                    talk.stamp(), requireNonNull(talk.state.awaiting()).key()));
        }
        Place waits = talk.state.at();
        String key = requireNonNull(talk.state.awaiting()).key();
        for (String line : lines) {
            if (!line.startsWith("<")) {
                talk.tell(new Event.Said(talk.stamp(), line));
            }
            if (talk.state.speaker() != Speaker.BOT || !requireNonNull(waits).equals(talk.state.at())) {
                return;
            }
        }
        talk.take(link ? new Event.Signalled(talk.stamp(), key, "x") : new Event.TimeCame(talk.stamp(), key));
        assertThat(talk.state.at()).isNotEqualTo(waits);
    }

    @Property(tries = 150)
    void replayLeadsToTheSameStateAndStoredFormsReadBackEqual(@ForAll("lines") List<String> lines) {
        Talk talk = played(lines);
        JsonMapper json = Talk.stored();
        State state = State.NEW;
        for (int i = 0; i < talk.events.size(); i++) {
            Event stored = json.readValue(json.writeValueAsString(talk.events.get(i)), Event.class);
            Turn turn = Engine.take(talk.playbook, state, stored, new Reads.Replayer(talk.reads.get(i)));
            state = json.readValue(json.writeValueAsString(((Turn.Taken) turn).state()), State.class);
        }
        assertThat(state).isEqualTo(talk.state);
    }

    @Property(tries = 100)
    void whatIsAwaitedCanAlwaysBeShown(@ForAll("lines") List<String> lines) {
        Talk talk = played(lines);
        Prompt prompt = Prompts.of(talk.playbook, talk.state, java.time.LocalDate.parse("2026-03-10"));
        assertThat(prompt == null).isEqualTo(talk.state.awaiting() == null);
        JsonMapper json = Talk.stored();
        if (prompt != null) {
            assertThat(json.readValue(json.writeValueAsString(prompt), Prompt.class))
                    .isEqualTo(prompt);
            assertThat(prompt.kind()).isIn("question", "choice", "interview", "time", "signal", "agent");
        }
    }

    /** Every option, typed by its label, leads where picking it leads. */
    @ParameterizedTest
    @CsvSource({"menu,a,Visit", "menu,b,Extras", "menu,c,Wait", "menu,d,Person", "menu,f,Finish", "menu,g,Details"})
    void typedAndPickedLeadTheSameWay(String step, String option, String label) {
        Talk typed = atMenu().says(label);
        Talk picked = atMenu().picks(option);
        assertThat(typed.state.at()).isEqualTo(picked.state.at());
        assertThat(typed.state.variables()).isEqualTo(picked.state.variables());
        assertThat(typed.heard).isEqualTo(picked.heard);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"yes_no|yes|yes", "yes_no|no|no", "rating|4|4", "rating|1|1"})
    void typedAndPickedAnswersAreTheSame(String type, String option, String typed) {
        Flow flow = flow("main")
                .json("{'kind':'question','id':'q','ask':['?'],'type':'" + type
                        + "','variable':'x','exits':{'answered':'end'}}")
                .build();
        assertThat(Talk.with(flow).says(typed).state.variables())
                .isEqualTo(Talk.with(flow).picks(option).state.variables());
    }

    private static Talk atMenu() {
        return talk();
    }

    @Test
    void aRoundWithoutAPauseIsStopped() {
        Flow round = flow("main")
                .json(
                        "{'kind':'compute','id':'c','sets':[{'id':'c1','variable':'n','value':'known(n) ? n + 1 : 1'}],'exits':{'next':'step:b'}}")
                .json("{'kind':'branch','id':'b','rules':[{'id':'r1','when':'n > 0'}],'exits':{'rule:r1':'step:c'}}")
                .build();
        Talk talk = Talk.with(round).tookBy("stopped");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.QUEUED);
    }
}
