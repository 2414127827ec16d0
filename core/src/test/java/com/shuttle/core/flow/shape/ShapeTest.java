package com.shuttle.core.flow.shape;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.StepKind;
import com.shuttle.core.flow.shape.Form.Role;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What is derived from the properties of a kind. */
class ShapeTest {

    private static final Step CHOICE =
            step("{'kind':'choice','id':'c','title':'Menu','ask':['Which, {{name}}?'],'variable':'wish',"
                    + "'options':[{'id':'a','label':'Dome','also':['show','seats'],'link':'https://x.example'}]}");

    private static Step step(String json) {
        return StepJson.step(JsonMapper.shared().readTree(json.replace('\'', '"')));
    }

    private static List<String> texts(Step step, Role role) {
        List<String> texts = new ArrayList<>();
        step.kind().shape().map(StepJson.tree(step), (form, text, top) -> {
            if (form.role() == role && !text.isEmpty()) {
                texts.add(top.name() + "=" + text);
            }
            return text;
        });
        return texts;
    }

    @Test
    void whatPeopleReadIsFoundWhereverItStands() {
        assertThat(texts(CHOICE, Role.PROSE))
                .containsExactlyInAnyOrder(
                        "title=Menu", "ask=Which, {{name}}?", "options=Dome", "options=show", "options=seats");
    }

    @Test
    void namesAndReferencesAreNoProse() {
        assertThat(texts(CHOICE, Role.VARIABLE)).containsExactly("variable=wish");
        Step handOff = step("{'kind':'hand_off','id':'h','say':['Wait.'],'team':'t1'}");
        assertThat(texts(handOff, Role.REFERENCE)).containsExactly("team=t1");
    }

    @Test
    void whatIsChangedIsChangedInPlaceAndSaidSo() {
        ObjectNode tree = StepJson.tree(CHOICE);
        Shape shape = CHOICE.kind().shape();
        assertThat(shape.map(tree, (form, text, top) -> text)).isFalse();
        assertThat(shape.map(tree, (form, text, top) -> text.replace("show", "shows")))
                .isTrue();
        assertThat(tree.at("/options/0/also/0").asString()).isEqualTo("shows");
    }

    @Test
    void historiesHaveWordsForEveryProperty() {
        for (StepKind kind : StepKind.values()) {
            for (Property property : kind.shape().properties()) {
                assertThat(kind.shape().inWords(property.name()))
                        .as("%s of %s", property.name(), kind)
                        .isNotBlank();
            }
        }
        assertThat(StepKind.QUESTION.shape().inWords("retry")).isEqualTo("the error words");
        assertThat(StepKind.CHOICE.shape().inWords("options")).isEqualTo("an option");
    }

    @Test
    void whatStandsBesideARowIsToldFromTheStep() {
        assertThat(CHOICE.kind().shape().aside().apply(StepJson.tree(CHOICE)))
                .isEqualTo(new Shape.Aside("one", "wish", ""));
        Step wait = StepKind.WAIT.blank("w");
        assertThat(wait.kind().shape().aside().apply(StepJson.tree(wait))).isEqualTo(Shape.Aside.NONE);
    }
}
