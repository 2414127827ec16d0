package com.shuttle.chat;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import com.shuttle.web.Json;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;

/**
 * The chat's own words by language, named by what they are in English. Some languages ship as files {@code words/de.json}; files of
 * the same form in the folder {@code words} of the data folder add others, or other wordings. They are read once. Thread-safe.
 */
@Component("chatWords")
public class ChatWords {

    private static final Set<String> RIGHT_TO_LEFT = Set.of("ar", "dv", "fa", "he", "ps", "sd", "ug", "ur", "yi");

    private final Path own;
    private final LoadingCache<String, Map<String, String>> words =
            Caffeine.newBuilder().maximumSize(100).build(this::read);

    ChatWords(@Value("${shuttle.data}") Path data) {
        this.own = data.resolve("words");
    }

    private static String bare(String language) {
        String bare = language.toLowerCase(Locale.ROOT).replaceFirst("[-_].*", "");
        return bare.matches("[a-z]{2,3}") ? bare : "en";
    }

    private Map<String, String> read(String language) {
        try {
            Map<String, String> all = new LinkedHashMap<>();
            ClassPathResource shipped = new ClassPathResource("words/" + language + ".json");
            if (shipped.exists()) {
                all.putAll(Json.texts(shipped.getContentAsString(StandardCharsets.UTF_8)));
            }
            Path added = own.resolve(language + ".json");
            if (Files.isRegularFile(added)) {
                all.putAll(Json.texts(Files.readString(added)));
            }
            return Map.copyOf(all);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What differs from English, as JSON. @param language such as {@code de-AT} */
    public String json(String language) {
        return Json.write(words.get(bare(language)));
    }

    /** Words in a language; in English where it has none. */
    public String word(String language, String english) {
        return words.get(bare(language)).getOrDefault(english, english);
    }

    /** In which direction a language is written: {@code rtl} or {@code ltr}. */
    public String direction(String language) {
        return RIGHT_TO_LEFT.contains(bare(language)) ? "rtl" : "ltr";
    }
}
