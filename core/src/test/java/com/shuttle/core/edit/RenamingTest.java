package com.shuttle.core.edit;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LowerChars;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A variable gets another name everywhere at once, and nothing else changes. */
class RenamingTest {

    private static final Flow FLOW = flow("main")
            .json(
                    "{'kind':'interview','id':'i','ask':['How many, {{guests}}?'],'facts':[{'variable':'guests','label':'guests','type':'number',"
                            + "'checks':[{'rule':'guests > 3','words':'At least {{guests}} guests.'}]}],'exits':{'complete':'step:b'}}")
            .json(
                    "{'kind':'branch','id':'b','rules':[{'id':'guests','name':'guests','when':'guests > 3 && known(guests) && name != \\\"guests\\\"'}],'exits':{'rule:guests':'step:c'}}")
            .json(
                    "{'kind':'compute','id':'c','sets':[{'id':'c1','variable':'guests','value':'guests * 2 + guestscount'}],'exits':{'next':'step:m'}}")
            .json(
                    "{'kind':'message','id':'m','title':'guests','say':['{{guests}} {{#guests}}of guests{{/guests}}{{^guests}}none{{/guests}} {{guests|some}} {{guestscount}}'],'exits':{'next':'step:a'}}")
            .json("{'kind':'choice','id':'k','ask':['?'],'from':'guests','options':[]}")
            .json("{'kind':'answer','id':'a','ask':['?'],'of':'guests'}")
            .build();

    private static Flow renamed(Flow flow, String from, String to) {
        Edited edited = FlowEditor.apply(flow, new Edit.RenameVariable(from, to));
        assertThat(edited).isInstanceOf(Edited.Done.class);
        return ((Edited.Done) edited).flow();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '~',
            value = {
                "i~How many, {{party}}?",
                "i~\"variable\":\"party\"",
                "i~\"label\":\"guests\"",
                "i~\"rule\":\"party > 3\"",
                "i~At least {{party}} guests.",
                "b~party > 3 && known(party) && name != \\\"guests\\\"",
                "b~\"id\":\"guests\"",
                "c~party * 2 + guestscount",
                "m~{{party}} {{#party}}of guests{{/party}}{{^party}}none{{/party}} {{party|some}} {{guestscount}}",
                "m~\"title\":\"guests\"",
                "k~\"from\":\"party\"",
                "a~\"of\":\"party\"",
            })
    void everyUseIsRenamedAndNothingElse(String step, String holds) {
        Step changed = renamed(FLOW, "guests", "party").findStep(step).orElseThrow();
        assertThat(StepJson.tree(changed).toString()).contains(holds);
    }

    @Property
    void renamingBackGivesTheSameFlow(@ForAll @LowerChars @StringLength(min = 1, max = 12) String name) {
        String fresh = "zz_" + name;
        Flow there = renamed(FLOW, "guests", fresh);
        assertThat(renamed(there, fresh, "guests")).isEqualTo(FLOW);
        assertThat(new FlowJson().read(FlowJson.write(there))).isEqualTo(new FlowJson.Result.Good(there));
    }

    @Test
    void aNameThatIsNoneIsRefused() {
        for (String name : new String[] {"", "9lives", "Guests", "a b", "x".repeat(65), "a.b", "{{x}}"}) {
            assertThat(FlowEditor.apply(FLOW, new Edit.RenameVariable("guests", name)))
                    .as(name)
                    .isInstanceOf(Edited.Refused.class);
        }
    }

    @Test
    void whatDoesNotUseTheVariableStaysAsItIs() {
        assertThat(renamed(FLOW, "nobody", "somebody")).isEqualTo(FLOW);
    }
}
