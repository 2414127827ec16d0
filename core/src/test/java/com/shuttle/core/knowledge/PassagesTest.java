package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PassagesTest {

    @Test
    void cutsAtHeadingsAndIntoSentences() {
        Article article = new Article(
                "a",
                "Repairs",
                "# Repairs\nWe repair **telescopes**. Bring yours on Thursday.\n\n## Costs\n- Looking it over: £15.\n"
                        + "- Cleaning a mirror: [see prices](https://x.example).\n\n## Empty\n",
                "");
        assertThat(Passages.of(article))
                .containsExactly(
                        new Passages.Passage(
                                "Repairs", "", java.util.List.of("We repair telescopes.", "Bring yours on Thursday.")),
                        new Passages.Passage(
                                "Repairs: Costs",
                                "Costs",
                                java.util.List.of("Looking it over: £15.", "Cleaning a mirror: see prices.")));
    }

    @Test
    void rowsOfTablesAreReadWithTheirHeadings() {
        assertThat(
                        Passages.sentences(
                                "Before.\n\n| Name | Weight | For |\n|---|:-:|---|\n| Wren | 2 kg | the Moon |\n| Plover | | |\nAfter."))
                .containsExactly("Before.", "Wren: weight 2 kg, for the Moon", "Plover", "After.");
        assertThat(Passages.sentences("| no | header |")).containsExactly("no: header");
    }

    @Test
    void whatAPictureShowsIsNothingThatIsSaid() {
        assertThat(Passages.sentences("![A dog on the lawn](/media/x) No dogs, please. See [the rules](/r)."))
                .containsExactly("No dogs, please.", "See the rules.");
        assertThat(Passages.of(new Article("a", "T", "# Where\n\n![The yard](/media/x)\n", "")))
                .isEmpty();
    }

    @Test
    void anArticleWithoutTextHasNoPassages() {
        assertThat(Passages.of(new Article("a", "T", "\n\n# Only\n## headings\n", "")))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "and for children?|true",
                "what about sundays|true",
                "how much is it?|true",
                "is that far|true",
                "children?|true",
                "What does a telescope night cost for a family of five|false",
                "Do you repair binoculars on Thursdays|false",
                "there are 28 of us|false",
                "twelve|false",
                "that is all|false",
                "''|false"
            })
    void followUpsLeanOnTheQuestionBefore(String question, boolean leans) {
        assertThat(FollowUp.leansOnBefore(question)).isEqualTo(leans);
    }
}
