package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.StandingWords;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a page is told of what is awaited; and standing requests as a designer sets them. */
class PromptTest {

    private static Prompt prompt(String question) {
        Talk talk = Talk.with(flow("main")
                .json("{'kind':'question','id':'q','ask':['?']," + question + "}")
                .build());
        Prompt prompt = Prompts.of(talk.playbook, talk.state, LocalDate.parse("2026-03-10"));
        assertThat(prompt).isNotNull();
        return prompt;
    }

    @Test
    void limitsAreToldAsAPageCanUseThem() {
        Prompt date = prompt(
                "'type':'date','hint':'A weekday.','example':'3 May','optional':true,'limits':{'earliest':'+7','latest':'2026-12-31','weekdays':['monday']}");
        assertThat(date.earliest()).isEqualTo("2026-03-17");
        assertThat(date.latest()).isEqualTo("2026-12-31");
        assertThat(date.weekdays()).containsExactly("monday");
        assertThat(date.hint() + date.example()).isEqualTo("A weekday.3 May");
        assertThat(date.options()).extracting(Message.Offer::id).containsExactly("skip");
        Prompt slider = prompt("'type':'slider'");
        assertThat(slider.min() + "-" + slider.max()).isEqualTo("0-100");
        Prompt rating = prompt("'type':'rating','limits':{'max':7}");
        assertThat(rating.options()).hasSize(7);
        assertThat(rating.look()).isEqualTo("stars");
        Prompt file = prompt("'type':'file','limits':{'fileTypes':['png'],'megabytes':3}");
        assertThat(file.fileTypes() + " " + file.megabytes()).isEqualTo("[png] 3");
        assertThat(prompt("'type':'file'").fileTypes()).contains("pdf").doesNotContain("svg", "html", "exe");
        assertThat(prompt("'type':'time','limits':{'earliest':'09:00'}").earliest())
                .isEqualTo("09:00");
    }

    @ParameterizedTest
    @CsvSource({"stop,false,true", "halt the machine,true,true", "stop,true,false", "halt the machine,false,false"})
    void standingRequestsCanBeSwitchedOffAndSaidOtherwise(String said, boolean changed, boolean ends) {
        Talk plain = Talk.with(flow("main").message("m", "Hello.", null).build());
        List<StandingWords> words = said.equals("stop")
                ? List.of(new StandingWords("stop", true, List.of()))
                : List.of(new StandingWords("stop", false, List.of("Halt the machine!")));
        Release release = plain.playbook.release();
        Playbook playbook = new Playbook(new Release(
                1, release.profile(), release.mainFlow(), release.flows(), List.of(), changed ? words : List.of()));
        Turn turn = Engine.take(playbook, plain.state, new Event.Said(plain.stamp(), said), new FakeWorld());
        assertThat(((Turn.Taken) turn).state().speaker() == Speaker.ENDED).isEqualTo(ends);
    }

    @Test
    void oldStatesAndMessagesAreStillRead() {
        var json = tools.jackson.databind.json.JsonMapper.shared();
        String state =
                "{\"seq\":3,\"speaker\":\"bot\",\"at\":{\"flow\":\"main\",\"step\":\"q\"},\"returns\":[],\"variables\":{\"name\":\"Dana\",\"n\":4,\"yes\":true},"
                        + "\"awaiting\":{\"kind\":\"question\",\"type\":\"text\",\"offers\":[],\"tries\":1,\"asked\":\"\",\"resumes\":null},\"asked\":[],\"answered\":[],"
                        + "\"team\":\"\",\"channel\":\"web\",\"page\":\"\"}";
        State read = Talk.stored().readValue(state, State.class);
        assertThat(read.variables()).hasSize(3);
        assertThat(read.awaiting()).isNotNull();
        assertThat(read.awaiting()).isInstanceOf(com.shuttle.core.conversation.Awaiting.class);
        assertThat(json.readValue("{\"id\":\"a\",\"label\":\"A\"}", Message.Offer.class))
                .isEqualTo(new Message.Offer("a", "A"));
    }
}
