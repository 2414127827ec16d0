package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TextsTest {

    private static final Map<String, Value> KNOWN = Map.of("name", Value.of("Dana Whitlow"), "party", Value.of(12));

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Hello {{name.first}}|Hello Dana",
                "{{name}}, {{party}}|Dana Whitlow, 12",
                "I am {{bot}}|I am Vesper",
                "Call{{#phone}} on {{phone}}{{/phone}}.|Call.",
                "{{unknown}}x|x",
                "Hi {{nick~there}}!|Hi there!",
                "Hi {{name.first~there}}!|Hi Dana!",
                "on the {{channel}}|on the web",
                "no placeholders|no placeholders",
                "£{{party}}.5 in all|£12.50 in all",
                "about £{{party}}.5m|about £12.5m",
            })
    void placeholdersAreFilledAndUnknownOnesLeftOut(String text, String filled) {
        assertThat(Texts.fill(text.replace('~', '|'), known(KNOWN))).isEqualTo(filled);
    }

    @Test
    void aPartIsRepeatedForEachOfAList() {
        Texts.Known two = known(Map.of("boats", new Value.Many(List.of("Heron", "Coot *1*"))));
        assertThat(Texts.fill("{{boats}}: {{#boats}}[{{.}}]{{/boats}}{{^boats}}none{{/boats}}", two))
                .isEqualTo("Heron, Coot \\*1\\*: [Heron][Coot \\*1\\*]");
        Texts.Known none = known(Map.of("boats", new Value.Many(List.of())));
        assertThat(Texts.fill("{{#boats}}[{{.}}]{{/boats}}{{^boats}}none{{/boats}}", none))
                .isEqualTo("none");
    }

    private static Texts.Known known(Map<String, Value> variables) {
        return new Texts.Known(
                variables,
                Map.of("name", ValueType.PERSON_NAME),
                Map.of("channel", new Value.Text("web"), "page", new Value.Text("https://x.example/[a](b)")),
                "Vesper");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{{name.class.name}}",
                "{{name.whole}}",
                "{{name.first.bytes.length}}",
                "{{party.hashCode}}",
                "{{channel.getClass}}",
                "{{channel.length}}",
                "{{#name}}{{class}}{{/name}}",
            })
    void placeholdersReachValuesOnly(String text) {
        assertThat(Texts.fill(text, known(KNOWN))).isEmpty();
    }

    @Test
    void whatABrowserToldCannotBringInMarkdown() {
        assertThat(Texts.fill("From {{page}}", known(Map.of()))).isEqualTo("From https://x.example/\\[a\\](b)");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/media/abc|dome|/media/abc",
                "https://x.example/{{p}}.png|a b/../c|https://x.example/a+b%2F..%2Fc.png",
                "{{p}}|https://x.example/a.png|https://x.example/a.png",
                "{{p}}|javascript:alert(1)|''",
                "{{p}}|//evil.example/a.png|''",
                "{{p}}:alert(1)|javascript|''",
                "{{p}}|data:text/html,x|''",
                "https://x.example/{{unknown}}|x|https://x.example/",
            })
    void anAddressLeadsToThePagesOfTheWebOnly(String address, String value, String filled) {
        assertThat(Texts.fillAddress(address, known(Map.of("p", Value.of(value)))))
                .isEqualTo(filled);
    }

    @Test
    void aTextIsShortenedToItsLastQuestion() {
        assertThat(Texts.shorter("Lovely. How many are you?")).isEqualTo("How many are you?");
        assertThat(Texts.shorter("Tell me your name.")).isEqualTo("Tell me your name.");
        assertThat(Texts.shorter("")).isEmpty();
        assertThat(Texts.shorter("Done. Is a mail to a@b.example for £2.50 enough?"))
                .isEqualTo("Is a mail to a@b.example for £2.50 enough?");
    }
}
