package com.shuttle.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.Step;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProseTest {

    private static final Flow FLOW = FlowBuilder.flow("f")
            .json("{'kind':'message','id':'a','say':['The dome is open. Dome shows start at two.'],'title':'dome'}")
            .json("{'kind':'choice','id':'b','ask':['Which?'],'variable':'dome','options':"
                    + "[{'id':'o1','label':'A dome show','also':['the dome']},{'id':'o2','label':'Nothing'}]}")
            .json("{'kind':'branch','id':'c','rules':[{'id':'r1','when':'size(dome) > 3'}]}")
            .build();

    @Test
    void findsInAllThatPeopleRead() {
        assertThat(Prose.find(FLOW, "dome", false))
                .extracting(found -> found.step() + " " + found.where() + " " + found.match())
                .containsExactlyInAnyOrder(
                        "a the title dome",
                        "a the wording dome",
                        "a the wording Dome",
                        "b an option dome",
                        "b an option dome");
        assertThat(Prose.find(FLOW, "Dome", true)).hasSize(1);
        assertThat(Prose.find(FLOW, " ", false)).isEmpty();
        assertThat(Prose.find(FLOW, "A.*e", false)).isEmpty();
    }

    @Test
    void tellsWhatStandsAround() {
        assertThat(Prose.find(FLOW, "shows", true)).singleElement().satisfies(found -> {
            assertThat(found.before()).endsWith("open. Dome ");
            assertThat(found.after()).isEqualTo(" start at two.");
        });
    }

    @Test
    void replacesTextsAndLeavesVariablesAndExpressions() {
        Edited.Done done = (Edited.Done) FlowEditor.apply(FLOW, new Edit.Replace("dome", "$1 hall", false));
        Step message = done.flow().findStep("a").orElseThrow();
        assertThat(message.wordings()).containsExactly("The $1 hall is open. $1 hall shows start at two.");
        assertThat(done.flow().variables()).containsKey("dome");
        assertThat(done.flow().findStep("c")).isEqualTo(FLOW.findStep("c"));
        assertThat(done.words()).isEqualTo("replaced “dome” by “$1 hall” in 5 places");
    }

    @ParameterizedTest
    @CsvSource({"'',x", "' ',x"})
    void nothingToFindIsRefused(String find, String with) {
        assertThat(FlowEditor.apply(FLOW, new Edit.Replace(find, with, false))).isInstanceOf(Edited.Refused.class);
    }

    @Test
    void aTextThatWouldGrowTooLongIsRefused() {
        assertThat(FlowEditor.apply(FLOW, new Edit.Replace("o", "x".repeat(5000), false)))
                .isInstanceOf(Edited.Refused.class);
    }
}
