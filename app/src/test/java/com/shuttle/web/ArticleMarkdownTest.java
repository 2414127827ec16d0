package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ArticleMarkdownTest {

    private final Markdown markdown = new Markdown();

    @Test
    void headingsTablesAndPicturesAreShown() {
        String html = markdown.article("# Who *may*\n\n| a | b |\n|---|---|\n| 1 | 2 |\n\n![A dome](/media/x)");
        assertThat(html)
                .contains("<h2 id=\"part-who-may\">Who <em>may</em></h2>")
                .contains("<table>", "<th>a</th>", "<td>2</td>")
                .contains("<img src=\"/media/x\" alt=\"A dome\"");
        assertThat(Markdown.anchor("Who may")).isEqualTo("part-who-may");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<script>alert(1)</script>",
                "<img src=x onerror=alert(1)>",
                "[x](javascript:alert(1))",
                "![x](javascript:alert(1))",
                "<iframe src='https://example.org'></iframe>",
                "<h2 id='content' onclick='x()'>a</h2>"
            })
    void nothingRuns(String text) {
        assertThat(markdown.article(text))
                .doesNotContain(
                        "<script", "<iframe", "<img src=x", "href=\"javascript", "src=\"javascript", "<h2 id='c");
    }
}
