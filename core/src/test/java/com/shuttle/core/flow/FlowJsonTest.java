package com.shuttle.core.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.core.flow.shape.Form;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FlowJsonTest {

    private static final FlowJson JSON = new FlowJson();

    private static final Flow EVERY_KIND = FlowBuilder.flow("main")
            .phrases("back to the start", "start page")
            .message("hello", "Hello \"you\", a < b & c", "menu")
            .choice("menu", "Which?", "One", "name", "Two", "flow:other", "Three", "back", "Four", "end")
            .question("name", "Who?", ValueType.PERSON_NAME, "name", "ask")
            .answer("ask", "What?", "ask", "person")
            .handOff("person", "t1", "go", null)
            .goTo("go", "flow:other", true, "bye")
            .end("bye", "Bye")
            .build();

    @Test
    void writesAndReadsEveryKindWithoutLoss() {
        assertThat(JSON.read(FlowJson.write(EVERY_KIND))).isEqualTo(new FlowJson.Result.Good(EVERY_KIND));
        assertThat(FlowJson.readTrusted(FlowJson.write(EVERY_KIND))).isEqualTo(EVERY_KIND);
    }

    @Test
    void blankStepsOfEveryKindFitTheFormat() {
        for (StepKind kind : StepKind.values()) {
            Flow flow = new Flow("f", "F", List.of(), List.of(new Section("s1", "", List.of(kind.blank("n1")))));
            assertThat(JSON.read(FlowJson.write(flow))).as(kind.label()).isEqualTo(new FlowJson.Result.Good(flow));
        }
    }

    @Test
    void namesOfThingsStandForTheirIds() {
        Names.Known known = what -> switch (what) {
            case "table" -> List.of(new Form.Value("t7", "Guides"));
            case "column of t7" -> List.of(new Form.Value("c2", "Speaks"));
            default -> List.of();
        };
        String step = "{\"kind\":\"look_up\",\"id\":\"a\",\"table\":\"@table/guides\",\"order\":\"@column/%s\"}";
        assertThat(JSON.read(with(step.formatted("Speaks"))))
                .isInstanceOfSatisfying(
                        FlowJson.Result.Good.class,
                        good -> assertThat(Names.resolved(good.flow(), known))
                                .isInstanceOfSatisfying(
                                        FlowJson.Result.Good.class,
                                        done -> assertThat(FlowJson.write(done.flow()))
                                                .contains("\"t7\"", "\"c2\"")));
        assertThat(JSON.read(with(step.formatted("Height"))))
                .isInstanceOfSatisfying(
                        FlowJson.Result.Good.class,
                        good -> assertThat(Names.resolved(good.flow(), known))
                                .hasToString(new FlowJson.Result.Bad(List.of(new Fault(
                                                "/sections/0/steps/0/order", "there is no column called “Height”")))
                                        .toString()));
    }

    @Test
    void aFlowUnderAnotherIdLeadsToItself() {
        Flow flow = FlowBuilder.flow("main")
                .choice("c", "Again?", "Yes", "flow:main", "No", "flow:other")
                .build()
                .as("flow-2");
        assertThat(flow.allSteps().getFirst().exits().values())
                .containsExactly(new Target.ToFlow("flow-2"), new Target.ToFlow("other"));
    }

    @Test
    void namesItsFormat() {
        assertThat(FlowJson.write(EVERY_KIND)).contains("\"format\" : \"shuttle-flow/1\"");
    }

    private static String with(String step) {
        return "{\"format\":\"shuttle-flow/1\",\"id\":\"f\",\"name\":\"F\",\"sections\":[{\"id\":\"s1\",\"steps\":["
                + step + "]}]}";
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '^',
            value = {
                "{\"kind\":\"message\",\"id\":\"a\",\"say\":[\"x\"],\"exits\":{\"next\":\"step:b\"}} | /sections/0/steps/0/exits/next | no step \"b\"",
                "{\"kind\":\"message\",\"id\":\"a\",\"say\":[\"x\"],\"exits\":{\"next\":\"nowhere\"}} | /sections/0/steps/0/exits/next | pattern",
                "{\"kind\":\"message\",\"id\":\"a\",\"say\":[\"x\"],\"exits\":{\"left\":\"end\"}} | /sections/0/steps/0/exits/left | has no exit",
                "{\"kind\":\"message\",\"id\":\"a\",\"say\":7} | /sections/0/steps/0/say | array",
                "{\"kind\":\"message\",\"id\":\"a\"} | /sections/0/steps/0 | say",
                "{\"kind\":\"message\",\"id\":\"A b\",\"say\":[\"x\"]} | /sections/0/steps/0/id | pattern",
                "{\"kind\":\"dance\",\"id\":\"a\"} | /sections/0/steps/0/kind | enumeration",
                "{\"id\":\"a\"} | /sections/0/steps/0 | kind",
                "{\"kind\":\"question\",\"id\":\"a\",\"ask\":[\"x\"],\"type\":\"colour\"} | /sections/0/steps/0/type | enumeration",
                "{\"kind\":\"question\",\"id\":\"a\",\"ask\":[\"x\"],\"type\":\"text\",\"tries\":0} | /sections/0/steps/0/tries | minimum",
                "{\"kind\":\"question\",\"id\":\"a\",\"ask\":[\"x\"],\"type\":\"text\",\"variable\":\"My Name\"} | /sections/0/steps/0/variable | pattern",
                "{\"kind\":\"choice\",\"id\":\"a\",\"ask\":[\"x\"],\"options\":[{\"id\":\"o1\"}]} | /sections/0/steps/0/options/0 | label",
                "{\"kind\":\"hand_off\",\"id\":\"a\",\"say\":[\"x\"],\"team\":3} | /sections/0/steps/0/team | string",
                "{\"kind\":\"milestone\",\"id\":\"a\",\"name\":\"Won\"} | /sections/0/steps/0/name | no setting",
                "{\"kind\":\"go_to\",\"id\":\"a\",\"comeBack\":\"yes\"} | /sections/0/steps/0/comeBack | boolean",
            })
    void refusesFaultyStepsWithTheirPlace(String step, String place, String says) {
        assertThat(JSON.read(with(step))).isInstanceOfSatisfying(FlowJson.Result.Bad.class, bad -> {
            List<Fault> there = bad.faults().stream()
                    .filter(fault -> fault.place().equals(place))
                    .toList();
            assertThat(there).as("faults at %s among %s", place, bad.faults()).isNotEmpty();
            assertThat(there.stream().map(Fault::message).collect(Collectors.joining(" ")))
                    .containsIgnoringCase(says);
        });
    }

    @Test
    void reportsAllFaultsAtOnce() {
        String steps =
                "{\"kind\":\"end\",\"id\":\"a\",\"say\":[\"x\"]},{\"kind\":\"end\",\"id\":\"a\",\"say\":[\"x\"]},"
                        + "{\"kind\":\"message\",\"id\":\"b\",\"say\":[\"x\"],\"exits\":{\"next\":\"step:gone\"}}";
        assertThat(JSON.read(with(steps)))
                .isEqualTo(new FlowJson.Result.Bad(List.of(
                        new Fault("/sections/0/steps/1/id", "the id \"a\" is used twice"),
                        new Fault("/sections/0/steps/2/exits/next", "there is no step \"gone\" in this flow"))));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "nonsense",
                "[]",
                "null",
                "{\"format\":\"shuttle-flow/1\"",
                "{\"format\":\"shuttle-flow/2\"}",
                "{\"format\":\"shuttle-flow/1\",\"id\":\"f\",\"name\":\"F\",\"sections\":[]}",
                "{\"format\":\"shuttle-flow/1\",\"id\":\"f\",\"name\":\"F\",\"sections\":{}}",
                "42",
                "\"text\""
            })
    void refusesWhatIsNoFlow(String text) {
        assertThat(JSON.read(text))
                .isInstanceOfSatisfying(
                        FlowJson.Result.Bad.class,
                        bad -> assertThat(bad.faults()).isNotEmpty());
    }

    @Test
    void targetsKeepTheirTextForm() {
        for (String text : List.of("step:a", "flow:b-2", "back", "end")) {
            assertThat(Target.parse(text).text()).isEqualTo(text);
        }
        for (String text : List.of("", "step:", "flow:", "backwards", "a")) {
            assertThatThrownBy(() -> Target.parse(text)).isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Test
    void aStepIsCalledByItsTitleOrTheBeginningOfItsText() {
        assertThat(new Step.Message("a", "Greeting", "", List.of("Hello"), null, null, 0, null).name())
                .isEqualTo("Greeting");
        assertThat(new Step.Message("a", "", "", List.of("Hello"), null, null, 0, null).name())
                .isEqualTo("Hello");
        assertThat(new Step.Message("a", "", "", List.of("x".repeat(90)), null, null, 0, null).name())
                .isEqualTo("x".repeat(47) + "…");
        assertThat(StepKind.END.blank("a").name()).isEqualTo("End");
    }

    @Test
    void variablesOfAFlowAreThoseOfItsQuestionsInOrder() {
        Flow flow = FlowBuilder.flow("f")
                .question("q2", "?", ValueType.EMAIL, "email", null)
                .question("q1", "?", ValueType.NUMBER, "party", null)
                .question("q3", "?", ValueType.TEXT, "email", null)
                .question("q4", "?", ValueType.TEXT, "", null)
                .build();
        assertThat(flow.variables().entrySet())
                .extracting(Object::toString)
                .containsExactly("email=EMAIL", "party=NUMBER");
    }
}
