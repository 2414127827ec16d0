package com.shuttle.chat;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.web.Json;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The chat's own words: whole in each language that ships, and open to others. */
class ChatWordsTest {

    private static final Path RESOURCES = Path.of("src/main/resources");
    private static final Pattern IN_SCRIPT = Pattern.compile("word\\((?:[^'()]*\\? )?'([^']+)'(?: : '([^']+)')?");
    private static final Pattern IN_TEMPLATE = Pattern.compile("chatWords\\.word\\([^,]+, '([^']+)'\\)");
    private static final Pattern BLANK = Pattern.compile("\\{\\w+\\}");

    @TempDir
    private Path data;

    private static Set<String> used() throws IOException {
        Set<String> used = new TreeSet<>();
        try (Stream<Path> scripts = Files.list(RESOURCES.resolve("static/js/chat"))) {
            scripts.forEach(script -> find(IN_SCRIPT, script, used));
        }
        find(IN_TEMPLATE, RESOURCES.resolve("templates/chat/page.html"), used);
        return used;
    }

    private static void find(Pattern pattern, Path file, Set<String> found) {
        try {
            Matcher matcher = pattern.matcher(Files.readString(file));
            while (matcher.find()) {
                for (int i = 1; i <= matcher.groupCount(); i++) {
                    if (matcher.group(i) != null) {
                        found.add(matcher.group(i));
                    }
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Set<String> blanks(String text) {
        Set<String> blanks = new TreeSet<>();
        Matcher matcher = BLANK.matcher(text);
        while (matcher.find()) {
            blanks.add(matcher.group());
        }
        return blanks;
    }

    @ParameterizedTest
    @ValueSource(strings = {"de", "fr"})
    void everyWordThatIsUsedIsThere(String language) throws IOException {
        Map<String, String> words = Json.texts(Files.readString(RESOURCES.resolve("words/" + language + ".json")));
        assertThat(words.keySet()).containsAll(used());
        words.forEach((english, other) -> {
            assertThat(other).isNotBlank();
            assertThat(blanks(other)).as(english).isEqualTo(blanks(english));
        });
    }

    @ParameterizedTest
    @CsvSource({"de-AT,Senden", "FR,Envoyer", "en-GB,Send", "nl,Send", "../de,Send", "'',Send"})
    void aLanguageByItsTag(String language, String send) {
        assertThat(new ChatWords(data).word(language, "Send")).isEqualTo(send);
    }

    @Test
    void filesOfTheOperatorsAddLanguagesAndWordings() throws IOException {
        Files.createDirectories(data.resolve("words"));
        Files.writeString(data.resolve("words/ar.json"), "{\"Send\":\"إرسال\"}");
        Files.writeString(data.resolve("words/de.json"), "{\"Send\":\"Abschicken\"}");
        ChatWords words = new ChatWords(data);
        assertThat(words.word("ar", "Send")).isEqualTo("إرسال");
        assertThat(words.direction("ar-EG")).isEqualTo("rtl");
        assertThat(words.direction("de")).isEqualTo("ltr");
        assertThat(words.word("de", "Send")).isEqualTo("Abschicken");
        assertThat(words.word("de", "Close")).isEqualTo("Schließen");
        assertThat(words.json("de")).contains("Abschicken");
    }
}
