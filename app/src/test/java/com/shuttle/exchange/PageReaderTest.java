package com.shuttle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PageReaderTest {

    private static final String ADDRESS = "https://help.example.org/faq";

    private static List<String> read(String html) throws Unreadable {
        return PageReader.read(html, ADDRESS).stream()
                .map(found -> found.question() + " = " + found.answer())
                .toList();
    }

    @Test
    void readsFaqDataAlsoWithinAGraphAndWithTagsInIt() throws Unreadable {
        assertThat(read("""
                <script type="application/ld+json">{"@graph":[{"@type":["WebPage","FAQPage"],"mainEntity":[
                 {"@type":"Question","name":"Open &amp; free?","acceptedAnswer":{"@type":"Answer","text":"<p>Yes, <b>daily</b>.</p><script>x()</script>"}},
                 {"@type":"Question","name":"No answer"}]}]}</script>""".replace("</script>\"", "<\\/script>\""))).containsExactly("Open & free? = Yes, **daily**.");
    }

    @Test
    void readsDefinitionListsDetailsAndHeadingsThatAsk() throws Unreadable {
        assertThat(read("""
                <nav><h2>What is this menu?</h2><p>Not read.</p></nav>
                <dl><dt>Parking</dt><dd>Free.</dd><dd>Below.</dd><div><dt>Bus</dt><dd>No. 14</dd></div></dl>
                <details><summary>Dogs?</summary><ul><li>On a lead</li><li>Outside</li></ul></details>
                <details><summary>Cats?</summary>Never.</details>
                <h2>About us</h2><p>Not a question.</p>
                <h3>How do I come?</h3><p>On foot, or see <a href="/map">the map</a>.</p><script>alert(1)</script><h3>End</h3>"""))
                .containsExactly(
                        "Parking = Free.\n\nBelow.",
                        "Bus = No. 14",
                        "Dogs? = - On a lead\n- Outside",
                        "Cats? = Never.",
                        "How do I come? = On foot, or see [the map](https://help.example.org/map).");
    }

    @Test
    void theSameQuestionCountsOnceAndScriptedLinksAreOnlyWords() throws Unreadable {
        assertThat(read("<h2>Why?</h2><p><a href='javascript:x()'>Because</a></p><dl><dt>Open?</dt><dd>Yes</dd></dl>"
                        + "<h2>OPEN?</h2><p>No</p>"))
                .containsExactly("Open? = Yes", "Why? = Because");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "<p>Nothing here asks.</p>",
                "<script type='application/ld+json'>{broken</script>",
                "<script type='application/ld+json'>[[[{\"@type\":\"FAQPage\"}]]]</script>"
            })
    void aPageWithoutQuestionsIsRefused(String html) {
        assertThatThrownBy(() -> PageReader.read(html, ADDRESS))
                .isInstanceOf(Unreadable.class)
                .hasMessageContaining("No questions");
    }
}
