package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ExtremesTest {

    private static final List<Value> NUMBERS =
            List.of(Value.Numeric.of(20), Value.Numeric.of(10), Value.Numeric.of(15));

    @ParameterizedTest
    @CsvSource({"the higher one,20", "the most,20", "the lower of them,10", "fewest please,10"})
    void theGreatestOrTheLeastIsMeant(String words, int number) {
        assertThat(Extremes.of(words, NUMBERS)).isEqualTo(Value.Numeric.of(number));
    }

    @ParameterizedTest
    @CsvSource({"neither", "the higher or the lower", "well the higher one would really be far too much for us"})
    void whatSaysNeitherOrBothOrMoreMeansNone(String words) {
        assertThat(Extremes.of(words, NUMBERS)).isNull();
    }

    @Test
    void daysHaveAnOrderAndTextsHaveNone() {
        Value early = new Value.Day(LocalDate.of(2026, 5, 4));
        Value late = new Value.Day(LocalDate.of(2026, 6, 4));
        assertThat(Extremes.of("the later", List.of(late, early))).isEqualTo(late);
        assertThat(Extremes.of("the later", List.of(new Value.Text("a"), new Value.Text("b"))))
                .isNull();
    }
}
