package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Arrival;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.ValueType;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** A name that nobody asked for is the visitor's only where they say it of themselves. */
class WhoVisitsTest {

    private static Flow flow() {
        return FlowBuilder.flow("main")
                .question("n", "How many are you?", ValueType.NUMBER, "guests", "w")
                .question("w", "And who are you?", ValueType.PERSON_NAME, "name", "f")
                .question("f", "Which firm is it for?", ValueType.COMPANY, "firm", "m")
                .message("m", "Thank you, {{name}}.", null)
                .build();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "do you ship parcels for France?",
                "can you deliver to Berlin",
                "is Anna Holt working on Sunday?",
                "is the talk with Professor Dahl still on?",
                "how far is it from Oslo",
                "could you recommend something for Mia?",
                "what does Rowan Fair cost",
                "do u have tickets for Leo and Max",
                "we're travelling from Lisbon",
                "parking near Victoria Street?",
                "I saw it in Paris",
                "my daughter Ellie loves stars",
                "and what about Harbour Mills Ltd, do they come too?",
                "may I speak to Oona Fell?"
            })
    void whatIsAskedOrOfOthersIsNobodysName(String text) {
        assertThat(Talk.with(flow()).says(text).state.variables()).doesNotContainKeys("name", "firm");
    }

    @ParameterizedTest
    @CsvSource({
        "I'm Petra Novak, Petra Novak",
        "'hi, Petra Novak here, do you ship to France?', Petra Novak",
        "my name is jo and i'd like to know if you ship to Spain, Jo",
        "'Petra Novak, petra@mill.example', Petra Novak",
        "'petra novak, petra@mill.example, 12 of us', Petra Novak",
        "this is Petra and we are 12, Petra"
    })
    void whatIsSaidOfThemselvesIsTheirs(String text, String name) {
        Talk.with(flow()).says(text).knows("name", name);
    }

    @Test
    void anAnswerToTheQuestionNeedsNoMore() {
        Talk.with(flow())
                .says("12")
                .says("petra")
                .knows("name", "Petra")
                .says("Harbour Mills")
                .knows("firm", "Harbour Mills");
    }

    @ParameterizedTest
    @CsvSource({"person_name, Friend", "place, the moon", "text, none"})
    void aDefaultOfWordsStandsAsItIsWritten(String type, String words) {
        Talk talk = Talk.with(FlowBuilder.flow("main")
                .json("{'kind':'question','id':'q','ask':['Say?'],'type':'" + type
                        + "','variable':'v','optional':true,'fallback':'" + words
                        + "','retry':'','skipWhenKnown':true,'tries':3,'exits':{'answered':'step:m'}}")
                .message("m", "Well.", null)
                .build());
        talk.picks("skip").knows("v", words);
    }

    private static Talk from(Arrival arrival, Flow flow) {
        Talk talk = Talk.notBegun(flow);
        return talk.take(new Event.Started(talk.stamp(), "messenger", "", "v", "", Map.of(), "", Map.of(), arrival));
    }

    @Test
    void whatTheChannelKnowsIsNotAsked() {
        Flow flow = FlowBuilder.flow("main")
                .question("n", "And who are you?", ValueType.PERSON_NAME, "name", "p")
                .question("p", "Your number?", ValueType.PHONE, "phone", "o")
                .question("o", "And somebody else's, in case?", ValueType.PHONE, "other", "m")
                .message("m", "Thank you, {{name}}: {{sender}}, {{other}}.", null)
                .build();
        Talk talk = from(new Arrival("+447700900121", "Petra Novak", "", "utm_source=leaflet"), flow);
        talk.hears("And somebody else's, in case?").knows("name", "Petra Novak").knows("phone", "+447700900121");
        assertThat(Talk.with(flow).heard).containsExactly("And who are you?");
        assertThat(from(new Arrival("", "✨ 24/7 ✨", "", ""), flow).heard)
                .as("no name")
                .containsExactly("And who are you?");
    }

    @Test
    void conditionsSeeHowSomebodyCame() {
        Flow flow = FlowBuilder.flow("main")
                .json(
                        "{'kind':'branch','id':'b','rules':[{'id':'r','name':'leaflet','when':'known(campaign) && campaign.contains(\\\"leaflet\\\")'}],"
                                + "'exits':{'rule:r':'step:y','otherwise':'step:n'}}")
                .message("y", "From {{referrer}}.", null)
                .message("n", "Hello.", null)
                .build();
        from(new Arrival("", "", "https://mill.example/", "utm_source=leaflet"), flow)
                .hears("From https://mill.example/.");
        from(Arrival.NONE, flow).hears("Hello.");
    }
}
