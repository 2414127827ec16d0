package com.shuttle.studio;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Edited;
import com.shuttle.core.edit.FlowEditor;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepKind;
import com.shuttle.core.flow.shape.Form;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The controls of every kind of step, and that the editor takes what each of them sends. */
class StepSettingsTest {

    private static final Map<String, List<Form.Value>> TEAMS = Map.of("team", List.of(new Form.Value("t1", "Visits")));

    private static Flow of(Step step) {
        return new Flow("main", "Main", List.of(), List.of(new Section("s1", "", List.of(step))));
    }

    private static List<Setting> all(StepSettings.Editor editor) {
        List<Setting> all = new ArrayList<>(editor.common());
        all.addAll(editor.folded());
        editor.lists().forEach(list -> collect(list, all));
        return all;
    }

    private static void collect(StepSettings.ItemsView list, List<Setting> all) {
        for (StepSettings.ItemView item : list.items()) {
            all.addAll(item.common());
            all.addAll(item.folded());
            item.inner().forEach(inner -> collect(inner, all));
        }
    }

    static Stream<Flow> demoFlows() {
        return Stream.of("vesper-main", "vesper-callback", "school-visits", "dome-hire", "gallery", "gallery-tour")
                .map(StepSettingsTest::flow);
    }

    private static Flow flow(String name) {
        try (InputStream in = StepSettingsTest.class.getResourceAsStream("/demo/" + name + ".json")) {
            assertThat(in).isNotNull();
            String json = new String(in.readAllBytes(), StandardCharsets.UTF_8).replace("@media/", "/media/");
            FlowJson.Result read = new FlowJson().read(json);
            assertThat(read).isInstanceOf(FlowJson.Result.Good.class);
            return ((FlowJson.Result.Good) read).flow();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    @ParameterizedTest
    @EnumSource
    void everyKindHasAnEditorWhoseFieldsExist(StepKind kind) {
        Step step = kind.blank("n1");
        for (Setting setting : all(StepSettings.of(step, TEAMS))) {
            Edited edited = FlowEditor.apply(of(step), new Edit.Set("n1", setting.field(), setting.value()));
            assertThat(edited).as("%s of %s", setting.field(), kind).isInstanceOf(Edited.Done.class);
        }
    }

    @ParameterizedTest
    @MethodSource("demoFlows")
    void aSettingSentBackUnchangedChangesNothing(Flow flow) {
        for (Step step : flow.allSteps()) {
            for (Setting setting : all(StepSettings.of(step, TEAMS))) {
                Edited edited = FlowEditor.apply(flow, new Edit.Set(step.id(), setting.field(), setting.value()));
                assertThat(edited)
                        .as("%s of %s", setting.field(), step.id())
                        .isInstanceOfSatisfying(
                                Edited.Done.class,
                                done -> assertThat(done.flow()).isEqualTo(flow));
            }
        }
    }

    @Test
    void anInputOfACallThatIsGivenNothingSaysSo() {
        Step call = StepKind.CALL_SERVICE.blank("n1");
        Flow flow = done(FlowEditor.apply(of(call), new Edit.AddItem("n1", "gives", null)));
        List<Setting> values = all(StepSettings.of(flow.findStep("n1").orElseThrow(), TEAMS)).stream()
                .filter(setting -> setting.field().matches("gives\\..*\\.value"))
                .toList();
        assertThat(values).isNotEmpty().allSatisfy(value -> {
            assertThat(value.value()).isEmpty();
            assertThat(value.hint()).startsWith("nothing yet");
        });
    }

    @ParameterizedTest
    @MethodSource("demoFlows")
    void demoFlowsAreWrittenAndReadAgainEqual(Flow flow) {
        assertThat(new FlowJson().read(FlowJson.write(flow)))
                .isInstanceOfSatisfying(
                        FlowJson.Result.Good.class,
                        good -> assertThat(good.flow()).isEqualTo(flow));
    }

    @Test
    void everyKindStandsInADemoFlow() {
        List<StepKind> shown = demoFlows()
                .flatMap(flow -> flow.allSteps().stream())
                .map(Step::kind)
                .distinct()
                .toList();
        assertThat(shown).containsExactlyInAnyOrder(StepKind.values());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "QUESTION checks",
                "INTERVIEW facts",
                "BRANCH rules",
                "EXPERIMENT arms",
                "COMPUTE sets",
                "MESSAGE bubbles",
                "CHOICE options"
            })
    void itemsAreAddedMovedAndRemoved(String kindAndList) {
        String[] part = kindAndList.split(" ");
        Step step = StepKind.valueOf(part[0]).blank("n1");
        Flow flow = done(FlowEditor.apply(of(step), new Edit.AddItem("n1", part[1], null)));
        Flow two = done(FlowEditor.apply(flow, new Edit.AddItem("n1", part[1], null)));
        int before = size(flow, part[1]);
        assertThat(size(two, part[1])).isEqualTo(before + 1);
        String last = keys(two, part[1]).getLast();
        Flow moved = done(FlowEditor.apply(two, new Edit.MoveItem("n1", part[1], last, -1)));
        assertThat(size(moved, part[1])).isEqualTo(before + 1);
        Flow less = done(FlowEditor.apply(
                moved, new Edit.DeleteItem("n1", part[1], keys(moved, part[1]).getFirst())));
        assertThat(size(less, part[1])).isEqualTo(before);
        assertThat(FlowEditor.apply(two, new Edit.DeleteItem("n1", part[1], "gone")))
                .isInstanceOf(Edited.Refused.class);
        assertThat(FlowEditor.apply(two, new Edit.AddItem("n1", "nonsense", null)))
                .isInstanceOf(Edited.Refused.class);
    }

    private static Flow done(Edited edited) {
        assertThat(edited).isInstanceOf(Edited.Done.class);
        return ((Edited.Done) edited).flow();
    }

    private static List<String> keys(Flow flow, String list) {
        var items =
                com.shuttle.core.flow.StepJson.tree(flow.allSteps().getFirst()).get(list);
        List<String> keys = new ArrayList<>();
        for (int i = 0; i < items.size(); i++) {
            var item = items.get(i);
            keys.add(
                    item.has("id")
                            ? item.get("id").asString()
                            : item.has("variable") ? item.get("variable").asString() : Integer.toString(i));
        }
        return keys;
    }

    private static int size(Flow flow, String list) {
        return keys(flow, list).size();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "WAIT seconds soon",
                "WAIT seconds 0s",
                "WAIT seconds 9999d",
                "EXPERIMENT arms.a.weight -1",
                "QUESTION limits.min three",
                "QUESTION limits.megabytes 500",
                "QUESTION type nonsense",
                "CHOICE layout nonsense",
                "MESSAGE typing 99999",
                "CHOICE options.o1.link javascript:alert(1)",
                "CHOICE options.o9.label x",
                "QUESTION id x",
                "QUESTION exits.answered step:x",
                "END seconds 5",
                "MESSAGE media.type nonsense",
                "BRANCH rules.r1.id x"
            })
    void unfitValuesAreRefusedWithAReason(String kindFieldValue) {
        String[] part = kindFieldValue.split(" ", 3);
        Step step = StepKind.valueOf(part[0]).blank("n1");
        assertThat(FlowEditor.apply(of(step), new Edit.Set("n1", part[1], part[2])))
                .isInstanceOfSatisfying(
                        Edited.Refused.class,
                        refused -> assertThat(refused.why()).isNotBlank());
    }

    @Test
    void aChangeThatTakesExitsAwayTakesThemAlong() {
        Step choice = StepKind.CHOICE
                .blank("n1")
                .withExits(Map.of(
                        "option:o1", com.shuttle.core.flow.Target.END, "gave_up", com.shuttle.core.flow.Target.END));
        Flow together = done(FlowEditor.apply(of(choice), new Edit.Set("n1", "together", "true")));
        assertThat(together.allSteps().getFirst().exits()).containsOnlyKeys("gave_up");
        Step wait = StepKind.WAIT.blank("n1").withExits(Map.of("went_on", com.shuttle.core.flow.Target.END));
        assertThat(done(FlowEditor.apply(of(wait), new Edit.Set("n1", "signal", "true")))
                        .allSteps()
                        .getFirst()
                        .exits())
                .isEmpty();
    }
}
