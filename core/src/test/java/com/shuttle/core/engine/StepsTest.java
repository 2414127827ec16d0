package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.conversation.Turn.Reason;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Each kind of step by example. The clock says Tuesday 2026-03-10, 18:40. */
class StepsTest {

    private static Flow asking(String settings) {
        return flow("main")
                .json("{'kind':'question','id':'q','ask':['Which?']," + settings
                        + ",'exits':{'answered':'step:m','skipped':'step:s','gave_up':'step:g'}}")
                .message("m", "Got {{x}}.", "end")
                .message("s", "Skipped.", "end")
                .message("g", "Gave up.", "end")
                .build();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "'type':'number','variable':'x','limits':{'min':8,'max':60,'whole':true}|7|That is too little: 8 is the least, and 60 the most.",
                "'type':'number','variable':'x','limits':{'max':60,'whole':true}|2.5|That has to be a whole number.",
                "'type':'money','variable':'x','limits':{'max':500}|£501|That is too much: £500 is the most.",
                "'type':'date','variable':'x','limits':{'earliest':'today'}|yesterday|That day has passed already.",
                "'type':'date','variable':'x','limits':{'earliest':'+7'}|tomorrow|That is too soon: Tuesday 17 March 2026 is the first day possible.",
                "'type':'date','variable':'x','limits':{'weekdays':['monday','friday']}|14 april|That is a Tuesday. It has to be a Monday or Friday.",
                "'type':'time','variable':'x','limits':{'latest':'22:00'}|11 pm|That is too late: 22:00 is the last time possible.",
                "'type':'number','variable':'x','checks':[{'rule':'x % 2.0 == 0.0','words':'Even numbers only.'}]|3|Got 3.",
                "'type':'number','variable':'x','checks':[{'rule':'x != 13','words':'Not that one.'}]|13|Not that one.",
                "'type':'rating','variable':'x'|9|That is too much: 5 is the most, and 1 the least.",
                "'type':'number','variable':'x','optional':true|no thanks|Skipped.",
                "'type':'number','variable':'x','optional':true,'fallback':'4'|skip|Skipped.",
                "'type':'email','variable':'x','hint':'For the ticket.'|what for?|For the ticket.",
                "'type':'email','variable':'x'|I'd rather not|Gave up.",
                "'type':'phone','variable':'x','limits':{'region':'DE'}|030 23125 012|Got +493023125012.",
            })
    void answersKeepToWhatTheQuestionAllows(String settings, String said, String heard) {
        assertThat(Talk.with(asking(settings)).says(said).heard.getFirst()).isEqualTo(heard);
    }

    @Test
    void anAnswerIsReadBackWhereTheQuestionWantsThat() {
        Talk talk = Talk.with(asking("'type':'email','variable':'x','confirm':true"))
                .says("dana@example.org");
        talk.hearsPart("Is that right?").says("no").hearsPart("Which?");
        talk.says("no, dana@example.com")
                .hearsPart("dana@example.com")
                .says("yes")
                .hears("Got dana@example.com.");
    }

    @Test
    void betweenTwoReadingsTheVisitorIsAsked() {
        Talk talk = Talk.with(asking("'type':'time','variable':'x'")).says("half past eight");
        talk.hearsPart("Which of these").picks("c2").hears("Got 20:30.");
        Talk typed = Talk.with(asking("'type':'date','variable':'x'")).says("next friday");
        typed.says("the 20th").hears("Got Friday 20 March 2026.");
    }

    @Test
    void whatElseAMessageGivesAwayIsKept() {
        Flow flow = flow("main")
                .question("n", "Name?", ValueType.PERSON_NAME, "name", "e")
                .question("e", "Email?", ValueType.EMAIL, "email", "g")
                .question("g", "How many?", ValueType.NUMBER, "guests", "d")
                .question("d", "When?", ValueType.DATE, "day", "m")
                .message("m", "{{name}}, {{guests}}, {{day}}", "end")
                .build();
        Talk.with(flow)
                .says("Dana Whitlow, dana@example.org, 24 of us on 3 May")
                .hears("Noted: dana@example.org, guests 24, Sunday 3 May 2026.", "Dana Whitlow, 24, Sunday 3 May 2026");
    }

    @Test
    void severalOptionsCanBePickedOrTyped() {
        Flow flow = flow("main")
                .json(
                        "{'kind':'choice','id':'c','ask':['Which?'],'many':true,'variable':'x','options':[{'id':'a','label':'Tea'},"
                                + "{'id':'b','label':'Cake'},{'id':'c','label':'Soup'}],'exits':{'picked':'step:f'}}")
                .json(
                        "{'kind':'choice','id':'f','ask':['Best?'],'from':'x','variable':'y','options':[],'exits':{'picked':'step:m'}}")
                .message("m", "{{x}}; {{y}}", "end")
                .build();
        Talk picked =
                Talk.with(flow).take(new Event.Picked(new Talk(new FakeWorld(), flow).stamp(), List.of("a", "c")));
        picked.picks("i2").hears("Tea, Soup; Soup");
        Talk.with(flow).says("everything except cake").says("tea").hears("Tea, Soup; Tea");
        Turn refused =
                Talk.with(flow).tell(new Event.Picked(new Talk(new FakeWorld(), flow).stamp(), List.of("a", "a")));
        assertThat(refused).isEqualTo(new Turn.Refused(Reason.UNKNOWN_OPTION));
    }

    @Test
    void theFirstRuleThatHoldsLeadsAndWhatCannotBeToldDoesNot() {
        Flow flow = flow("main")
                .question("q", "How many?", ValueType.NUMBER, "n", "b")
                .json(
                        "{'kind':'branch','id':'b','rules':[{'id':'r1','when':'missing > 3'},{'id':'r2','when':'n > 20'},{'id':'r3','when':'n > 5'}],"
                                + "'exits':{'rule:r1':'step:x','rule:r2':'step:many','rule:r3':'step:some','otherwise':'step:few'}}")
                .message("x", "Never.", "end")
                .message("many", "Many.", "end")
                .message("some", "Some.", "end")
                .message("few", "Few.", "end")
                .build();
        Talk.with(flow).says("24").hears("Many.").tookBy("cannot tell");
        Talk.with(flow).says("6").hears("Some.");
        Talk.with(flow).says("5").hears("Few.");
    }

    @Test
    void valuesAreComputedAndMilestonesCounted() {
        Flow flow = flow("main")
                .question("q", "How many?", ValueType.NUMBER, "n", "c")
                .json(
                        "{'kind':'compute','id':'c','sets':[{'id':'c1','variable':'price','value':'n * 7.5'},{'id':'c2','variable':'bad','value':'n / 0'},{'id':'c3','variable':'count','value':'known(count) ? count + 1 : 1'}],'exits':{'next':'step:k'}}")
                .json("{'kind':'milestone','id':'k','milestone':'Priced','value':'price','exits':{'next':'step:m'}}")
                .message("m", "{{price}}{{bad}} {{count}}", "end")
                .build();
        Talk talk = Talk.with(flow).says("4").hears("30 1").tookBy("cannot compute");
        assertThat(talk.effects).contains(new Deed.Reach("Priced", new BigDecimal("30")));
    }

    @Test
    void aVisitorKeepsTheArmAndArmsAreSharedOutByWeight() {
        Flow flow = flow("main")
                .json(
                        "{'kind':'experiment','id':'e','arms':[{'id':'a','weight':30},{'id':'b','weight':70}],'exits':{'arm:a':'step:a','arm:b':'step:b'}}")
                .message("a", "A", null)
                .message("b", "B", null)
                .build();
        long a = IntStream.range(0, 2000)
                .filter(i -> visit(flow, "visitor-" + i).equals("A"))
                .count();
        assertThat(a).isBetween(540L, 660L);
        assertThat(visit(flow, "visitor-7")).isEqualTo(visit(flow, "visitor-7"));
    }

    private static String visit(Flow flow, String visitor) {
        Talk talk = new Talk(new FakeWorld(), flow);
        talk.take(new Event.Started(talk.stamp(), "web", "", visitor, "", Map.of()));
        return talk.heard.getFirst();
    }

    @Test
    void aWaitGoesOnWhenItsTimeComesAndOnlyOnce() {
        Flow flow = flow("main")
                .json("{'kind':'wait','id':'w','say':['One moment.'],'seconds':60,'exits':{'went_on':'step:m'}}")
                .message("m", "There.", null)
                .build();
        Talk talk = Talk.with(flow).hears("One moment.");
        Deed.SetTimer timer = (Deed.SetTimer) talk.effects.stream()
                .filter(Deed.SetTimer.class::isInstance)
                .findFirst()
                .orElseThrow();
        assertThat(timer.seconds()).isEqualTo(60);
        assertThat(talk.tell(new Event.TimeCame(talk.stamp(), "other"))).isEqualTo(new Turn.Refused(Reason.TOO_LATE));
        talk.says("are you there?")
                .take(new Event.TimeCame(talk.stamp(), timer.key()))
                .hears("There.");
        assertThat(talk.tell(new Event.TimeCame(talk.stamp(), timer.key())))
                .isEqualTo(new Turn.Refused(Reason.TOO_LATE));
    }

    @Test
    void aSignalComesInTimeOrTooLate() {
        Flow flow = flow("main")
                .json(
                        "{'kind':'wait','id':'w','say':['Open {{signal}}'],'signal':true,'seconds':9,'variable':'s','exits':{'came':'step:c','too_late':'step:l'}}")
                .message("c", "Came: {{s}}", null)
                .message("l", "Late.", null)
                .build();
        Talk talk = Talk.with(flow).hearsPart("https://bots.example/signal/k");
        String key = talk.state.awaiting().key();
        assertThat(talk.tell(new Event.Signalled(talk.stamp(), "t0-9", "")))
                .isEqualTo(new Turn.Refused(Reason.TOO_LATE));
        talk.take(new Event.Signalled(talk.stamp(), key, "paid")).hears("Came: paid");
        assertThat(talk.tell(new Event.Signalled(talk.stamp(), key, ""))).isEqualTo(new Turn.Refused(Reason.TOO_LATE));
        Talk late = Talk.with(flow);
        late.take(new Event.TimeCame(late.stamp(), late.state.awaiting().key())).hears("Late.");
    }

    @Test
    void secretsAndFilesAreTakenOnlyWhereAskedForAndNeverShown() {
        Flow flow = asking("'type':'secret','variable':'x'");
        Talk talk = Talk.with(flow);
        assertThat(Engine.isSecret(talk.playbook, talk.state, "open sesame")).isTrue();
        assertThat(Engine.isSecret(talk.playbook, talk.state, "a person please"))
                .isFalse();
        assertThat(Engine.isSecret(talk.playbook, talk.state, "why do you need it?"))
                .isFalse();
        assertThat(talk.tell(new Event.Sent(talk.stamp(), "f", "a.png"))).isEqualTo(new Turn.Refused(Reason.NOT_ASKED));
        talk.take(new Event.Confided(talk.stamp(), "SEALED")).hears("Got •••••.");
        assertThat(talk.trace.toString() + talk.heard).doesNotContain("SEALED");
        Talk file = Talk.with(asking("'type':'file','variable':'x'")).says("here it is");
        file.take(new Event.Sent(file.stamp(), "f1", "mirror.png")).hears("Got mirror.png.");
    }

    @Test
    void aConversationEndsWithARatingAndAWord() {
        Flow flow = flow("main")
                .json("{'kind':'end','id':'e','say':['Bye.'],'rating':true}")
                .build();
        Talk talk = Talk.with(flow).says("4, it was quick").hears("Thank you.");
        assertThat(talk.effects).contains(new Deed.Rate(4, "it was quick"));
        assertThat(talk.state.speaker()).isEqualTo(Speaker.ENDED);
        Talk picked = Talk.with(flow).picks("5").says("very kind");
        assertThat(picked.effects).contains(new Deed.Rate(5, "very kind"));
        assertThat(talk.state.speaker()).isEqualTo(Speaker.ENDED);
        assertThat(Talk.with(flow).says("no thanks").state.speaker()).isEqualTo(Speaker.ENDED);
    }

    @Test
    void aPersonWhoDoesNotComeIsGivenUp() {
        Flow flow = flow("main")
                .json(
                        "{'kind':'hand_off','id':'h','say':['Passing on.'],'team':'t','brief':'Wants {{n|something}}','patience':30,'nobody':'Nobody came.','exits':{'nobody':'step:m','back':'step:b'}}")
                .message("m", "Leave a message?", null)
                .message("b", "I am back.", null)
                .build();
        Talk talk = Talk.with(flow);
        assertThat(talk.effects).contains(new Deed.Note("Wants something"));
        String key = talk.state.awaiting().key();
        talk.take(new Event.TimeCame(talk.stamp(), key)).hears("Nobody came.", "Leave a message?");
        Talk taken = Talk.with(flow);
        taken.take(new Event.AgentTook(taken.stamp(), "Oona", "a-Oona", false));
        assertThat(taken.tell(new Event.TimeCame(taken.stamp(), key))).isEqualTo(new Turn.Refused(Reason.TOO_LATE));
        taken.take(new Event.AgentReturned(taken.stamp(), "Oona", "a-Oona")).hears("I am back.");
    }

    @Test
    void theTextBoxOpensAndClosesAndTheConversationStartsAgain() {
        Flow flow = flow("main")
                .question("q", "Name?", ValueType.PERSON_NAME, "name", "t")
                .json("{'kind':'typing','id':'t','closed':true,'exits':{'next':'step:c'}}")
                .choice("c", "Again?", "Yes", "g", "No", "end")
                .json("{'kind':'go_to','id':'g','startAgain':true}")
                .build();
        Talk talk = Talk.with(flow).says("Dana");
        Prompt prompt = Prompts.of(talk.playbook, talk.state, LocalDate.parse("2026-03-10"));
        assertThat(prompt).isNotNull();
        assertThat(prompt.typing()).isFalse();
        talk.picks("o1").hears("Name?");
        assertThat(talk.state.variables()).isEmpty();
    }

    @Test
    void aChannelOfTextAloneGetsNumberedOptions() {
        Flow flow = flow("main")
                .json(
                        "{'kind':'choice','id':'c','ask':['Which?'],'layout':'list','options':[{'id':'a','label':'Dome','group':'Inside','text':'an hour'},"
                                + "{'id':'w','label':'Page','link':'https://tarnfell.example/'},{'id':'b','label':'Hill'}],'exits':{'option:b':'step:m'}}")
                .message("m", "The hill.", null)
                .build();
        Talk talk = new Talk(new FakeWorld(), flow);
        talk.take(new Event.Started(talk.stamp(), "sms", ""));
        talk.hears("Which?\nInside\n1. Dome – an hour\n\nPage: https://tarnfell.example/\n2. Hill");
    }

    @Test
    void visitorVariablesAreRememberedAndGreetThoseWhoComeBack() {
        Flow flow = flow("main")
                .message("h", "Hello {{name.first|stranger}}.", "q")
                .question("q", "Name?", ValueType.PERSON_NAME, "name", null)
                .build();
        Talk talk =
                Talk.remembering("name", flow).hears("Hello stranger.", "Name?").says("Dana Whitlow");
        assertThat(talk.effects).contains(new Deed.Remember("name", new Value.Text("Dana Whitlow")));
        Talk again = Talk.remembering("name", flow);
        assertThat(again.state.variables()).isEmpty();
        Talk back = new Talk(new FakeWorld(), flow);
        back.take(new Event.Started(back.stamp(), "web", "", "v", "", Map.of("name", new Value.Text("Dana Whitlow"))));
        back.hears("Hello Dana.");
    }
}
