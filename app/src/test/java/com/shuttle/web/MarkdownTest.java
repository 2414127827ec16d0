package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MarkdownTest {

    private final Markdown markdown = new Markdown();

    @Test
    void showsTheSmallSet() {
        assertThat(markdown.html("**bold** *italic* `code`"))
                .contains("<strong>bold</strong>", "<em>italic</em>", "<code>code</code>");
        assertThat(markdown.html("- one\n- two")).contains("<ul>", "<li>one</li>");
        assertThat(markdown.html("[site](https://example.org)"))
                .contains("href=\"https://example.org\"", "nofollow", "noopener");
        assertThat(markdown.html("a\nb")).contains("<br");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<script>alert(1)</script>",
                "<img src=x onerror=alert(1)>",
                "[x](javascript:alert(1))",
                "[x](data:text/html,hi)",
                "![x](https://evil.example/pixel.png)",
                "<a href='https://x.example' onclick='alert(1)'>x</a>",
                "<iframe src='//x'></iframe>",
                "<svg/onload=alert(1)>",
                "[x](vbscript:x)"
            })
    void letsNothingHarmfulThrough(String hostile) {
        assertThat(markdown.html(hostile).replace("&lt;", "").replaceAll("&#?\\w+;", ""))
                .doesNotContain(
                        "<script",
                        "<img",
                        "<iframe",
                        "<svg",
                        "<a href=\"javascript",
                        "<a href=\"data",
                        "<a href=\"vbscript")
                .doesNotContainPattern("<[^>]*on\\w+=");
    }
}
