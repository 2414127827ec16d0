package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordsTest {

    @Test
    void cleaningTakesOutWhatCouldHarmAndKeepsTheRest() {
        assertThat(Words.clean("  abc\u202Edef\u2066\u0000\u0007 ")).isEqualTo("abcdef");
        assertThat(Words.clean("line one\nline two\tend")).isEqualTo("line one\nline two\tend");
        assertThat(Words.clean("“it’s”")).isEqualTo("\"it's\"");
        assertThat(Words.clean("１２ ｐｅｏｐｌｅ")).isEqualTo("12 people");
        assertThat(Words.clean("<script>alert(1)</script>")).isEqualTo("<script>alert(1)</script>");
        assertThat(Words.clean("\u200B\uFEFF")).isEmpty();
        assertThat(Words.clean("zoë 🙂 日本")).isEqualTo("zoë 🙂 日本");
    }

    @Property
    void cleaningTwiceChangesNothingMore(@ForAll String text) {
        assertThat(Words.clean(Words.clean(text))).isEqualTo(Words.clean(text));
    }

    @Test
    void wordsAreFoldedAndBare() {
        assertThat(Words.of("Café, 'THE' end! It's")).containsExactly("cafe", "the", "end", "it's");
        assertThat(Words.normal("  Plan -- a   VISIT?")).isEqualTo("plan a visit");
        assertThat(Words.of("…!?")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "kitten,sitting,3,3",
        "abc,abc,2,0",
        "abc,acb,1,1",
        "abc,xyz,1,2",
        "a,abcdef,2,3",
        "'',ab,2,2",
        "telescope,telescpoe,2,1"
    })
    void distanceCountsSlips(String a, String b, int limit, int expected) {
        assertThat(Words.distance(a, b, limit)).isEqualTo(expected);
        assertThat(Words.distance(b, a, limit)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "is it far?|true",
                "how do I get there|true",
                "what time is it|true",
                "Dana Whitlow|false",
                "do it|false",
                "I wonder how|false",
                "can you help me|true"
            })
    void questionsAreKnownByTheirMarkOrOpening(String text, boolean question) {
        assertThat(Words.looksLikeQuestion(text)).isEqualTo(question);
    }
}
