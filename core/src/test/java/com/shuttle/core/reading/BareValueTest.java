package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BareValueTest {

    private static final Context CONTEXT = new Context("GB", LocalDateTime.of(2026, 3, 10, 9, 0));

    private static BareValue of(String text) {
        return BareValue.of(text, CONTEXT);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "12", "about two grand", "£350", "0117 496 0022", "mara@example.org",
                        "the 12th of February, or if not the 13th",
                "about fifty people", "half past three", "3k tops", "friday week", "70 actually", "between 20 and 30"
            })
    void whatIsNothingButAValue(String text) {
        assertThat(of(text)).isEqualTo(BareValue.VALUE);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"in June sometime", "next month", "mid march", "the second week of May", "any weekend in autumn"
            })
    void stretchesOfDays(String text) {
        assertThat(of(text)).isEqualTo(BareValue.DAYS);
    }

    @ParameterizedTest
    @ValueSource(strings = {"mornings only please", "in the evening", "afternoon or evening"})
    void partsOfTheDay(String text) {
        assertThat(of(text)).isEqualTo(BareValue.HOURS);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "parking",
                "are you open in June?",
                "what does it cost for 12",
                "dogs",
                "",
                "thanks",
                "year 2 visit",
                "Ann Teller",
                "is 12 too many",
                "my number is private"
            })
    void whatSaysMore(String text) {
        assertThat(of(text)).isEqualTo(BareValue.NONE);
    }
}
