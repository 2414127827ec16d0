package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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
            })
    void placeholdersAreFilledAndUnknownOnesLeftOut(String text, String filled) {
        assertThat(Texts.fill(
                        text.replace('~', '|'),
                        KNOWN,
                        Map.of("name", ValueType.PERSON_NAME),
                        Map.of("channel", new Value.Text("web")),
                        "Vesper"))
                .isEqualTo(filled);
    }

    @Test
    void aTextIsShortenedToItsLastQuestion() {
        assertThat(Texts.shorter("Lovely. How many are you?")).isEqualTo("How many are you?");
        assertThat(Texts.shorter("Tell me your name.")).isEqualTo("Tell me your name.");
        assertThat(Texts.shorter("")).isEmpty();
    }
}
