package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What clumsy, hurried and hostile visitors type in the midst of a flow. */
class RepairsTest {

    private static final Flow FLOW = flow("main")
            .question("n", "Name?", ValueType.PERSON_NAME, "name", "e")
            .question("e", "Email?", ValueType.EMAIL, "email", "g")
            .question("g", "How many?", ValueType.NUMBER, "guests", "d")
            .json(
                    "{'kind':'question','id':'d','ask':['Which day?'],'type':'date','variable':'day','example':'3 May','tries':3,'limits':{'earliest':'today'},'exits':{'answered':'step:t'}}")
            .question("t", "Anything else?", ValueType.LONG_TEXT, "more", "m")
            .message("m", "Thanks, {{name}}.", "end")
            .build();

    private static Talk at(String step) {
        Talk talk = Talk.with(
                new FakeWorld().knows("parking", "Parking is free.", 0.9).knows("dogs", "On a lead.", 0.4), FLOW);
        if (!step.equals("n")) {
            talk.says("Dana Whitlow");
        }
        if (!step.equals("n") && !step.equals("e")) {
            talk.says("dana@example.org");
        }
        if (step.equals("d") || step.equals("t")) {
            talk.says("24");
        }
        return step.equals("t") ? talk.says("12 May") : talk;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "n|is there parking?|answered from knowledge|n",
                "n|you are useless|anger|n",
                "n|never mind|wants out|n",
                "d|I don't want that any more|wants out|d",
                "g|0117 496 0022|told besides|g",
                "d|£40|not understood|d",
                "d|sorry, make it 5|changed|d",
                "d|one more is coming|changed|d",
                "n|dana@example.org|also read|n",
                "n|why do you need that?|asked back|n",
                "n|Dana, dana@example.org, 24 of us|also read|d",
                "e|rather not|refused|e",
                "e|dana@example,org|answer to the question|g",
                "e|sorry, my name is Dana Wheatley|changed|e",
                "g|a few|not understood|g",
                "g|4 or 5|unclear|g",
                "g|make it 5, not 4|answer to the question|d",
                "g|start again|standing request|n",
                "d|31 february|not understood|d",
                "d|yesterday|does not fit|d",
                "d|next friday|unclear|d",
                "d|my email is wrong, it's d@example.net|changed|d",
                "d|go back|standing request|g",
                "d|not sure yet|does not know|d",
                "d|in June sometime|a value nobody asked for|d",
                "d|mornings only please|a value nobody asked for|d",
                "d|a saturday in june|unclear|d",
                "g|year 4|not understood|g",
                "t|is there parking?|answered from knowledge|t",
                "t|We would love to see the large telescope if that can be done.|answer to the question|end",
            })
    void eachIsTakenByItsRuleAndThePlaceIsKept(String step, String said, String rule, String then) {
        Talk talk = at(step).says(said).tookBy(rule);
        String place = talk.state.at() == null || talk.state.speaker() == Speaker.ENDED
                ? "end"
                : talk.state.at().step();
        assertThat(place).isEqualTo(then);
    }

    @Test
    void helpGrowsAndAnEssayIsHeardOut() {
        Talk talk = at("d").says("hm").hears("I couldn't read a day there.");
        talk.says("hm").hears("Please type it like 3 May, or “next Monday”. For example: 3 May");
        Talk essay = at("t").says("word ".repeat(700).strip());
        assertThat(essay.state.variables().get("more").shown()).hasSize(3499);
    }

    @Test
    void typedMarkdownStaysText() {
        Talk talk = at("n").says("my name is <b>Dana</b>");
        assertThat(talk.heard.toString()).doesNotContain("<b>");
        Talk braces = Talk.with(FLOW).says("my name is {{email}}");
        assertThat(braces.heard.toString()).doesNotContain("{{");
    }

    @Test
    void aPlainYesTakesTheOnlySuggestion() {
        at("n").says("dogs?")
                .hearsPart("Is it one of these?")
                .says("yes please")
                .hears("On a lead.", "Name?");
        at("n").says("dogs?")
                .says("no")
                .tookBy("suggestion")
                .says("Dana Whitlow")
                .hears("Email?");
    }

    @Test
    void factsAreKeptBesideASuggestionToo() {
        at("n").says("dogs?").says("dana@example.org").hears("Noted: dana@example.org.", "Name?");
        at("n").says("dogs?").says("24").hears("Noted: guests 24.", "Name?");
    }
}
