package com.shuttle.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jsoup.Jsoup;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HtmlTextTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "<p>One</p><p>Two</p>|One\\n\\nTwo",
                "a<br>b|a\\nb",
                "<b>bold</b> and <em>leaning</em>|**bold** and *leaning*",
                "<b> </b>x|x",
                "<ul><li>one</li><li>two</li></ul>|- one\\n- two",
                "<ol><li>one</li><li>two</li></ol>|1. one\\n2. two",
                "<a href='/x'>there</a>|[there](https://example.org/x)",
                "<a href='javascript:alert(1)'>there</a>|there",
                "<a href='mailto:a@example.org'>write</a>|[write](mailto:a@example.org)",
                "<script>x()</script><style>y</style>z|z",
                "  lots   of\tspace |lots of space",
                "5 &lt; 6 &amp; 7|5 < 6 & 7"
            })
    void becomesMarkdown(String html, String markdown) {
        assertThat(HtmlText.markdown(
                        List.of(Jsoup.parse(html, "https://example.org/").body())))
                .isEqualTo(markdown.replace("\\n", "\n"));
    }
}
