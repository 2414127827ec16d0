package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Effect;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.scoring.Cards;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Save lead, Score, and milestones that make leads. */
class LeadStepsTest {

    private static final String SAVE = "{'kind':'save_lead','id':'s','fields':["
            + "{'id':'f1','field':'name','value':'{{name}}'},{'id':'f2','field':'email','value':'{{email}}'},"
            + "{'id':'f3','field':'party','value':'{{guests}}'}],'consent':'May we write to {{email}}?',"
            + "'agreed':'ok','team':'t1','exits':{'saved':'step:more','failed':'step:none'}}";

    private static final Flow SAVING = FlowBuilder.flow("main")
            .question("n", "Your name?", ValueType.PERSON_NAME, "name", "e")
            .question("e", "Your email?", ValueType.EMAIL, "email", "c")
            .question("c", "May we write to you?", ValueType.YES_NO, "ok", "s")
            .json(SAVE)
            .question("more", "How many guests?", ValueType.NUMBER, "guests", "bye")
            .message("none", "How could we reach you?", null)
            .message("bye", "Bye.", null)
            .build();

    private static List<Deed.SaveLead> leads(Talk talk) {
        return talk.effects.stream()
                .filter(Deed.SaveLead.class::isInstance)
                .map(Deed.SaveLead.class::cast)
                .toList();
    }

    @Test
    void aLeadIsMadeWhereTheStepSaysSoWithConsentInItsWording() {
        Talk talk = Talk.with(SAVING).says("Dana Whitlow").says("dana@example.org");
        assertThat(leads(talk)).as("not by guessing").isEmpty();
        talk.says("yes").hearsPart("How many guests?");
        assertThat(leads(talk))
                .containsExactly(new Deed.SaveLead(
                        Map.of("name", "Dana Whitlow", "email", "dana@example.org"),
                        new Deed.SaveLead.Consent("May we write to dana@example.org?", true),
                        "t1",
                        ""));
    }

    @Test
    void whatIsCorrectedOrAddedLaterGoesToTheLead() {
        Talk talk =
                Talk.with(SAVING).says("Dana Whitlow").says("dana@example.org").says("no");
        assertThat(leads(talk).getFirst().consent())
                .isEqualTo(new Deed.SaveLead.Consent("May we write to dana@example.org?", false));
        talk.says("sorry, my email is dana@example.net");
        assertThat(leads(talk)).hasSize(1);
        assertThat(leads(talk).getFirst().fields()).containsEntry("email", "dana@example.net");
        talk.says("25");
        assertThat(leads(talk).getFirst().fields()).containsEntry("party", "25");
    }

    @Test
    void nobodyWhoCannotBeReachedIsALead() {
        Flow flow = FlowBuilder.flow("main")
                .question("n", "Your name?", ValueType.PERSON_NAME, "name", "s")
                .json(SAVE)
                .message("more", "Saved.", null)
                .message("none", "How could we reach you?", null)
                .build();
        Talk talk = Talk.with(flow).says("Dana Whitlow").hears("How could we reach you?");
        assertThat(leads(talk)).isEmpty();
        talk.tookBy("no lead");
    }

    @Test
    void aMilestoneMakesALeadOfWhatIsKnownByItsType() {
        Flow flow = FlowBuilder.flow("main")
                .question("n", "Your name?", ValueType.PERSON_NAME, "who", "p")
                .question("p", "Your number?", ValueType.PHONE, "number", "m")
                .json("{'kind':'milestone','id':'m','milestone':'Reached','lead':true,'exits':{'next':'step:b'}}")
                .message("b", "Bye.", null)
                .build();
        Talk talk = Talk.with(flow).says("Dana").says("01632 960555").hears("Bye.");
        assertThat(leads(talk))
                .as("a name with a phone is enough")
                .containsExactly(new Deed.SaveLead(Map.of("name", "Dana", "phone", "+441632960555"), null, "", ""));
    }

    private static Talk scored(String step) {
        Flow flow = FlowBuilder.flow("main")
                .question("g", "How many guests?", ValueType.NUMBER, "guests", "b")
                .question("b", "What is the budget?", ValueType.NUMBER, "budget", "s")
                .json(step)
                .message("best", "Come and see it.", null)
                .message("small", "Here is our brochure.", null)
                .message("sorry", "We are too large for that.", null)
                .build();
        return Talk.scoring(List.of(Cards.HIRE), flow);
    }

    private static final String SCORE = "{'kind':'score','id':'s','card':'k1','points':'points','band':'band',"
            + "'bands':[{'id':'x','band':'b2','name':'middle'},{'id':'y','band':'b1','name':'small'}],"
            + "'exits':{'band:x':'step:best','band:y':'step:small','out':'step:sorry'}}";

    @Test
    void aScoreGoesByItsBandAndIsKeptWithReasons() {
        Talk talk = scored(SCORE).says("60").says("6000").hears("Come and see it.");
        Deed.KeepScore kept = (Deed.KeepScore) talk.effects.stream()
                .filter(Deed.KeepScore.class::isInstance)
                .findFirst()
                .orElseThrow();
        assertThat(kept.points()).isEqualTo(35);
        assertThat(kept.bandName())
                .as("the step goes by the nearest band below")
                .isEqualTo("best");
        assertThat(kept.reasons()).contains("+20: 60 guests, more than 40", "+15: 100 a head, at least 50");
        assertThat(kept.known()).containsKeys("guests", "budget", "channel");
        talk.knows("points", "35").knows("band", "best").tookBy("counted");
    }

    @Test
    void dividingByNoughtIsNotKnownAndRuledOutGoesItsOwnWay() {
        scored(SCORE).says("0").says("500").hears("We are too large for that.").tookBy("scored");
        scored(SCORE.replace(",'out':'step:sorry'", "")).says("4").says("500").hears("Here is our brochure.");
    }

    @Test
    void aCardThatIsGoneLeadsToItsOwnExit() {
        Talk talk = scored(SCORE.replace("'k1'", "'gone'").replace("'out'", "'unscored'"))
                .says("60")
                .says("500")
                .hears("We are too large for that.");
        assertThat(talk.effects).noneMatch((Effect effect) -> effect instanceof Deed.KeepScore);
    }

    @Test
    void theStepsAreWrittenAndReadBack() {
        Flow flow = FlowBuilder.flow("main")
                .json(SAVE.replace("step:more", "end").replace("step:none", "end"))
                .json(SCORE.replace("'id':'s'", "'id':'s2'")
                        .replace("step:best", "end")
                        .replace("step:small", "end")
                        .replace("step:sorry", "end"))
                .build();
        assertThat(new FlowJson().read(FlowJson.write(flow))).isEqualTo(new FlowJson.Result.Good(flow));
    }
}
