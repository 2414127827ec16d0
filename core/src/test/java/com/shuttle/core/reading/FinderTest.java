package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

class FinderTest {

    private static final List<String> EXPRESSIONS = List.of(
            "\\b(?:not|isn't|instead of)(?: (?:the|on))*[\\s:,]*$",
            "\\b(?:no|sorry|i mean)\\b|\\*",
            "(?<![\\p{L}\\d])(?:(?:oh|one|two|\\d++)[\\s,-]++){2,4}(?:oh|one|\\d+)",
            "\\b[,;] ?\\w",
            "(?:^|[.!?]\\s+)is\\b",
            "\\b(\\d{1,2}|two)\\s+of\\s+(\\d{1,3}|us)\\b",
            "[,;.\\s]\\s*so\\s+(?=\\S)",
            "(?!the\\b)\\p{L}+s\\b",
            "é|\\bü\\w");

    @Provide
    Arbitrary<String> texts() {
        return Arbitraries.of(
                        "no", "not", "the", "on", "two", "of", "us", "12", "so", "is", "oh", "one", "Sorry", "i mean",
                        "*", ",", ".", ";", " ", " ", " ", "-", "a", "é", "über", "İ", "_", "isn't")
                .list()
                .ofMaxSize(14)
                .map(words -> String.join("", words));
    }

    /** The pattern itself is the reference. */
    @Property
    void findsWhatItsPatternFinds(@ForAll("texts") String text) {
        for (String expression : EXPRESSIONS) {
            List<String> expected = Pattern.compile(expression, Pattern.CASE_INSENSITIVE)
                    .matcher(text)
                    .results()
                    .map(FinderTest::shown)
                    .toList();
            Finder finder = Finder.of(expression);
            assertThat(finder.all(text, 99).stream().map(FinderTest::shown).toList())
                    .as(expression)
                    .isEqualTo(expected);
            assertThat(finder.in(text)).as(expression).isEqualTo(!expected.isEmpty());
            MatchResult first = finder.first(text);
            assertThat(first == null ? null : shown(first)).isEqualTo(expected.isEmpty() ? null : expected.getFirst());
        }
    }

    private static String shown(MatchResult match) {
        return match.start() + " " + match.group();
    }

    @Test
    void doesNotTakeWhatMustLookBehindItself() {
        assertThatIllegalArgumentException().isThrownBy(() -> Finder.of("(?<=a)b"));
    }

    @Test
    void mindsCapitalsWhereAsked() {
        assertThat(Finder.ofExactly("\\bno\\b").in("No")).isFalse();
        assertThat(Finder.of("\\bno\\b").in("No")).isTrue();
    }
}
