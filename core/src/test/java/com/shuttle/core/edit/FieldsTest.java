package com.shuttle.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.StepKind;
import com.shuttle.core.flow.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Every way of typing a setting, what it becomes, and what is refused. */
class FieldsTest {

    private static final Flow FLOW = FlowBuilder.flow("f")
            .json("{'kind':'question','id':'q','ask':['How many?','What number?'],'type':'number','variable':'n'}")
            .json(
                    "{'kind':'choice','id':'c','ask':['Which?'],'options':[{'id':'o1','label':'One'},{'id':'o2','label':'Two'}]}")
            .json("{'kind':'wait','id':'w','say':['A moment'],'seconds':60}")
            .json("{'kind':'message','id':'m','say':['Look']}")
            .json(
                    "{'kind':'experiment','id':'x','arms':[{'id':'a','name':'A','weight':50},{'id':'b','name':'B','weight':50}]}")
            .json("{'kind':'hand_off','id':'h','say':['Somebody comes']}")
            .json(
                    "{'kind':'interview','id':'i','ask':['Who?'],'facts':[{'variable':'email','label':'email','type':'email'}]}")
            .json("{'kind':'compute','id':'k','sets':[{'id':'c1'}]}")
            .build();

    private static Edited set(String step, String field, String value) {
        return FlowEditor.apply(FLOW, new Edit.Set(step, field, value));
    }

