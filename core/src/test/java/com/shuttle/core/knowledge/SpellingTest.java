package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpellingTest {

    private static final Spelling SPELLING = new Spelling(WordCounts.of(Stream.of(
            "Can I borrow a telescope?", "Membership of the observatory", "The telescope night", "Wheelchair access")));

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "can i borow a telescop|can i borrow a telescope",
                "TELESCOEP night|telescope night",
                "memebrship|membership",
                "wheelchiar acess|wheelchair access",
                "obsrevatroy|observatory",
                "a horoscope|a horoscope",
                "the borough|the borough",
                "where|where",
                "xyzzyx|xyzzyx",
                "a tel|a tel",
                "nihgt?|night?",
            })
    void repairsWhatIsNoWordAndLeavesTheRest(String typed, String repaired) {
        assertThat(SPELLING.repaired(typed)).isEqualTo(repaired);
    }

    @Test
    void withoutAVocabularyNothingIsRepaired() {
        Spelling empty = new Spelling(WordCounts.of(Stream.of()));
        assertThat(empty.repaired("telescop")).isEqualTo("telescop");
        assertThat(empty.repaired("")).isEmpty();
    }

    @Test
    void betweenTwoEquallyNearTheMoreFrequentWins() {
        Spelling spelling = new Spelling(WordCounts.of("lantern lanters lanters"));
        assertThat(spelling.repaired("lanterm")).isEqualTo("lanters");
    }
}
