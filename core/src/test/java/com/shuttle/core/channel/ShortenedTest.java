package com.shuttle.core.channel;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.NotBlank;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Labels made to fit. */
class ShortenedTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "20|Plan a visit|Plan a visit",
                "20|Plan a visit (families and groups)|Plan a visit",
                "20|Please book the telescope night|Book telescope night",
                "20|Ask about a membership for two|Ask about membership",
                "20|Dinner and the sky of your choice|Dinner and sky",
                "20|The workshop for telescopes|Workshop",
                "8|Planetarium|Planeta…",
                "24|Pictures, films and files|Pictures, films",
                "20|(all of these and any others)|(all of these",
            })
    void keepsWhatSaysMost(int most, String label, String shortened) {
        assertThat(Shortened.to(most, label)).isEqualTo(shortened);
    }

    @Property
    void alwaysFitsAndIsNeverBlank(
            @ForAll @NotBlank @StringLength(max = 80) String label, @ForAll @IntRange(min = 2, max = 40) int most) {
        if (label.strip().isEmpty()) {
            return;
        }
        String shortened = Shortened.to(most, label);
        assertThat(Shortened.letters(shortened)).isBetween(1, most);
    }

    @Property
    void leavesAloneWhatFits(@ForAll @StringLength(max = 20) String label) {
        String once = Shortened.to(20, label);
        assertThat(Shortened.to(20, once)).isEqualTo(once);
    }
}
