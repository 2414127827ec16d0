package com.shuttle.core.flow.shape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.MissingNode;

/** How values are typed in, shown again and refused. */
class FormsTest {

    private static String json(Form form, String typed) {
        JsonNode node = form.typed().json(typed);
        return node == null ? "nothing" : node.toString();
    }

    /** What is typed, kept, shown and typed again comes to the same. */
    private static void comesBack(Form form, String typed) {
        JsonNode kept = form.typed().json(typed);
        String shown = form.shown().apply(kept == null ? MissingNode.getInstance() : kept);
        assertThat(form.typed().json(shown)).isEqualTo(kept);
    }

    @ParameterizedTest
    @CsvSource({"60s, 60", "10m, 600", "2 hours, 7200", "3d, 259200", "45, 45"})
    void spansAreSecondsAndComeBack(String typed, long seconds) {
        assertThat(json(Forms.span(), typed)).isEqualTo(Long.toString(seconds));
        comesBack(Forms.span(), typed);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "soon", "0", "400d", "-5m", "5 weeks"})
    void noSpanIsRefusedInASentence(String typed) {
        assertThatThrownBy(() -> json(Forms.span(), typed))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.sentence()).startsWith("A time is"));
    }

    @Test
    void whatMayBeNothingIsNothing() {
        assertThat(json(Forms.spanOrNone(), "")).isEqualTo("nothing");
        assertThat(json(Forms.countOrNone(0, 9, "no"), " ")).isEqualTo("nothing");
        assertThat(json(Forms.NUMBER, "")).isEqualTo("nothing");
        assertThat(Forms.countOrNone(0, 9, "no").shown().apply(MissingNode.getInstance()))
                .isEmpty();
        comesBack(Forms.spanOrNone(), "");
    }

    @ParameterizedTest
    @CsvSource({"3, 3", "-2.50, -2.50", "0, 0"})
    void numbersAreKeptAsTheyAreTyped(String typed, String kept) {
        assertThat(json(Forms.NUMBER, typed)).isEqualTo(kept);
        comesBack(Forms.NUMBER, typed);
    }

    @Test
    void wordsAreCutAtCommasAndEmptyOnesLeftOut() {
        assertThat(json(Forms.WORDS, "visit,  come over ,,")).isEqualTo("[\"visit\",\"come over\"]");
        comesBack(Forms.WORDS, "visit, come over");
        assertThat(json(Forms.WEEKDAY_LIST, "Monday, friday")).isEqualTo("[\"monday\",\"friday\"]");
        assertThatThrownBy(() -> json(Forms.WEEKDAY_LIST, "mon")).isInstanceOf(Refusal.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"guests", "Head count", "a-b", "", "x9"})
    void namesOfVariablesAreMadeFit(String typed) {
        assertThat(json(Forms.VARIABLE, typed)).matches("\"([a-z][a-z0-9_]*)?\"");
        comesBack(Forms.VARIABLE, typed);
    }

    @ParameterizedTest
    @ValueSource(strings = {"9lives", "a.b", "ä", "a{{b}}"})
    void unfitNamesAreRefused(String typed) {
        assertThatThrownBy(() -> json(Forms.VARIABLE, typed)).isInstanceOf(Refusal.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"javascript:alert(1)", "//elsewhere.example", "ftp://x", "data:text/html,x"})
    void addressesThatRunOrHideAreRefused(String typed) {
        assertThatThrownBy(() -> json(Forms.ADDRESS, typed)).isInstanceOf(Refusal.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"https://x.example/a?b=c", "/media/abc", "{{picture}}", ""})
    void addressesOfTheWebAndOfOursAreTaken(String typed) {
        comesBack(Forms.ADDRESS, typed);
    }

    @Test
    void oneOfSeveralIsOneOfThem() {
        Form form = Forms.oneOf(List.of(new Form.Value("a", "A"), new Form.Value("b", "B")), "There is none.");
        assertThat(json(form, "a")).isEqualTo("\"a\"");
        assertThatThrownBy(() -> json(form, "c")).hasMessage("There is none.");
        assertThat(form.schema().toString()).isEqualTo("{\"enum\":[\"a\",\"b\"]}");
    }

    @Test
    void longTextsAreRefusedAndNeverCut() {
        assertThatThrownBy(() -> json(Forms.TEXT, "x".repeat(Forms.LONGEST_TEXT + 1)))
                .hasMessageContaining("8000");
        assertThatThrownBy(() -> json(Forms.LINE, "x".repeat(Forms.LONGEST_LINE + 1)))
                .hasMessageContaining("200");
        assertThat(json(Forms.LINE, "two\n lines")).isEqualTo("\"two lines\"");
    }
}
