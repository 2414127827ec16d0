package com.shuttle.studio;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.bots.Draft;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ScriptViewTest {

    private static final Flow FLOW = FlowJson.readTrusted("""
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[
              {"id":"s1","title":"One","steps":[
                {"kind":"message","id":"a","title":"Hello","say":["Hello"],"exits":{"next":"step:b"}},
                {"kind":"choice","id":"b","ask":["Which?"],"options":[{"id":"o1","label":"One"},{"id":"o2","label":"Two"},{"id":"o3","label":"Three"}],
                 "exits":{"option:o1":"flow:other","option:o2":"back"}},
                {"kind":"question","id":"c","ask":["How many?"],"type":"number","variable":"n","optional":true,"exits":{"answered":"end"}}]},
              {"id":"s2","title":"","steps":[
                {"kind":"answer","id":"d","ask":["Ask"],"exits":{"answered":"step:a"}},
                {"kind":"go_to","id":"e","exits":{"to":"flow:gone"}},
                {"kind":"end","id":"f","say":["Bye"]}]}]}""");

    private final ScriptView view = ScriptView.of(
            new Draft(FLOW, 3, true, false, "x"),
            new ScriptView.Around(Map.of("main", "Main", "other", "The other"), Map.of(), false));

    private RowView row(String step) {
        return view.sections().stream()
                .flatMap(section -> section.rows().stream())
                .filter(row -> row.step().id().equals(step))
                .findFirst()
                .orElseThrow();
    }

    private Map<String, String> words(String step) {
        Map<String, String> words = new LinkedHashMap<>();
        row(step).exits().forEach(exit -> words.put(exit.id(), exit.words()));
        return words;
    }

    @Test
    void rowsAreCountedThroughTheSections() {
        assertThat(view.steps()).isEqualTo(6);
        assertThat(view.sections()).extracting(ScriptView.SectionView::first).containsExactly(true, false);
        assertThat(row("d").index()).isEqualTo(3);
        assertThat(view.layout()).contains("\"threads\"");
    }

    @Test
    void exitsTellInWordsWhereTheyLead() {
        assertThat(words("a")).containsEntry("next", "Which?");
        assertThat(words("b"))
                .containsEntry("option:o1", "the flow The other")
                .containsEntry("option:o2", "back to where it came from")
                .containsEntry("option:o3", "leads nowhere yet")
                .containsEntry("otherwise", "asks the knowledge")
                .containsEntry("gave_up", "offers a person");
        assertThat(words("c")).containsEntry("answered", "the end").containsEntry("skipped", "as answered");
        assertThat(words("d")).containsEntry("answered", "Hello").containsEntry("suggested", "as answered");
        assertThat(words("e")).containsEntry("to", "the flow gone");
    }

    @Test
    void anExitToTheNextRowNeedsNoWords() {
        assertThat(row("a").exit("next").below()).isTrue();
        assertThat(row("d").exit("answered").below()).isFalse();
        assertThat(row("a").exit("no-such")).isNull();
    }

    @Test
    void theWayOnIsThatOfKindsWithOneNaturalWay() {
        assertThat(row("a").way()).isEqualTo("next");
        assertThat(row("b").way()).isEmpty();
        assertThat(row("c").way()).isEqualTo("answered");
        assertThat(row("f").way()).isEmpty();
    }

    @Test
    void exitsWithAPlaceOfTheirOwnAreNotAmongTheOthers() {
        assertThat(row("b").others()).extracting(ScriptView.ExitView::id).noneMatch(id -> id.startsWith("option:"));
        assertThat(row("e").others()).extracting(ScriptView.ExitView::id).doesNotContain("to", "back");
    }

    @Test
    void theListOfFlowsTellsWhichCallWhich() {
        Flow other = Flow.empty("other", "The other").described("The other", List.of("other things"));
        assertThat(FlowRow.of(List.of(FLOW, other)))
                .containsExactly(
                        new FlowRow("main", "Main", 6, List.of(), List.of()),
                        new FlowRow("other", "The other", 0, List.of("other things"), List.of("Main")));
    }

    @Test
    void handOffsAndChoicesLeadOnByTheWayThatWritingTakes() {
        Flow flow = FlowJson.readTrusted("""
                {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[
                  {"id":"s1","title":"","steps":[
                    {"kind":"hand_off","id":"h","say":["A person comes."],"exits":{"back":"step:c"}},
                    {"kind":"choice","id":"c","ask":["?"],"together":true,"options":[{"id":"o1","label":"One"}]}]}]}""");
        ScriptView script = ScriptView.of(new Draft(flow, 1, false, false, ""), ScriptView.Around.NOTHING);
        RowView handOff = script.sections().getFirst().rows().get(0);
        RowView choice = script.sections().getFirst().rows().get(1);
        assertThat(handOff.way()).isEqualTo("nobody");
        assertThat(choice.way()).isEqualTo("picked");
        assertThat(handOff.others())
                .as("every exit of a hand off can be led")
                .extracting(ScriptView.ExitView::id)
                .containsExactly("closed", "back", "nobody");
    }
}
