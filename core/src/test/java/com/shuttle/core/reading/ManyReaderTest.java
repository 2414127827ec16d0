package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import java.time.LocalDateTime;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ManyReaderTest {

    private static final List<Option> OPTIONS = List.of(
            new Option("catering", "Catering", List.of("food", "dinner")),
            new Option("show", "Dome show", List.of()),
            new Option("band", "Sound for a band", List.of("music")));

    private static Reading read(String text) {
        Context context = new Context("GB", LocalDateTime.of(2026, 3, 10, 9, 15));
        return Reader.reply(ValueType.MULTI_CHOICE, text, context, OPTIONS, Meaning.NONE);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "do you do vegan food tho",
                "how much is catering",
                "is the food any good",
                "and what is the dome show like",
                "are there speakers for music",
                "ok, does it cost extra with a band"
            })
    void aQuestionWithoutItsMarkPicksNothing(String text) {
        assertThat(read(text)).isEqualTo(Reading.NOTHING);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "can we have catering and the dome show|Catering, Dome show",
                "what we want is food|Catering",
                "how about the dome show|Dome show",
                "do the catering please|Catering",
                "have music too|Sound for a band",
                "just dinner|Catering"
            })
    void askingToHaveSomethingPicksIt(String text, String picked) {
        assertThat(read(text))
                .isInstanceOfSatisfying(
                        Reading.Given.class,
                        given -> assertThat(given.value()).isEqualTo(new Value.Many(List.of(picked.split(", ")))));
    }
}
