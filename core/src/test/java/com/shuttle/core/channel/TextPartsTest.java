package com.shuttle.core.channel;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.Chars;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Parts of text messages, at their bounds and against counting by hand. */
class TextPartsTest {

    @ParameterizedTest
    @CsvSource({
        "a, 0, 1, 0",
        "a, 160, 1, 160",
        "a, 161, 2, 161",
        "a, 306, 2, 306",
        "a, 307, 3, 307",
        "€, 80, 1, 160",
        "€, 81, 2, 162",
        "€, 153, 3, 306",
        "ç, 70, 1, 70",
        "ç, 71, 2, 71",
        "ç, 134, 2, 134",
        "ç, 135, 3, 135",
        "🔭, 35, 1, 70",
        "🔭, 36, 2, 72",
        "🔭, 67, 3, 134",
    })
    void countsAtTheBounds(String character, int times, int parts, int units) {
        TextParts counted = TextParts.of(character.repeat(times));
        assertThat(counted.parts()).isEqualTo(parts);
        assertThat(counted.units()).isEqualTo(units);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"Grüße, ça va? – Ω| ç–", "Tonight: £5 & [tea]|''", "🔭 and 🔭|🔭"})
    void namesWhatIsForeignOnce(String text, String foreign) {
        assertThat(TextParts.of(text).foreign()).isEqualTo(foreign.strip());
    }

    @Property
    void plainLettersGoByLength(@ForAll @CharRange(from = 'a', to = 'z') @StringLength(max = 2000) String text) {
        int parts = text.length() <= 160 ? 1 : (text.length() + 152) / 153;
        assertThat(TextParts.of(text)).isEqualTo(new TextParts(parts, text.length(), ""));
    }

    @Property
    void nothingIsTornApart(@ForAll @Chars({'a', '€', '~'}) @StringLength(max = 900) String text) {
        TextParts counted = TextParts.of(text);
        int least = counted.units() <= 160 ? 1 : (counted.units() + 152) / 153;
        // At most one unit of each part stays empty.
        assertThat(counted.parts()).isBetween(least, (counted.units() + 151) / 152 + 1);
    }
}
