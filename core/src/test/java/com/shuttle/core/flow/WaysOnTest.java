package com.shuttle.core.flow;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What exits are to the flow, and that shapes and records agree. */
class WaysOnTest {

    private static Step of(String json) {
        return StepJson.step(StepJson.MAPPER.readTree(json.replace('\'', '"')));
    }

    @Test
    void aHandOffGoesOnWhereNobodyIsThere() {
        Step step = StepKind.HAND_OFF.blank("h");
        assertThat(Objects.requireNonNull(step.wayOn()).id()).isEqualTo("nobody");
    }

    @Test
    void aChoiceWhoseOptionsLeadTheSameWayHasAWayOn() {
        Step parts = of("{'kind':'choice','id':'c','ask':['?'],'options':[{'id':'a','label':'A'}]}");
        Step together = of("{'kind':'choice','id':'c','ask':['?'],'together':true,'options':[{'id':'a','label':'A'}]}");
        assertThat(parts.wayOn()).isNull();
        assertThat(Objects.requireNonNull(together.wayOn()).id()).isEqualTo("picked");
    }

    @ParameterizedTest
    @EnumSource(StepKind.class)
    void everyPropertyOfAShapeIsOneOfItsRecord(StepKind kind) {
        List<String> components = java.util.Arrays.stream(kind.record().getRecordComponents())
                .map(java.lang.reflect.RecordComponent::getName)
                .toList();
        assertThat(kind.shape().properties())
                .allSatisfy(property -> assertThat(components).contains(property.name()));
        List<String> named =
                kind.shape().properties().stream().map(p -> p.name()).toList();
        assertThat(components)
                .as("settings that nobody can set")
                .allSatisfy(
                        component -> assertThat(List.of("id", "exits").contains(component) || named.contains(component))
                                .isTrue());
    }

    @ParameterizedTest
    @EnumSource(StepKind.class)
    void aBlankStepIsWhatTheSchemaAllows(StepKind kind) {
        Flow flow = Flow.empty("main", "Main");
        Flow with = flow.withSections(List.of(flow.sections().getFirst().withSteps(List.of(kind.blank("n1")))));
        assertThat(new FlowJson().read(FlowJson.write(with))).isEqualTo(new FlowJson.Result.Good(with));
        assertThat(kind.blank("n1").kind()).isEqualTo(kind);
        assertThat(kind.blank("n1").slots().stream().filter(s -> s.role() == ExitSlot.Role.ON))
                .hasSizeLessThan(2);
    }
}