    private static String json(String step, String field, String value) {
        Edited edited = set(step, field, value);
        assertThat(edited).isInstanceOf(Edited.Done.class);
        return StepJson.tree(((Edited.Done) edited).flow().findStep(step).orElseThrow())
                .toString();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "q | text.1 | Which number? | \"ask\":[\"How many?\",\"Which number?\"]",
                "q | title | The   count | \"title\":\"The count\"",
                "q | type | email | \"type\":\"email\"",
                "q | variable | Head Count | \"variable\":\"head_count\"",
                "q | limits.min | 3 | \"min\":3",
                "q | limits.max | 12.5 | \"max\":12.5",
                "q | limits.whole | true | \"whole\":true",
                "q | limits.earliest | +14 | \"earliest\":\"+14\"",
                "q | limits.latest | 2026-12-24 | \"latest\":\"2026-12-24\"",
                "q | limits.weekdays | Monday, friday | \"weekdays\":[\"monday\",\"friday\"]",
                "q | optional | true | \"optional\":true",
                "q | tries | 5 | \"tries\":5",
                "q | retry | Please a number | \"retry\":\"Please a number\"",
                "c | options.o2.label | Second | \"label\":\"Second\"",
                "c | options.o1.also | uno,  first ,, 1st | \"also\":[\"uno\",\"first\",\"1st\"]",
                "c | options.o1.link | https://example.org/x | \"link\":\"https://example.org/x\"",
                "c | layout | tiles | \"layout\":\"tiles\"",
                "c | many | true | \"many\":true",
                "w | seconds | 2h | \"seconds\":7200",
                "w | seconds | 90 | \"seconds\":90",
                "w | seconds | 3 days | \"seconds\":259200",
                "m | media | picture | \"type\":\"picture\"",
                "m | typing | 800 | \"typing\":800",
                "x | arms.b.weight | 10 | \"weight\":10",
                "h | patience | 5m | \"patience\":300",
                "i | facts.email.label | your address | \"label\":\"your address\"",
                "k | sets.c1.variable | Total | \"variable\":\"total\"",
                "k | sets.c1.value | 2 * 3 | \"value\":\"2 * 3\"",
            })
    void whatIsTypedBecomesTheSetting(String step, String field, String value, String kept) {
        assertThat(json(step, field, value)).contains(kept);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "q | type | starsign | There is no such type.",
                "q | variable | 1st! | A variable's name begins with a letter",
                "q | limits.min | many | This has to be a number.",
                "q | tries | 0 | Tries are a number from 1 to 9.",
                "q | tries | ten | Tries are a number from 1 to 9.",
                "q | text.7 | x | That wording is no longer there.",
                "q | colour | red | has no colour",
                "q | id | other | has no id",
                "q | exits | x | has no exits",
                "q | limits.min.deep.er.still | 1 | has no",
                "q | limits.earliest | next week | A bound is today",
                "q | limits.region | Great Britain | A country has two letters",
                "q | limits.look | hearts | There is no such look.",
                "q | limits.weekdays | monday, someday | Days of the week",
                "c | options.o9.label | x | That is no longer there.",
                "c | options.o1.link | javascript:alert(1) | An address begins with https://",
                "c | options.o1.link | //evil.example | An address begins with https://",
                "c | layout | spiral | There is no such layout.",
                "w | seconds | soon | A time is written like",
                "w | seconds | 0s | A time is at least a second",
                "w | seconds | 9999d | A time is at least a second",
                "m | media | hologram | There is no such medium.",
                "m | typing | 99999 | The delay is 0 to 10,000",
                "x | arms.a.weight | -1 | A weight is a number",
                "x | text.0 | hello | says nothing",
            })
    void whatDoesNotFitIsRefusedWithAReason(String step, String field, String value, String why) {
        assertThat(set(step, field, value))
                .isInstanceOfSatisfying(
                        Edited.Refused.class,
                        refused -> assertThat(refused.why()).contains(why));
    }

    @ParameterizedTest
    @CsvSource({
        "q,title,10000",
        "q,text.0,8001",
        "c,options.o1.label,201",
        "k,sets.c1.value,2001",
        "c,options.o1.link,2100"
    })
    void tooLongTextsAreRefusedAndNothingIsCut(String step, String field, int length) {
        Edited edited = set(step, field, "https://" + "x".repeat(length));
        assertThat(edited)
                .isInstanceOfSatisfying(
                        Edited.Refused.class,
                        refused -> assertThat(refused.why()).contains("characters long at most"));
    }

    @Test
    void blankTakesASettingAway() {
        Flow limited = ((Edited.Done) set("q", "limits.min", "3")).flow();
        Edited cleared = FlowEditor.apply(limited, new Edit.Set("q", "limits.min", " "));
        assertThat(StepJson.tree(((Edited.Done) cleared).flow().findStep("q").orElseThrow())
                        .toString())
                .doesNotContain("\"min\":3");
    }

    @Test
    void anExitThatIsGoneWithItsOptionIsGone() {
        Flow led = ((Edited.Done) FlowEditor.apply(FLOW, new Edit.Lead("c", "option:o2", "step:m"))).flow();
        Flow without = ((Edited.Done) FlowEditor.apply(led, new Edit.DeleteItem("c", "options", "o2"))).flow();
        assertThat(without.findStep("c").orElseThrow().exits()).isEmpty();
        Flow together = ((Edited.Done) FlowEditor.apply(led, new Edit.Set("c", "together", "true"))).flow();
        assertThat(together.findStep("c").orElseThrow().exits()).doesNotContainKey("option:o2");
    }

    @ParameterizedTest
    @ValueSource(strings = {"options", "facts", "arms", "sets"})
    void itemsAreAddedMovedAndRemovedInTheirList(String list) {
        String step = switch (list) {
            case "options" -> "c";
            case "facts" -> "i";
            case "arms" -> "x";
            default -> "k";
        };
        Flow one = ((Edited.Done) FlowEditor.apply(FLOW, new Edit.AddItem(step, list, null))).flow();
        Flow two = ((Edited.Done) FlowEditor.apply(one, new Edit.AddItem(step, list, null))).flow();
        var items = StepJson.tree(two.findStep(step).orElseThrow()).get(list);
        List<String> names = new ArrayList<>();
        items.forEach(
                item -> names.add(item.path("id").asString(item.path("variable").asString(""))));
        assertThat(names).doesNotHaveDuplicates().doesNotContain("");
        Flow moved = ((Edited.Done) FlowEditor.apply(two, new Edit.MoveItem(step, list, names.getLast(), -99))).flow();
        var first = StepJson.tree(moved.findStep(step).orElseThrow()).get(list).get(0);
        assertThat(first.path("id").asString(first.path("variable").asString("")))
                .isEqualTo(names.getLast());
        Flow fewer = ((Edited.Done) FlowEditor.apply(moved, new Edit.DeleteItem(step, list, names.getLast()))).flow();
        assertThat(StepJson.tree(fewer.findStep(step).orElseThrow()).get(list).size())
                .isEqualTo(names.size() - 1);
    }

    @Test
    void aListThatTheKindHasNotIsRefused() {
        assertThat(FlowEditor.apply(FLOW, new Edit.AddItem("m", "options", null)))
                .isInstanceOf(Edited.Refused.class);
        assertThat(FlowEditor.apply(FLOW, new Edit.AddItem("c", "exits", null))).isInstanceOf(Edited.Refused.class);
        assertThat(FlowEditor.apply(FLOW, new Edit.DeleteItem("c", "options", "o9")))
                .isInstanceOf(Edited.Refused.class);
    }

    @ParameterizedTest
    @EnumSource(StepKind.class)
    void everyKindBecomesEveryOtherAndKeepsItsName(StepKind from) {
        for (StepKind to : StepKind.values()) {
            Flow flow = ((Edited.Done) FlowEditor.apply(Flow.empty("f", "F"), new Edit.Add(null, null, from))).flow();
            flow = ((Edited.Done) FlowEditor.apply(flow, new Edit.Set("n1", "title", "Kept"))).flow();
            flow = ((Edited.Done) FlowEditor.apply(flow, new Edit.Become("n1", to))).flow();
            Step step = flow.findStep("n1").orElseThrow();
            assertThat(step.kind()).isEqualTo(to);
            assertThat(step.title()).isEqualTo("Kept");
            assertThat(new FlowJson().read(FlowJson.write(flow))).isInstanceOf(FlowJson.Result.Good.class);
        }
    }

    /** Whatever is typed anywhere, a flow stays one that can be saved and loaded. */
    @Test
    void noTypingBreaksAFlow() {
        Random random = new Random(11);
        String[] values = {
            "",
            " ",
            "true",
            "-3",
            "99999999999999",
            "{{name",
            "<b>x</b>",
            "a,b",
            "2h",
            "step:q",
            "\u0000\u202e",
            "日本",
            "x".repeat(300)
        };
        String[] fields = {
            "text.0",
            "title",
            "note",
            "type",
            "variable",
            "limits.min",
            "limits.earliest",
            "limits.region",
            "limits.look",
            "limits.weekdays",
            "options.o1.label",
            "options.o1.link",
            "layout",
            "media",
            "seconds",
            "patience",
            "arms.a.weight",
            "facts.email.type",
            "sets.c1.value",
            "tries",
            "retry",
            "team",
            "milestone"
        };
        Flow flow = FLOW;
        for (int i = 0; i < 4000; i++) {
            List<Step> steps = flow.allSteps();
            Step step = steps.get(random.nextInt(steps.size()));
            Edit edit = new Edit.Set(
                    step.id(), fields[random.nextInt(fields.length)], values[random.nextInt(values.length)]);
            if (FlowEditor.apply(flow, edit) instanceof Edited.Done done) {
                flow = done.flow();
            }
        }
        assertThat(FlowJson.readTrusted(FlowJson.write(flow))).isEqualTo(flow);
        assertThat(new FlowJson().read(FlowJson.write(flow))).isInstanceOf(FlowJson.Result.Good.class);
    }

    @Test
    void aFileOfFiveThousandStepsInCirclesIsReadLaidOutAndEdited() {
        FlowBuilder builder = FlowBuilder.flow("f");
        for (int i = 0; i < 5000; i++) {
            builder.message("n" + i, "Step " + i, "n" + (i * 7 + 3) % 5000);
        }
        Flow flow = builder.build();
        assertThat(new FlowJson().read(FlowJson.write(flow))).isEqualTo(new FlowJson.Result.Good(flow));
        assertThat(com.shuttle.core.script.ScriptLayout.of(flow).rows()).hasSize(5000);
        assertThat(FlowEditor.apply(flow, new Edit.Add("n9", null, StepKind.MESSAGE)))
                .isEqualTo(new Edited.Refused("A flow can have 5000 steps at most."));
        Flow led = ((Edited.Done) FlowEditor.apply(flow, new Edit.Lead("n0", "next", "step:n4999"))).flow();
        assertThat(led.findStep("n0").orElseThrow().exit("next")).isEqualTo(Target.step("n4999"));
    }

    @Test
    void aFileOfAnotherVersionIsToldAsSuch() {
        String newer = FlowJson.write(FLOW).replace("shuttle-flow/1", "shuttle-flow/3");
        assertThat(new FlowJson().read(newer))
                .isInstanceOfSatisfying(
                        FlowJson.Result.Bad.class,
                        bad -> assertThat(bad.faults())
                                .singleElement()
                                .satisfies(fault -> assertThat(fault.message()).contains("another version")));
    }

    @Test
    void aPieceOfAFlowMayLeadOutOfItself() {
        String piece = FlowJson.write(
                FlowBuilder.flow("p").message("a", "A", "elsewhere").build());
        assertThat(new FlowJson().read(piece)).isInstanceOf(FlowJson.Result.Bad.class);
        assertThat(new FlowJson().readPiece(piece)).isInstanceOf(FlowJson.Result.Good.class);
    }
}
