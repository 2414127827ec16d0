package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Option;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OptionMatcherTest {

    private static final List<Option> OPTIONS = List.of(
            new Option("show", "A dome show", List.of("planetarium")),
            new Option("hire", "Hire the dome", List.of("party", "event")),
            new Option("night", "Telescope night", List.of("stargazing")),
            new Option("none", "No, thank you", List.of("no")));

    private static String match(String text, List<Option> options) {
        return switch (OptionMatcher.match(text, options)) {
            case OptionMatcher.Match.One one -> one.option().id();
            case OptionMatcher.Match.Several several ->
                several.options().stream().map(Option::id).collect(Collectors.joining("+"));
            case OptionMatcher.Match.None ignored -> "-";
        };
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "A dome show|show",
                "a DOME show!|show",
                "dome show please|show",
                "show|show",
                "planetarium|show",
                "planetarum|show",
                "the planetarium thing|show",
                "hire|hire",
                "we'd like to hire the dome|hire",
                "a party|hire",
                "dome|show+hire",
                "telescope|night",
                "telescpoe nihgt|night",
                "telescopes|night",
                "stargazing|night",
                "the first|show",
                "2|hire",
                "third one|night",
                "the last one|none",
                "option 2 please|hire",
                "how about the dome show|show",
                "what about stargazing?|night",
                "can I have the telescope night then|night",
                "could we do a dome show on friday|show",
                "what about parking|-",
                "just the two of us|-",
                "for two|-",
                "we're three|-",
                "let's go for two|hire",
                "how about next week|-",
                "not the dome show, the telescope night|night",
                "we had the dome show last time, so stargazing now|night",
                "rather stargazing than a dome show|night",
                "instead of a dome show it's stargazing|night",
                "anything but the dome show... telescopenight then|night",
                "9|-",
                "0|-",
                "no|none",
                "no thank you|none",
                "something else entirely|-",
                "is there parking at the dome?|-",
                "!!!|-",
                "the|-",
            })
    void findsTheOptionMeant(String text, String expected) {
        assertThat(match(text, OPTIONS)).isEqualTo(expected);
    }

    @Test
    void nothingMatchesWithoutOptionsOrLabels() {
        assertThat(match("yes", List.of())).isEqualTo("-");
        assertThat(match("yes", List.of(new Option("a", "", List.of())))).isEqualTo("-");
    }
}
